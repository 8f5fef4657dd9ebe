import { ROW_PERMILLE, ROWS, type SideProfile } from './side-profile';

/**
 * How far the right letter may be moved to the left before its ink comes nearer to the left letter's than a floor, measured in two dimensions
 * (so that a foot passing under an overhang counts). Negative when they are nearer already. All lengths in 1/1000 em.
 * The profiles are outermost ink per row of 10, so the answer is on the safe side by up to one row.
 * @returns Infinity when no row of one comes near any row of the other
 */
export function clearance(left: SideProfile, right: SideProfile, floor: number): number {
  const reach = Math.ceil(floor / ROW_PERMILLE);
  let least = Infinity;
  for (let row = 0; row < ROWS; row++) {
    const edge = left.right[row] as number;
    if (edge === -Infinity) continue;
    const white = left.advance - edge;
    for (let other = Math.max(0, row - reach); other <= Math.min(ROWS - 1, row + reach); other++) {
      const start = right.left[other] as number;
      if (start === Infinity) continue;
      // Ink of neighboring rows can be as near as their common border.
      const apart = Math.max(0, Math.abs(other - row) - 1) * ROW_PERMILLE;
      if (apart >= floor) continue;
      least = Math.min(least, white + start - Math.sqrt(floor * floor - apart * apart));
    }
  }
  return least;
}
