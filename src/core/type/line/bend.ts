import type { Warp } from '../../geometry';
import type { Baseline } from './baseline';
import { ROUNDING } from '../../numeric/tolerances';

/** How much of its length a baseline may lose to spacing measured above an inward turn before it counts as folded. */
const LEAST_STRETCH = 0.05;

/** Where lengths measured at a height above a baseline lie on the baseline itself. */
export interface Spacing {
  /** From the length of text, measured from the anchor, to the length along the baseline. */
  readonly along: (text: number) => number;
}

/**
 * Spacing measured at a height: on the outside of a turn the line is longer there, so letters stand closer on the baseline.
 * On a circle the total angle is then exactly advance ÷ (radius ± height).
 * @param height above the baseline, in its unit
 * @param anchor the length along the baseline where text length is 0
 */
export function spacingAtHeight(baseline: Baseline, height: number, anchor: number): Spacing {
  const first = baseline.at(anchor).curvature;
  const stretch = (curvature: number) => Math.max(LEAST_STRETCH, 1 + curvature * height);
  if (height === 0) return { along: (text) => anchor + text };
  // A circle turns alike everywhere; other lines are walked in short steps.
  const samples = [0.1, 0.35, 0.6, 0.9].map((share) => baseline.at(baseline.length * share).curvature);
  if (samples.every((curvature) => Math.abs(curvature - first) < ROUNDING)) return { along: (text) => anchor + text / stretch(first) };
  const STEPS = 400;
  const step = baseline.length / STEPS;
  const walked: number[] = [0];
  for (let i = 0; i < STEPS; i++) walked.push((walked[i] as number) + step * stretch(baseline.at((i + 0.5) * step).curvature));
  const at = (along: number) => {
    if (along <= 0) return along;
    if (along >= baseline.length) return (walked[STEPS] as number) + along - baseline.length;
    const i = Math.min(STEPS - 1, Math.floor(along / step));
    return (walked[i] as number) + ((along - i * step) / step) * ((walked[i + 1] as number) - (walked[i] as number));
  };
  const zero = at(anchor);
  return {
    along: (text) => {
      const wanted = zero + text;
      if (wanted <= 0) return wanted;
      if (wanted >= (walked[STEPS] as number)) return baseline.length + wanted - (walked[STEPS] as number);
      let low = 0;
      let high = STEPS;
      while (high - low > 1) {
        const middle = (low + high) >> 1;
        if ((walked[middle] as number) <= wanted) low = middle;
        else high = middle;
      }
      const [a, b] = [walked[low] as number, walked[high] as number];
      return (low + (b > a ? (wanted - a) / (b - a) : 0)) * step;
    },
  };
}

/**
 * Bends letters with their line so that every letter keeps its area: a step up at a height h′ covers (1 + κ·h′) times its width,
 * so the heights are drawn in by just that much, h′ = (√(1 + 2κ(1 + κh₀)·h) − 1) ÷ κ. Letters keep their full height where spacing is measured
 * at half of it. Exact for circles; for other curves exact up to the change of curvature along a letter.
 * @param spacingHeight h₀, where spacing is measured; @param anchor see `spacingAtHeight`
 * @returns maps text length (to the right) and height (down is positive) onto the line
 */
export function bendAlong(baseline: Baseline, spacingHeight: number, anchor: number): Warp {
  const spacing = spacingAtHeight(baseline, spacingHeight, anchor);
  return (x, y) => {
    const here = baseline.at(spacing.along(x));
    const { cos, sin, curvature } = here;
    const stretch = Math.max(LEAST_STRETCH, 1 + curvature * spacingHeight);
    const room = 1 - 2 * curvature * stretch * y;
    const flat = Math.abs(curvature) < ROUNDING;
    // Inside a turn tighter than the letter is tall, what would pass the center stays on it.
    const root = Math.sqrt(Math.max(room, LEAST_STRETCH * LEAST_STRETCH));
    const height = flat ? -y * stretch : (root - 1) / curvature;
    const wide = (flat ? 1 : root) / stretch;
    // What stays on the center moves no further, whatever the step: its derivative says so too.
    const folded = !flat && room <= LEAST_STRETCH * LEAST_STRETCH;
    const tall = folded ? 0 : (flat ? 1 : 1 / root) * stretch;
    return {
      x: here.x + sin * height,
      y: here.y - cos * height,
      acrossX: cos * wide,
      acrossY: sin * wide,
      downX: -sin * tall,
      downY: cos * tall,
    };
  };
}
