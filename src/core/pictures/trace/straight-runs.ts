import type { Point } from '../../geometry';
import { lineThrough, type Line } from './corners';

/** A stretch of a row of points that is straight: from one index to another, both in it. */
export interface Run {
  readonly from: number;
  readonly to: number;
  readonly line: Line;
}

/** A run found by sums may lean over its ends a little: the line is that of its inner part, and it ends where its points leave that. */
const [INNER, LEAVES_PX] = [0.14, 0.1];

/** Least length of a straight run inside of a curve: pixels, and a share of the whole stretch. */
const [LEAST_PX, LEAST_SHARE] = [24, 0.05];
/** Farthest that its points are from the line on average (root mean square), and how far its middle may bow out, in pixels. */
const [RMS_PX, BOW_PX] = [0.16, 0.055];

/** Sums over a row of points, so that any stretch of it is fitted by a line without walking it. */
class Sums {
  readonly #x: Float64Array;
  readonly #y: Float64Array;
  readonly #xx: Float64Array;
  readonly #xy: Float64Array;
  readonly #yy: Float64Array;
  constructor(points: readonly Point[]) {
    const count = points.length + 1;
    this.#x = new Float64Array(count);
    this.#y = new Float64Array(count);
    this.#xx = new Float64Array(count);
    this.#xy = new Float64Array(count);
    this.#yy = new Float64Array(count);
    const origin = points[0] ?? { x: 0, y: 0 };
    points.forEach((point, index) => {
      const [x, y] = [point.x - origin.x, point.y - origin.y];
      this.#x[index + 1] = (this.#x[index] as number) + x;
      this.#y[index + 1] = (this.#y[index] as number) + y;
      this.#xx[index + 1] = (this.#xx[index] as number) + x * x;
      this.#xy[index + 1] = (this.#xy[index] as number) + x * y;
      this.#yy[index + 1] = (this.#yy[index] as number) + y * y;
    });
  }
  mean(from: number, to: number): Point {
    const count = to - from + 1;
    return {
      x: ((this.#x[to + 1] as number) - (this.#x[from] as number)) / count,
      y: ((this.#y[to + 1] as number) - (this.#y[from] as number)) / count,
    };
  }
  /** Whether a stretch is straight. */
  straight(from: number, to: number): boolean {
    const count = to - from + 1;
    const { x: mx, y: my } = this.mean(from, to);
    const xx = ((this.#xx[to + 1] as number) - (this.#xx[from] as number)) / count - mx * mx;
    const xy = ((this.#xy[to + 1] as number) - (this.#xy[from] as number)) / count - mx * my;
    const yy = ((this.#yy[to + 1] as number) - (this.#yy[from] as number)) / count - my * my;
    const half = (xx + yy) / 2;
    const spread = Math.hypot((xx - yy) / 2, xy);
    if (Math.sqrt(Math.max(0, half - spread)) > RMS_PX) return false;
    // The middle half against the two outer quarters, across the line.
    const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
    const quarter = Math.max(1, Math.floor(count / 4));
    const [start, middle, end] = [
      this.mean(from, from + quarter - 1),
      this.mean(from + quarter, to - quarter),
      this.mean(to - quarter + 1, to),
    ];
    const across = (point: Point): number => -Math.sin(angle) * point.x + Math.cos(angle) * point.y;
    return Math.abs(across(middle) - (across(start) + across(end)) / 2) <= BOW_PX + 0.0012 * count;
  }
}

/** The straight runs inside of a row of points one pixel apart, the longest first found; in order, apart from one another. */
export function straightRuns(points: readonly Point[], wholeLength: number): readonly Run[] {
  const sums = new Sums(points);
  const least = Math.ceil(Math.max(LEAST_PX, LEAST_SHARE * wholeLength));
  const runs: { from: number; to: number; line: Line }[] = [];
  const search = (from: number, to: number): void => {
    if (to - from < least) return;
    let best: { from: number; to: number } | undefined;
    for (let start = from; start + least <= to; start += 2) {
      const wanted = Math.max(least, best ? best.to - best.from + 1 : 0);
      if (start + wanted > to || !sums.straight(start, start + wanted)) continue;
      // As far as it goes on being straight: in doubling steps, then by halves.
      let good = start + wanted;
      let step = 4;
      while (good + step <= to && sums.straight(start, good + step)) [good, step] = [good + step, step * 2];
      for (; step >= 1; step >>= 1) if (good + step <= to && sums.straight(start, good + step)) good += step;
      best = { from: start, to: good };
    }
    if (!best) return;
    const trimmed = ownLine(points, best.from, best.to);
    search(from, trimmed.from);
    runs.push(trimmed);
    search(trimmed.to, to);
  };
  search(0, points.length - 1);
  return runs;
}

function ownLine(points: readonly Point[], from: number, to: number): { from: number; to: number; line: Line } {
  const trim = Math.max(3, Math.round((to - from) * INNER));
  const line = lineThrough(points.slice(from + trim, to - trim + 1)) ?? { x: 0, y: 0, dx: 1, dy: 0 };
  const off = (index: number): number => {
    const { x, y } = points[index] as Point;
    return Math.abs((x - line.x) * line.dy - (y - line.y) * line.dx);
  };
  let [start, end] = [from + trim, to - trim];
  while (start > from && off(start - 1) <= LEAVES_PX) start--;
  while (end < to && off(end + 1) <= LEAVES_PX) end++;
  return { from: start, to: end, line };
}
