import { notNought } from '../numeric/tolerances';
import type { Point } from './point';
import { thinnedLine } from './thinned';

/**
 * A place on the smooth line through some points, between one of them and the next. Ends run out straight.
 * @param t from 0 at the point `n` to 1 at the next one
 * @source E. Catmull, R. Rom, "A class of local interpolating splines", 1974; with centripetal knots, after C. Yuksel, S. Schaefer, J. Keyser, 2011:
 * no loops and no cusps within a span
 */
export function onSpline(points: readonly Point[], n: number, t: number): Point {
  const at = (index: number): Point => points[Math.min(points.length - 1, Math.max(0, index))] as Point;
  const [p1, p2] = [at(n), at(n + 1)];
  const p0 = n > 0 ? at(n - 1) : { x: 2 * p1.x - p2.x, y: 2 * p1.y - p2.y };
  const p3 = n + 2 < points.length ? at(n + 2) : { x: 2 * p2.x - p1.x, y: 2 * p2.y - p1.y };
  const knot = (a: Point, b: Point): number => notNought(Math.sqrt(Math.hypot(b.x - a.x, b.y - a.y)));
  const t1 = knot(p0, p1);
  const t2 = t1 + knot(p1, p2);
  const t3 = t2 + knot(p2, p3);
  const s = t1 + t * (t2 - t1);
  const mix = (a: Point, b: Point, from: number, to: number): Point => {
    const share = (s - from) / (to - from);
    return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
  };
  const [a1, a2, a3] = [mix(p0, p1, 0, t1), mix(p1, p2, t1, t2), mix(p2, p3, t2, t3)];
  return mix(mix(a1, a2, 0, t2), mix(a2, a3, t1, t3), t1, t2);
}

/** The smooth line through some points, as places on it. @param step so far apart at most */
export function splineThrough(points: readonly Point[], step: number): readonly Point[] {
  return points.flatMap((from, n): readonly Point[] => {
    const to = points[n + 1];
    if (!to) return [from];
    const count = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / notNought(step)));
    return Array.from({ length: count }, (_, k) => onSpline(points, n, k / count));
  });
}

/** A span of the smooth line is looked at in so many places. */
const PLACES = 12;

function awayFrom(line: readonly Point[], { x, y }: Point): number {
  let least = Infinity;
  for (let n = 0; n + 1 < line.length; n++) {
    const [a, b] = [line[n] as Point, line[n + 1] as Point];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const run = dx * dx + dy * dy;
    const t = run > 0 ? Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / run)) : 0;
    least = Math.min(least, Math.hypot(x - a.x - t * dx, y - a.y - t * dy));
  }
  return least;
}

/**
 * The points of a drawn line, by their places in it, that the smooth line has to go through so that none of the others lies farther from it than a
 * distance. Those of the straight line are not enough: a smooth one swings out beside its corners.
 * @param most points at most; a line that needs more is less close
 */
export function fewForSpline(points: readonly Point[], within: number, most: number): readonly number[] {
  let kept = thinnedLine(points, within);
  while (kept.length < Math.min(most, points.length)) {
    const through = kept.map((at) => points[at] as Point);
    const missing = kept.flatMap((from, n): readonly number[] => {
      const to = kept[n + 1];
      if (to === undefined || to - from < 2) return [];
      const span = Array.from({ length: PLACES + 1 }, (_, k) => onSpline(through, n, k / PLACES));
      let [worst, at] = [within, -1];
      for (let index = from + 1; index < to; index++) {
        const away = awayFrom(span, points[index] as Point);
        if (away > worst) [worst, at] = [away, index];
      }
      return at < 0 ? [] : [at];
    });
    if (missing.length === 0) break;
    kept = [...kept, ...missing.slice(0, most - kept.length)].sort((one, other) => one - other);
  }
  if (kept.length <= most) return kept;
  const step = Math.ceil(kept.length / (most - 1));
  return [...new Set([...kept.filter((_, n) => n % step === 0), kept.at(-1) as number])];
}
