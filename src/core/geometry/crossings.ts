import { notNought } from '../numeric/tolerances';
import { flatten } from './flatten';
import type { Path } from './path';

/** Curves are counted as chords this close to them, as a share of the path's size: crossings need no more. */
const FINE_SHARE = 1e-3;
/** Pairs of sides looked at before it is said that there are too many: what cannot even be counted is not combined. */
const MOST_PAIRS = 40_000_000;

const turn = (ax: number, ay: number, bx: number, by: number, cx: number, cy: number): number =>
  (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

/**
 * How often the sides of a path cross each other, counted no further than asked for: combining takes time by the square of it.
 * @param most the count ends here
 * @returns at most `most`; also `most` where there are too many sides over one another to be looked at
 * @source M. Shamos, D. Hoey, "Geometric intersection problems", 1976: a sweep along the longer side; the status here is a plain list
 */
export function crossingsOf(path: Path, most: number): number {
  let size = 0;
  for (const value of path.coords) size = Math.max(size, Math.abs(value));
  const sides: { readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number }[] = [];
  for (const polygon of flatten(path, notNought(size * FINE_SHARE)))
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      if (a.x !== b.x || a.y !== b.y)
        sides.push(a.x <= b.x ? { x0: a.x, y0: a.y, x1: b.x, y1: b.y } : { x0: b.x, y0: b.y, x1: a.x, y1: a.y });
    });
  sides.sort((one, other) => one.x0 - other.x0);
  let [found, looked] = [0, 0];
  let active: typeof sides = [];
  for (const side of sides) {
    active = active.filter(({ x1 }) => x1 >= side.x0);
    looked += active.length;
    if (looked > MOST_PAIRS) return most;
    const [low, high] = [Math.min(side.y0, side.y1), Math.max(side.y0, side.y1)];
    for (const other of active) {
      if (Math.max(other.y0, other.y1) < low || Math.min(other.y0, other.y1) > high) continue;
      const across =
        turn(side.x0, side.y0, side.x1, side.y1, other.x0, other.y0) * turn(side.x0, side.y0, side.x1, side.y1, other.x1, other.y1) < 0 &&
        turn(other.x0, other.y0, other.x1, other.y1, side.x0, side.y0) * turn(other.x0, other.y0, other.x1, other.y1, side.x1, side.y1) < 0;
      if (across && ++found >= most) return most;
    }
    active.push(side);
  }
  return found;
}
