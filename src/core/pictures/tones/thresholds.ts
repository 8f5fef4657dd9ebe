import { NOUGHT } from '../../numeric/tolerances';

/** Steps that a scale from 0 to 1 is counted in. */
const BINS = 256;
/** Most thresholds that are searched for. */
export const MOST_THRESHOLDS = 5;

/** How many pixels have each of 256 values. @param counts which pixels count, all if left out */
export function histogramOf(plane: Float32Array, counts?: (index: number) => boolean): Float64Array {
  const bins = new Float64Array(BINS);
  for (let index = 0; index < plane.length; index++)
    if (!counts || counts(index)) {
      const bin = Math.min(BINS - 1, Math.max(0, Math.floor((plane[index] as number) * BINS)));
      bins[bin] = (bins[bin] as number) + 1;
    }
  return bins;
}

/**
 * The thresholds that part values into groups that differ most: those of the largest variance between groups, found exactly.
 * @param histogram of values from 0 to 1
 * @param count how many, 1 to 5
 * @returns rising, each between 0 and 1
 * @source N. Otsu, IEEE Trans. SMC 9(1), 1979; P.-S. Liao et al., J. Inf. Sci. Eng. 17, 2001 (several thresholds); by dynamic programming
 */
export function otsu(histogram: Float64Array, count = 1): readonly number[] {
  const bins = histogram.length;
  const weight = new Float64Array(bins + 1);
  const moment = new Float64Array(bins + 1);
  for (let bin = 0; bin < bins; bin++) {
    weight[bin + 1] = (weight[bin] as number) + (histogram[bin] as number);
    moment[bin + 1] = (moment[bin] as number) + (histogram[bin] as number) * (bin + 0.5);
  }
  /** What a group of bins adds to the variance between groups, but for a constant. */
  const worth = (from: number, to: number): number => {
    const w = (weight[to] as number) - (weight[from] as number);
    const m = (moment[to] as number) - (moment[from] as number);
    return w > 0 ? (m * m) / w : 0;
  };
  const groups = Math.min(MOST_THRESHOLDS, Math.max(1, count)) + 1;
  let best = Float64Array.from({ length: bins + 1 }, (_, to) => worth(0, to));
  const cuts: Int16Array[] = [];
  for (let group = 2; group <= groups; group++) {
    const next = new Float64Array(bins + 1).fill(-1);
    const cut = new Int16Array(bins + 1);
    for (let to = group; to <= bins; to++) {
      let [ties, sum] = [0, 0];
      for (let from = group - 1; from < to; from++) {
        const value = (best[from] as number) + worth(from, to);
        const gain = value - (next[to] as number);
        if (gain > NOUGHT * Math.abs(value)) [next[to], ties, sum] = [value, 1, from];
        else if (gain > -NOUGHT * Math.abs(value)) [ties, sum] = [ties + 1, sum + from];
      }
      // Between two groups with nothing between them, the middle of what is as good.
      cut[to] = Math.round(sum / Math.max(1, ties));
    }
    best = next;
    cuts.push(cut);
  }
  const found: number[] = [];
  let at = bins;
  for (const cut of cuts.reverse()) {
    at = cut[at] as number;
    found.unshift(at / bins);
  }
  return found;
}
