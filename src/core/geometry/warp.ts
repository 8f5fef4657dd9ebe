import { PathPen, type Path, type Verb } from './path';
import type { Point } from './point';

/** A smooth map of the plane with its derivative: where a point goes, and how steps to the right and down go there. */
export interface WarpedPoint extends Point {
  /** ∂(x′, y′)/∂x */
  readonly acrossX: number;
  readonly acrossY: number;
  /** ∂(x′, y′)/∂y */
  readonly downX: number;
  readonly downY: number;
}
export type Warp = (x: number, y: number) => WarpedPoint;

/** Most halvings of one segment. */
const DEEPEST = 7;
/** Most cubics that one path may become, by how many segments it has; beyond, none is halved any more. */
const MOST_PIECES = { each: 24, least: 400 } as const;

interface Segment {
  readonly at: (t: number) => { readonly x: number; readonly y: number; readonly dx: number; readonly dy: number };
}

const lineSegment = (a: Point, b: Point): Segment => ({
  at: (t) => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t, dx: b.x - a.x, dy: b.y - a.y }),
});
const cubicSegment = (p0: Point, p1: Point, p2: Point, p3: Point): Segment => ({
  at: (t) => {
    const s = 1 - t;
    const one = (a: number, b: number, c: number, d: number) => s * s * s * a + 3 * s * s * t * b + 3 * s * t * t * c + t * t * t * d;
    const slope = (a: number, b: number, c: number, d: number) => 3 * (s * s * (b - a) + 2 * s * t * (c - b) + t * t * (d - c));
    return {
      x: one(p0.x, p1.x, p2.x, p3.x),
      y: one(p0.y, p1.y, p2.y, p3.y),
      dx: slope(p0.x, p1.x, p2.x, p3.x),
      dy: slope(p0.y, p1.y, p2.y, p3.y),
    };
  },
});

/**
 * The path as a smooth map bends it. Every segment becomes cubics that share the map's points and directions at their ends (Hermite form)
 * and are halved until they lie within the tolerance of the true image at a quarter, half and three quarters.
 * @param tolerance largest distance from the true image, in the mapped path's units
 * @source G. Farin, "Curves and Surfaces for CAGD", cubic Hermite interpolation (error of order h⁴)
 */
export function warpPath(path: Path, warp: Warp, tolerance: number): Path {
  const pen = new PathPen();
  let at = 0;
  let start: Point = { x: 0, y: 0 };
  let here: Point = start;
  const next = (): Point => ({ x: path.coords[at++] as number, y: path.coords[at++] as number });

  let pieces = 0;
  const mostPieces = Math.max(MOST_PIECES.least, MOST_PIECES.each * path.verbs.length);

  const draw = (segment: Segment, t0: number, t1: number, depth: number): void => {
    const a = segment.at(t0);
    const b = segment.at(t1);
    const from = warp(a.x, a.y);
    const to = warp(b.x, b.y);
    const step = (t1 - t0) / 3;
    const c1 = {
      x: from.x + step * (from.acrossX * a.dx + from.downX * a.dy),
      y: from.y + step * (from.acrossY * a.dx + from.downY * a.dy),
    };
    const c2 = { x: to.x - step * (to.acrossX * b.dx + to.downX * b.dy), y: to.y - step * (to.acrossY * b.dx + to.downY * b.dy) };
    if (depth < DEEPEST && pieces < mostPieces) {
      const image = cubicSegment(from, c1, c2, to);
      for (const share of [0.25, 0.5, 0.75]) {
        const true_ = segment.at(t0 + (t1 - t0) * share);
        const wanted = warp(true_.x, true_.y);
        const got = image.at(share);
        if (Math.hypot(wanted.x - got.x, wanted.y - got.y) > tolerance) {
          const middle = (t0 + t1) / 2;
          draw(segment, t0, middle, depth + 1);
          draw(segment, middle, t1, depth + 1);
          return;
        }
      }
    }
    pieces++;
    pen.cubic(c1.x, c1.y, c2.x, c2.y, to.x, to.y);
  };

  for (const verb of path.verbs as Iterable<Verb>) {
    if (verb === 'M') {
      start = here = next();
      const to = warp(here.x, here.y);
      pen.move(to.x, to.y);
    } else if (verb === 'Z') {
      // The closing side bends like any other.
      if (here.x !== start.x || here.y !== start.y) draw(lineSegment(here, start), 0, 1, 0);
      pen.close();
      here = start;
    } else if (verb === 'L') {
      const end = next();
      if (end.x !== here.x || end.y !== here.y) draw(lineSegment(here, end), 0, 1, 0);
      here = end;
    } else {
      const one = next();
      const two = verb === 'Q' ? undefined : next();
      const end = next();
      const c1 = two ? one : { x: here.x + (2 / 3) * (one.x - here.x), y: here.y + (2 / 3) * (one.y - here.y) };
      const c2 = two ?? { x: end.x + (2 / 3) * (one.x - end.x), y: end.y + (2 / 3) * (one.y - end.y) };
      draw(cubicSegment(here, c1, c2, end), 0, 1, 0);
      here = end;
    }
  }
  return pen.path();
}
