import type { Polygon } from './flatten';

/** Bands across the height of polygons: an outline of a few hundred sides has a handful in each. */
const BANDS = 64;

/**
 * Tells of points whether they lie inside polygons by the even-odd rule: many are asked of the same ones, each only of the sides at its height.
 * @source crossing number, as in J. O'Rourke, "Computational Geometry in C", 7.4
 */
export function insideOf(polygons: readonly Polygon[]): (x: number, y: number) => boolean {
  let [top, bottom] = [Infinity, -Infinity];
  for (const polygon of polygons)
    for (const { y } of polygon) {
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  const height = (bottom - top) / BANDS;
  const bandOf = (y: number): number => Math.min(BANDS - 1, Math.max(0, Math.floor((y - top) / height) || 0));
  /** Sides by the bands that they reach into: x and y of one end, then of the other. */
  const bands: number[][] = Array.from({ length: BANDS }, () => []);
  for (const polygon of polygons)
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      if (a.y === b.y) return;
      for (let band = bandOf(Math.min(a.y, b.y)); band <= bandOf(Math.max(a.y, b.y)); band++) bands[band]?.push(a.x, a.y, b.x, b.y);
    });
  const sides = bands.map((band) => Float64Array.from(band));
  return (x, y) => {
    if (!(y >= top && y <= bottom)) return false;
    const band = sides[bandOf(y)] as Float64Array;
    let odd = false;
    for (let at = 0; at < band.length; at += 4) {
      const [ax, ay, bx, by] = [band[at] as number, band[at + 1] as number, band[at + 2] as number, band[at + 3] as number];
      if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) odd = !odd;
    }
    return odd;
  };
}
