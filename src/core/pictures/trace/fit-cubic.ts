import type { Point } from '../../geometry';
import { ROUNDING } from '../../numeric/tolerances';

/** Handles shorter than this share of the chord say nothing of a direction. */
const SHORTEST_HANDLE = 0.001;

/** A cubic curve from one point to another. */
export interface Cubic {
  readonly from: Point;
  readonly first: Point;
  readonly second: Point;
  readonly to: Point;
}

/** A row of more points than this is thinned. */
const MOST_POINTS = 90;
/** Rounds of moving each point's place on the curve to where the curve is nearest. */
const ROUNDS = 12;
/** A handle longer than this share of the way along the points is running away. */
const LONGEST_HANDLE = 0.9;
/** Reach over which the direction at an end is looked at where it must be, in pixels. */
const REACH = 5;

const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
const unit = ({ x, y }: Point): Point => {
  const length = Math.hypot(x, y) || 1;
  return { x: x / length, y: y / length };
};

export function pointOnCubic({ from, first, second, to }: Cubic, t: number): Point {
  const s = 1 - t;
  const [a, b, c, d] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
  return { x: a * from.x + b * first.x + c * second.x + d * to.x, y: a * from.y + b * first.y + c * second.y + d * to.y };
}

/** The direction in which a row of points leaves its first one, over some pixels. @param sign 1 from the start, -1 from the end back */
function leaving(points: readonly Point[], sign: 1 | -1, reach: number): Point {
  const count = points.length;
  const at = (index: number): Point => points[sign === 1 ? index : count - 1 - index] as Point;
  const start = at(0);
  // The direction at the start of a parabola through it: first order of each way, the nearer ones counting more.
  let [sumX, sumY] = [0, 0];
  let previous: Point | undefined;
  for (let index = 1; index < count; index++) {
    const away = minus(at(index), start);
    const length = Math.hypot(away.x, away.y);
    if (length > reach && previous) break;
    sumX += away.x / (length * length || 1);
    sumY += away.y / (length * length || 1);
    previous = away;
  }
  return unit({ x: sumX, y: sumY });
}

/** How far a row of points is from its fitted curve at most, squared, and where. */
interface Fit {
  readonly cubic: Cubic;
  readonly worst: number;
  readonly at: number;
}

/**
 * The cubic nearest to a row of points, its ends the row's. Where it goes on smoothly its direction is given; at a corner it is free, for a
 * direction that is read off a few pixels is wrong by pixels at the end of a long handle.
 * @param leave direction at the start; @param arrive direction at the end, looking back
 * @source P. J. Schneider, "An algorithm for automatically fitting digitized curves", Graphics Gems, 1990
 */
export function fitCubic(row: readonly Point[], leave: Point | undefined, arrive: Point | undefined, enough: number): Fit {
  // A long row is fitted by some of its points: neighbors tell the same.
  const stride = Math.max(1, Math.floor(row.length / MOST_POINTS));
  const points = stride === 1 ? row : row.filter((_, index) => index % stride === 0 || index === row.length - 1);
  const fit = fitPoints(points, leave, arrive, enough);
  return { ...fit, at: Math.min(row.length - 1, fit.at * stride) };
}

function fitPoints(points: readonly Point[], leave: Point | undefined, arrive: Point | undefined, enough: number): Fit {
  const count = points.length;
  const from = points[0] as Point;
  const to = points[count - 1] as Point;
  const lengths = new Float64Array(count);
  for (let index = 1; index < count; index++) {
    const [a, b] = [points[index - 1] as Point, points[index] as Point];
    lengths[index] = (lengths[index - 1] as number) + Math.hypot(b.x - a.x, b.y - a.y);
  }
  const total = (lengths[count - 1] as number) || 1;
  const places = lengths.map((length) => length / total);
  let best: Fit | undefined;
  let previous = Infinity;
  for (let round = 0; round <= ROUNDS; round++) {
    const cubic = leastSquares(points, places, from, to, leave, arrive, total);
    let worst = 0;
    let at = count >> 1;
    for (let index = 1; index < count - 1; index++) {
      const { x, y } = pointOnCubic(cubic, places[index] as number);
      const here = points[index] as Point;
      const off = (x - here.x) ** 2 + (y - here.y) ** 2;
      if (off > worst) [worst, at] = [off, index];
    }
    if (!best || worst < best.worst) best = { cubic, worst, at };
    // Far off after some rounds, or no better: it will not come near.
    if (worst <= enough * enough || (round >= 3 && worst > 25 * enough * enough) || (worst > previous * 0.98 && round > 2)) break;
    previous = worst;
    nearer(cubic, points, places);
  }
  return best as Fit;
}

function leastSquares(
  points: readonly Point[],
  places: Float64Array,
  from: Point,
  to: Point,
  leave: Point | undefined,
  arrive: Point | undefined,
  total: number,
): Cubic {
  // What is left to explain by the two handles, and how much each of them weighs at every point.
  let [a, b, c] = [0, 0, 0];
  let [firstX, firstY, secondX, secondY] = [0, 0, 0, 0];
  for (let index = 0; index < points.length; index++) {
    const t = places[index] as number;
    const s = 1 - t;
    const [b0, b1, b2, b3] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
    const here = points[index] as Point;
    const [x, y] = [here.x - from.x * (b0 + b1) - to.x * (b2 + b3), here.y - from.y * (b0 + b1) - to.y * (b2 + b3)];
    [a, b, c] = [a + b1 * b1, b + b1 * b2, c + b2 * b2];
    [firstX, firstY, secondX, secondY] = [firstX + b1 * x, firstY + b1 * y, secondX + b2 * x, secondY + b2 * y];
  }
  const [first, second] = [
    { x: firstX, y: firstY },
    { x: secondX, y: secondY },
  ];
  const most = LONGEST_HANDLE * total;
  const chord = Math.hypot(to.x - from.x, to.y - from.y) || total;
  const least = SHORTEST_HANDLE * chord;
  const det = a * c - b * b;
  const good = (out: Point, into: Point): Cubic | undefined => {
    const [one, other] = [Math.hypot(out.x, out.y), Math.hypot(into.x, into.y)];
    if (!(one > least) || !(other > least) || one > most || other > most) return undefined;
    return { from, first: { x: from.x + out.x, y: from.y + out.y }, second: { x: to.x + into.x, y: to.y + into.y }, to };
  };
  const times = ({ x, y }: Point, by: number): Point => ({ x: x * by, y: y * by });
  if (det > ROUNDING * a * c) {
    let made: Cubic | undefined;
    if (!leave && !arrive)
      made = good(times(minus(times(first, c), times(second, b)), 1 / det), times(minus(times(second, a), times(first, b)), 1 / det));
    else if (leave && arrive) {
      const between = dot(leave, arrive);
      const both = a * c - b * b * between * between;
      const [x0, x1] = [dot(leave, first), dot(arrive, second)];
      const [one, other] = [(x0 * c - x1 * b * between) / both, (a * x1 - b * between * x0) / both];
      if (one > least && other > least) made = good(times(leave, Math.min(one, most)), times(arrive, Math.min(other, most)));
    } else if (arrive) {
      const length = (dot(arrive, second) - (b / a) * dot(arrive, first)) / (c - (b * b) / a);
      if (length > least) made = good(times(minus(first, times(arrive, b * length)), 1 / a), times(arrive, length));
    } else if (leave) {
      const length = (dot(leave, first) - (b / c) * dot(leave, second)) / (a - (b * b) / c);
      if (length > least) made = good(times(leave, length), times(minus(second, times(leave, b * length)), 1 / c));
    }
    if (made) return made;
  }
  // Too few points, or handles that run away: thirds of the chord.
  const [out, into] = [leave ?? leaving(points, 1, REACH), arrive ?? leaving(points, -1, REACH)];
  const third = chord / 3;
  return {
    from,
    first: { x: from.x + out.x * third, y: from.y + out.y * third },
    second: { x: to.x + into.x * third, y: to.y + into.y * third },
    to,
  };
}

/** Moves each point's place to where the curve is nearest to it: one step of Newton's way. */
function nearer({ from, first, second, to }: Cubic, points: readonly Point[], places: Float64Array): void {
  for (let index = 1; index < points.length - 1; index++) {
    const here = points[index] as Point;
    const t = places[index] as number;
    const s = 1 - t;
    const at = pointOnCubic({ from, first, second, to }, t);
    const dx = 3 * (s * s * (first.x - from.x) + 2 * s * t * (second.x - first.x) + t * t * (to.x - second.x));
    const dy = 3 * (s * s * (first.y - from.y) + 2 * s * t * (second.y - first.y) + t * t * (to.y - second.y));
    const ddx = 6 * (s * (second.x - 2 * first.x + from.x) + t * (to.x - 2 * second.x + first.x));
    const ddy = 6 * (s * (second.y - 2 * first.y + from.y) + t * (to.y - 2 * second.y + first.y));
    const [ex, ey] = [at.x - here.x, at.y - here.y];
    const slope = dx * dx + dy * dy + ex * ddx + ey * ddy;
    if (slope > ROUNDING) places[index] = Math.min(1, Math.max(0, t - (ex * dx + ey * dy) / slope));
  }
}
