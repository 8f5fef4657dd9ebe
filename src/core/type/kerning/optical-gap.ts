import { ROW_PERMILLE, ROWS, type SideProfile } from './side-profile';

/**
 * The three soft minima that an optical gap blends. `lambda` is the scale across the gap: white deeper than a few of these hardly counts.
 * `mu` is the scale along it: how far ink acts on rows above and below. The wide one is taken off, which sharpens the middle one:
 * ink that is near in one place counts for less than ink that is near over a stretch. Weights add up to 1. Lengths in 1/1000 em.
 * @source fitted, see `FITTED`
 */
export const SOFT_MINIMA = [
  { lambda: 20, mu: 15, weight: 0.36 },
  { lambda: 30, mu: 30, weight: 1.025 },
  { lambda: 30, mu: 60, weight: -0.385 },
] as const;

/** What the two sides of a letter contribute to optical gaps, for each soft minimum; made once per letter. */
export interface Sides {
  /** Nearness of the letter's ink to its right edge, row by row, in [0, 1] and beyond where it overhangs. */
  readonly rightNearness: readonly Float64Array[];
  /** Nearness of the letter's ink to its left edge, spread over neighboring rows. */
  readonly leftNearness: readonly Float64Array[];
}

/** Convolves rows with exp(−|Δy|/μ), in two passes. */
function spread(rows: Float64Array, mu: number): Float64Array {
  const decay = Math.exp(-ROW_PERMILLE / mu);
  const out = rows.slice();
  let carried = 0;
  for (let i = 0; i < ROWS; i++) {
    out[i] = (out[i] as number) + carried;
    carried = (carried + (rows[i] as number)) * decay;
  }
  carried = 0;
  for (let i = ROWS - 1; i >= 0; i--) {
    out[i] = (out[i] as number) + carried;
    carried = (carried + (rows[i] as number)) * decay;
  }
  return out;
}

export function sidesOf(profile: SideProfile): Sides {
  const nearness = (distance: number, lambda: number) => (distance === Infinity ? 0 : Math.exp(-distance / lambda));
  return {
    rightNearness: SOFT_MINIMA.map(({ lambda }) => profile.right.map((right) => nearness(profile.advance - right, lambda))),
    leftNearness: SOFT_MINIMA.map(({ lambda, mu }) =>
      spread(
        profile.left.map((left) => nearness(left, lambda)),
        mu,
      ),
    ),
  };
}

/**
 * The optical gap between two neighboring letters, in 1/1000 em: a blend of soft minima of the white between them over all rows,
 * each row seeing the rows around it. Moving the right letter by k changes it by exactly k, so that it can be solved for in closed form.
 * @source our own; a soft minimum is the log-sum-exp of convex analysis (Boyd and Vandenberghe, "Convex Optimization", 3.1.5)
 * @returns Infinity when the two share no height at all
 */
export function opticalGap(left: Sides, right: Sides): number {
  let gap = 0;
  for (const [index, { lambda, weight }] of SOFT_MINIMA.entries()) {
    const a = left.rightNearness[index] as Float64Array;
    const b = right.leftNearness[index] as Float64Array;
    let sum = 0;
    for (let i = 0; i < ROWS; i++) sum += (a[i] as number) * (b[i] as number);
    if (sum <= 0) return Infinity;
    gap -= weight * lambda * Math.log(sum);
  }
  return gap;
}
