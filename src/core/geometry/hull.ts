import { polygonHull } from 'd3';
import type { Point } from './point';

const cross = (o: Point, a: Point, b: Point): number => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);

/** The convex hull of points, clockwise on screen, without points on its sides; of fewer than three points nothing. @source d3-polygon */
export const convexHull = (points: readonly Point[]): readonly Point[] =>
  (polygonHull(points.map(({ x, y }): [number, number] => [x, y])) ?? []).reverse().map(([x, y]) => ({ x, y }));

/** One way to lay a shape on a level line. */
export interface Rest {
  /** How far it is turned for it, in degrees clockwise, from where it stands; in (−180, 180]. */
  readonly turnDeg: number;
  /** The two points that then touch the line, as they stand now. */
  readonly touches: readonly [Point, Point];
  /** Whether its weight lies between them, so that it would stay. */
  readonly stable: boolean;
}

/** Sides of a hull that turn by less than this (radians) are one: crests of equal height lie on it, up to rounding. */
const NO_CORNER = 1e-7;

/** Sides shorter than this share of the hull are flattened curves, not edges to rest on. */
const LEAST_SIDE = 0.02;

/**
 * All ways in which a shape rests on a level line with two points of its true outline: the sides of its convex hull, each turned to the foot.
 * @param weight where its ink balances
 * @returns the least turned first
 */
export function restsOf(points: readonly Point[], weight: Point): readonly Rest[] {
  const all = convexHull(points);
  if (all.length < 2) return [];
  const round = all.reduce((sum, a, index) => {
    const b = all[(index + 1) % all.length] as Point;
    return sum + Math.hypot(b.x - a.x, b.y - a.y);
  }, 0);
  const hull: Point[] = [];
  for (const [index, point] of all.entries()) {
    const [a, next] = [hull.at(-1) ?? (all.at(-1) as Point), all[(index + 1) % all.length] as Point];
    const level = (from: Point) =>
      Math.abs(cross(from, point, next)) <=
      NO_CORNER * Math.hypot(point.x - from.x, point.y - from.y) * Math.hypot(next.x - point.x, next.y - point.y);
    if (!level(a)) hull.push(point);
  }
  return hull
    .flatMap((a, index): readonly Rest[] => {
      const b = hull[(index + 1) % hull.length] as Point;
      const length = Math.hypot(b.x - a.x, b.y - a.y);
      if (length < LEAST_SIDE * round) return [];
      // Clockwise on screen the foot runs from right to left, so that a side is level there when it points left.
      const raw = 180 - (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
      const turnDeg = ((((raw + 180) % 360) + 360) % 360) - 180;
      const along = ((weight.x - a.x) * (b.x - a.x) + (weight.y - a.y) * (b.y - a.y)) / (length * length);
      return [{ turnDeg: turnDeg === -180 ? 180 : turnDeg, touches: [a, b], stable: along >= 0 && along <= 1 }];
    })
    .sort((one, other) => Math.abs(one.turnDeg) - Math.abs(other.turnDeg));
}
