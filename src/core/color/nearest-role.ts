import { differenceEuclidean, parse } from 'culori';
import type { Hex } from './hex';
import { ROLES, type Palette, type Role } from './palette';

const apart = differenceEuclidean('oklab');

/** Which of several colors is nearest to a color, by distance in OKLab. @returns its index; 0 where there is none */
export function nearestColor(color: Hex, among: readonly Hex[]): number {
  const own = parse(color);
  let [best, least] = [0, Infinity];
  among.forEach((other, index) => {
    const there = parse(other);
    const distance = own && there ? apart(own, there) : Infinity;
    if (distance < least) [best, least] = [index, distance];
  });
  return best;
}

/** The palette's role whose color is nearest to a color. */
export const nearestRoleOf = (color: Hex, palette: Palette): Role =>
  ROLES[
    nearestColor(
      color,
      ROLES.map((role) => palette[role]),
    )
  ] as Role;
