import { boundsOf, unite, type Bounds } from './bounds';
import type { Centroid } from './centroid';
import { flatten } from './flatten';
import type { Region } from './region';
import { NOUGHT } from '../numeric/tolerances';

/** Level lines along which ink is gathered; the middle is then right to about a thousandth of the height. */
const ROWS = 320;

/**
 * Where ink balances that is covered by any of several areas, each counted once however often they overlap: by level lines, along each of which the
 * covered stretches are exact.
 * @source the midpoint rule over rows; within a row the union of intervals
 * @returns nothing for areas without ink
 */
export function inkBalance(regions: readonly Region[]): Centroid | undefined {
  const box = regions.reduce<Bounds | undefined>((sum, { path }) => (path.verbs === '' ? sum : unite(sum, boundsOf(path))), undefined);
  if (!box || box.bottom - box.top <= 0) return undefined;
  const step = (box.bottom - box.top) / ROWS;
  const fine = Math.max(box.right - box.left, box.bottom - box.top) / 800;
  const covered: (readonly [number, number])[][] = Array.from({ length: ROWS }, () => []);
  for (const { path, rule } of regions) {
    const crossings: { readonly x: number; readonly by: number }[][] = Array.from({ length: ROWS }, () => []);
    for (const polygon of flatten(path, fine))
      polygon.forEach((a, index) => {
        const b = polygon[(index + 1) % polygon.length] ?? a;
        if (a.y === b.y) return;
        const [upper, lower, by] = a.y < b.y ? [a, b, 1] : [b, a, -1];
        const first = Math.max(0, Math.ceil((upper.y - box.top) / step - 0.5));
        const last = Math.min(ROWS - 1, Math.ceil((lower.y - box.top) / step - 0.5) - 1);
        for (let row = first; row <= last; row++) {
          const y = box.top + (row + 0.5) * step;
          crossings[row]?.push({ x: upper.x + ((y - upper.y) / (lower.y - upper.y)) * (lower.x - upper.x), by });
        }
      });
    crossings.forEach((row, at) => {
      row.sort((one, other) => one.x - other.x);
      let winding = 0;
      for (let side = 0; side + 1 < row.length; side++) {
        const [here, next] = [row[side], row[side + 1]] as [(typeof row)[number], (typeof row)[number]];
        winding += here.by;
        if ((rule === 'evenodd' ? side % 2 === 0 : winding !== 0) && next.x > here.x) covered[at]?.push([here.x, next.x]);
      }
    });
  }
  let [area, x, y] = [0, 0, 0];
  covered.forEach((stretches, row) => {
    let reached = -Infinity;
    for (const [from, to] of stretches.sort((one, other) => one[0] - other[0])) {
      const start = Math.max(from, reached);
      if (to <= start) continue;
      const ink = (to - start) * step;
      area += ink;
      x += (ink * (start + to)) / 2;
      y += ink * (box.top + (row + 0.5) * step);
      reached = to;
    }
  });
  return area > NOUGHT ? { x: x / area, y: y / area, area } : undefined;
}
