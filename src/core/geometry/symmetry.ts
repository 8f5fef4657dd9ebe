import { compose, IDENTITY, rotation, scaling, translation, type Affine } from './affine';
import type { Point } from './point';

/** About a place instead of the origin. */
const about = (center: Point, map: Affine): Affine =>
  compose(translation(center.x, center.y), compose(map, translation(-center.x, -center.y)));

/** Mirrors about the line through a place in a direction, in degrees clockwise on screen from the x axis. */
export const mirroring = (center: Point, axisDeg: number): Affine =>
  about(center, compose(rotation(axisDeg), compose(scaling(1, -1), rotation(-axisDeg))));

/** Where the members of a mirror pair stand; the first is the one that is edited. */
export const mirrorPair = (center: Point, axisDeg: number): readonly Affine[] => [IDENTITY, mirroring(center, axisDeg)];

/** Mirrored about two lines that cross at right angles. */
export const fourWay = (center: Point, axisDeg: number): readonly Affine[] => {
  const [one, other] = [mirroring(center, axisDeg), mirroring(center, axisDeg + 90)];
  return [IDENTITY, one, compose(other, one), other];
};

/**
 * Evenly around a center.
 * @param middle of what is repeated; it alone goes around where copies do not turn
 */
export const aroundCenter = (center: Point, count: number, turning: boolean, middle: Point): readonly Affine[] =>
  Array.from({ length: count }, (_, index) => {
    if (index === 0) return IDENTITY;
    const turned = about(center, rotation((360 * index) / count));
    if (turning) return turned;
    return translation(
      turned.a * middle.x + turned.c * middle.y + turned.e - middle.x,
      turned.b * middle.x + turned.d * middle.y + turned.f - middle.y,
    );
  });

/** In even steps along a line. */
export const alongLine = (count: number, step: Point): readonly Affine[] =>
  Array.from({ length: count }, (_, index) => translation(step.x * index, step.y * index));
