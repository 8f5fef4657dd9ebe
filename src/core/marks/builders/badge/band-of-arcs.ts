import { arcOn, PathPen, type Region } from '../../../geometry';

/** How far the arcs of a band bulge beyond its ends, against half of its height there: a barrel rather than a belt (common practice). */
export const BULGE = 0.55;

/**
 * The band across a circle that two arcs cut off: level at its ends, which lie on the circle, and higher in the middle.
 * @param radius of the circle
 * @param end half of the band's height where it meets the circle
 * @param middle half of its height in the middle
 */
export function bandOfArcs(radius: number, end: number, middle: number): Region {
  const { x, wide } = arcOver(radius, end, middle);
  const pen = new PathPen().move(-x, -end);
  const half = Math.asin(Math.min(1, x / wide));
  const [lowest, side] = [wide - middle, Math.asin(Math.min(1, end / radius))];
  arcOn(pen, 0, lowest, wide, wide, -Math.PI / 2 - half, 2 * half);
  arcOn(pen, 0, 0, radius, radius, -side, 2 * side);
  arcOn(pen, 0, -lowest, wide, wide, Math.PI / 2 - half, 2 * half);
  arcOn(pen, 0, 0, radius, radius, Math.PI - side, 2 * side);
  return { path: pen.close().path(), rule: 'nonzero' };
}

/** The circle through both ends of such a band and the top of its middle: how far out it ends, and its radius. */
function arcOver(radius: number, end: number, middle: number): { readonly x: number; readonly wide: number } {
  const x = Math.sqrt(Math.max(0, radius * radius - end * end));
  const rise = middle - end;
  return { x, wide: (x * x + rise * rise) / (2 * rise) };
}
/** Half the height of such a band, by how far from its middle. */
export function heightOfArcs(radius: number, end: number): (x: number) => number {
  const middle = end * (1 + BULGE);
  const { wide } = arcOver(radius, end, middle);
  return (x) => Math.sqrt(Math.max(0, wide * wide - x * x)) - wide + middle;
}
