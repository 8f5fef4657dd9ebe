import { histogramOf, otsu } from '../tones/thresholds';
import { apart, colorSteps, colorWays, type Superpixels } from './superpixels';
import { NOUGHT } from '../../numeric/tolerances';

/** Of distances of color along ways, of those in the plane (shares of the longer side), and of how a patch holds on to the rim. */
const [WAY_SIGMA, PLACE_SIGMA, RIM_SIGMA] = [7, 0.25, 1];
/** Of likeness of neighbors, and how much all neighbors want to be alike. */
const [ALIKE_SIGMA, ALWAYS] = [10, 0.1];
const SWEEPS = 60;
/** Steps of color smaller than this are one surface's. */
export const LEAST_STEP = 1.5;
/** Share of the most outstanding patches that are held at the top. */
const CLIPPED = 0.04;

export interface StandsOut {
  /** By patch: how much it stands out from the ground, 0 to 1. */
  readonly subject: Float32Array;
  /** By patch: how surely it is ground for the way it holds on to the rim, 0 to 1. */
  readonly ground: Float32Array;
  /** Where standing out begins. */
  readonly threshold: number;
}

/**
 * What stands out of a picture: patches unlike those that the rim is made of, and what is like them.
 * @source W. Zhu, S. Liang, Y. Wei, J. Sun, "Saliency optimization from robust background detection", CVPR 2014
 */
export function standsOut(patches: Superpixels, columns: number, rows: number): StandsOut {
  const { count, x, y, size, atRim, near } = patches;
  const ground = new Float32Array(count);
  const steps = colorSteps(patches, LEAST_STEP, true);
  const total = size.reduce((sum, n) => sum + n, 0);
  for (let k = 0; k < count; k++) {
    const ways = colorWays(steps, [k]);
    let [area, rim] = [0, 0];
    for (let j = 0; j < count; j++) {
      const like = Math.exp(-((ways[j] as number) ** 2) / (2 * WAY_SIGMA * WAY_SIGMA));
      // Counted in patches of the mean size, so that the numbers do not depend on the picture's.
      area += (like * (size[j] as number) * count) / total;
      rim += (atRim[j] as number) > 0 ? like : 0;
    }
    const holds = rim / Math.sqrt(area || 1);
    ground[k] = 1 - Math.exp(-(holds * holds) / (2 * RIM_SIGMA * RIM_SIGMA));
  }
  const longer = Math.max(columns, rows);
  const contrast = new Float32Array(count);
  for (let k = 0; k < count; k++) {
    let sum = 0;
    for (let j = 0; j < count; j++) {
      const place = Math.hypot((x[k] as number) - (x[j] as number), (y[k] as number) - (y[j] as number)) / longer;
      const weight = Math.exp(-(place * place) / (2 * PLACE_SIGMA * PLACE_SIGMA));
      sum += apart(patches, k, j) * weight * (ground[j] as number) * (size[j] as number);
    }
    // A soft liking for the middle: subjects are seldom cut by a corner.
    const [dx, dy] = [(x[k] as number) / columns - 0.5, (y[k] as number) / rows - 0.5];
    contrast[k] = sum * (0.35 + 0.65 * Math.exp(-(dx * dx + dy * dy) / (2 * 0.33 * 0.33)));
  }
  const top = [...contrast].sort((one, other) => other - one)[Math.floor(CLIPPED * count)] || 1;
  const wanted = contrast.map((value) => Math.min(1, value / top));
  const links = near.map((others, k) =>
    [...others].map((j) => ({ j, weight: Math.exp(-(apart(patches, k, j) ** 2) / (2 * ALIKE_SIGMA * ALIKE_SIGMA)) + ALWAYS })),
  );
  const subject = Float32Array.from(wanted);
  // Every patch between what it wants, what the rim says of it, and its neighbors: Gauss and Seidel's way.
  for (let sweep = 0; sweep < SWEEPS; sweep++)
    for (let k = 0; k < count; k++) {
      let [sum, weights] = [wanted[k] as number, (wanted[k] as number) + (ground[k] as number)];
      for (const { j, weight } of links[k] ?? []) [sum, weights] = [sum + weight * (subject[j] as number), weights + weight];
      subject[k] = sum / (weights || 1);
    }
  const [low, high] = [Math.min(...subject), Math.max(...subject)];
  // All alike: nothing stands out.
  const spread = high - low;
  const even = spread < 0.06 || top < NOUGHT;
  const stretched = subject.map((value) => (even ? 0 : (value - low) / spread));
  const [threshold = 0.5] = otsu(histogramOf(stretched), 1);
  return { subject: stretched, ground, threshold: even ? 1 : threshold };
}
