import { joinPaths, PathPen, reversePath, windingOf, type Path, type Point } from '../geometry';
import { DIRECTION_STEP } from '../numeric/tolerances';

/** A smooth line from 0 to 1. */
export type Stroke = (t: number) => Point;

/** Tangents of a smooth curve through points. @source E. Catmull, R. Rom, "A class of local interpolating splines", 1974; as Béziers with handles of a sixth of the chord between neighbors */
function through(pen: PathPen, points: readonly Point[], closed: boolean): void {
  const at = (index: number): Point =>
    (closed
      ? points.at(((index % points.length) + points.length) % points.length)
      : points[Math.min(points.length - 1, Math.max(0, index))]) as Point;
  const pieces = closed ? points.length : points.length - 1;
  for (let index = 0; index < pieces; index++) {
    const [before, from, to, after] = [at(index - 1), at(index), at(index + 1), at(index + 2)];
    pen.cubic(
      from.x + (to.x - before.x) / 6,
      from.y + (to.y - before.y) / 6,
      to.x - (after.x - from.x) / 6,
      to.y - (after.y - from.y) / 6,
      to.x,
      to.y,
    );
  }
}

/** Direction across a line, to its right hand on screen. */
function across(line: Stroke, t: number): Point {
  const [a, b] = [line(Math.max(0, t - DIRECTION_STEP)), line(Math.min(1, t + DIRECTION_STEP))];
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  return { x: -(b.y - a.y) / length, y: (b.x - a.x) / length };
}

/**
 * An open stroke as an outline: its width may change along it, its ends are square or, where it runs out, points.
 * @param width full width at t; @param steps pieces along it
 */
export function brush(line: Stroke, width: (t: number) => number, steps = 24): Path {
  const sides = [1, -1].map((sign) =>
    Array.from({ length: steps + 1 }, (_, index) => {
      const t = index / steps;
      const [at, normal] = [line(t), across(line, t)];
      return { x: at.x + (sign * normal.x * width(t)) / 2, y: at.y + (sign * normal.y * width(t)) / 2 };
    }),
  );
  const [right, left] = sides as [Point[], Point[]];
  const back = left.reverse();
  const pen = new PathPen().move((right[0] as Point).x, (right[0] as Point).y);
  through(pen, right, false);
  pen.line((back[0] as Point).x, (back[0] as Point).y);
  through(pen, back, false);
  return pen.close().path();
}

/** A closed stroke of even width as an outer and an inner edge that run opposite ways. */
export function closedBrush(line: Stroke, width: number, steps: number): Path {
  const edge = (sign: number): readonly Point[] =>
    Array.from({ length: steps }, (_, index) => {
      const t = index / steps;
      const at = line(t);
      const [a, b] = [line((t - DIRECTION_STEP + 1) % 1), line((t + DIRECTION_STEP) % 1)];
      const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
      return { x: at.x + ((sign * -(b.y - a.y)) / length) * (width / 2), y: at.y + ((sign * (b.x - a.x)) / length) * (width / 2) };
    });
  const drawn = (points: readonly Point[]) => {
    const pen = new PathPen().move((points[0] as Point).x, (points[0] as Point).y);
    through(pen, points, true);
    return pen.close().path();
  };
  return joinPaths([drawn(edge(-1)), drawn([...edge(1)].reverse())]);
}

/** A smooth outline through points, closed. */
export function closedThrough(points: readonly Point[]): Path {
  const pen = new PathPen().move((points[0] as Point).x, (points[0] as Point).y);
  through(pen, points, true);
  return pen.close().path();
}

/** A leaf from its stalk to its tip, turned into a direction (radians); `fullness` is its width as a share of its length. */
export function leaf(at: Point, direction: number, length: number, fullness: number): Path {
  const [c, s] = [Math.cos(direction), Math.sin(direction)];
  const place = (x: number, y: number) => [at.x + (x * c - y * s) * length, at.y + (x * s + y * c) * length] as const;
  const half = fullness * 0.68;
  return new PathPen()
    .move(...place(0, 0))
    .cubic(...place(0.22, -half), ...place(0.68, -half * 0.9), ...place(1, 0))
    .cubic(...place(0.68, half * 0.9), ...place(0.22, half), ...place(0, 0))
    .close()
    .path();
}

/** Pieces laid over one another as one outline: all run the same way, so that none cuts a hole into another. */
export const layered = (pieces: readonly Path[]): Path =>
  joinPaths(pieces.map((piece) => (windingOf(piece) < 0 ? reversePath(piece) : piece)));

/** A seeded number in [−1, 1], the same for the same seed and counters. @source SplitMix-style integer mixing */
export function chance(seed: number, index: number, salt: number): number {
  let h = (Math.imul(seed | 0, 0x9e3779b1) ^ Math.imul(index + 1, 0x85ebca6b) ^ Math.imul(salt + 1, 0xc2b2ae35)) >>> 0;
  h = Math.imul(h ^ (h >>> 16), 0x7feb352d) >>> 0;
  h = Math.imul(h ^ (h >>> 15), 0x846ca68b) >>> 0;
  return ((h ^ (h >>> 16)) >>> 0) / 2147483648 - 1;
}

export const mirroredX = (path: Path): Path => ({
  verbs: path.verbs,
  coords: path.coords.map((value, index) => (index % 2 === 0 ? -value : value)),
});
export const mirroredY = (path: Path): Path => ({
  verbs: path.verbs,
  coords: path.coords.map((value, index) => (index % 2 === 1 ? -value : value)),
});
