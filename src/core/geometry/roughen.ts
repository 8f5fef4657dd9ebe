import { chance } from '../numeric/chance';
import { flatten } from './flatten';
import { contoursOf } from './islands';
import { joinPaths, PathPen, type Path } from './path';
import type { Point } from './point';
import type { Region } from './region';

/** How an edge is made rough. */
export interface Roughening {
  /** The same seed always gives the same edge. */
  readonly seed: number;
  /** Farthest that the edge leaves its place, to either side. */
  readonly depth: number;
  /** Length of one bump. */
  readonly grain: number;
}

/** Points for each bump; the curve through their middles is smooth. */
const POINTS_A_BUMP = 3;
/** Most points of one contour. */
const MOST_POINTS = 4000;
/** Share of the depth that the smaller of two bumps on one another has. */
const FINER = 0.35;

/** A smooth row of numbers in [−1, 1] that closes on itself. @source value noise with the smoothstep curve 3t² − 2t³ */
function noise(seed: number, what: number, cells: number, at: number): number {
  const cell = Math.floor(at);
  const t = at - cell;
  const [before, after] = [chance(seed, cell % cells, what), chance(seed, (cell + 1) % cells, what)];
  return before + (after - before) * t * t * (3 - 2 * t);
}

/** The places along a closed polygon at even steps, with what points away from it on the left. */
function evenly(polygon: readonly Point[], count: number): readonly { readonly at: Point; readonly normal: Point }[] {
  const sides = polygon.map((a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    return { a, b, length: Math.hypot(b.x - a.x, b.y - a.y) };
  });
  const length = sides.reduce((sum, side) => sum + side.length, 0);
  let side = 0;
  let passed = 0;
  return Array.from({ length: count }, (_, index) => {
    const way = (index / count) * length;
    while (side < sides.length - 1 && passed + (sides[side]?.length ?? 0) < way) passed += sides[side++]?.length ?? 0;
    const { a, b, length: own } = sides[side] as (typeof sides)[number];
    const t = own > 0 ? (way - passed) / own : 0;
    return {
      at: { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t },
      normal: own > 0 ? { x: (a.y - b.y) / own, y: (b.x - a.x) / own } : { x: 0, y: 0 },
    };
  });
}

const lengthOf = (polygon: readonly Point[]): number =>
  polygon.reduce((sum, a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    return sum + Math.hypot(b.x - a.x, b.y - a.y);
  }, 0);

/** An area whose edge is rough, as smooth curves: no point lies farther than the depth from where it was. Contours shorter than two bumps stay. */
export function roughened({ path, rule }: Region, { seed, depth, grain }: Roughening): Region {
  const made = contoursOf(path).map((own, contour): Path => {
    const pen = new PathPen();
    const [polygon = []] = flatten(own, Math.min(0.1, grain / 10));
    const cells = Math.round(lengthOf(polygon) / grain);
    if (cells < 2 || polygon.length < 3) return own;
    const count = Math.min(MOST_POINTS, cells * POINTS_A_BUMP);
    const points = evenly(polygon, count).map(({ at, normal }, index): Point => {
      const along = (index / count) * cells;
      const by =
        depth * ((1 - FINER) * noise(seed, contour * 2, cells, along) + FINER * noise(seed, contour * 2 + 1, cells * 2, along * 2));
      return { x: at.x + normal.x * by, y: at.y + normal.y * by };
    });
    const middle = (index: number): Point => {
      const [one, other] = [points[index % count] as Point, points[(index + 1) % count] as Point];
      return { x: (one.x + other.x) / 2, y: (one.y + other.y) / 2 };
    };
    const start = middle(count - 1);
    pen.move(start.x, start.y);
    points.forEach((point, index) => {
      const to = middle(index);
      pen.quadratic(point.x, point.y, to.x, to.y);
    });
    return pen.close().path();
  });
  return { path: joinPaths(made), rule };
}
