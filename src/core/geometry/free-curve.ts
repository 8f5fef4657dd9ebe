import { apply, type Affine } from './affine';
import { flatten } from './flatten';
import { PathPen, type Path } from './path';
import type { Point } from './point';

/** A point of a drawn curve with its two handles, counted from the point; without one the curve has a corner there. */
export interface FreePoint extends Point {
  readonly inX: number;
  readonly inY: number;
  readonly outX: number;
  readonly outY: number;
}

/** A point under a map; its handles turn and scale along. */
export const mapFreePoint = ({ x, y, inX, inY, outX, outY }: FreePoint, map: Affine): FreePoint => {
  const turned = { ...map, e: 0, f: 0 };
  const [before, after] = [apply(turned, { x: inX, y: inY }), apply(turned, { x: outX, y: outY })];
  return { ...apply(map, { x, y }), inX: before.x, inY: before.y, outX: after.x, outY: after.y };
};

/** The outline through points and handles. */
export function freeCurve(points: readonly FreePoint[], closed: boolean): Path {
  const pen = new PathPen();
  const [first] = points;
  if (!first) return pen.path();
  pen.move(first.x, first.y);
  const round = closed ? [...points.slice(1), first] : points.slice(1);
  round.forEach((point, index) => {
    const before = points[index] as FreePoint;
    const straight = before.outX === 0 && before.outY === 0 && point.inX === 0 && point.inY === 0;
    if (straight) pen.line(point.x, point.y);
    else pen.cubic(before.x + before.outX, before.y + before.outY, point.x + point.inX, point.y + point.inY, point.x, point.y);
  });
  return closed ? pen.close().path() : pen.path();
}

export const POINT_KINDS = ['corner', 'smooth', 'mirrored'] as const;
export type PointKind = (typeof POINT_KINDS)[number];

/** What a point is by its handles: none or bent apart, on one line, or of one length as well. */
export function kindOfPoint({ inX, inY, outX, outY }: FreePoint): PointKind {
  const [before, after] = [Math.hypot(inX, inY), Math.hypot(outX, outY)];
  if (before === 0 || after === 0) return 'corner';
  const off = Math.abs(inX * outY - inY * outX) / (before * after);
  if (off > 0.02 || inX * outX + inY * outY > 0) return 'corner';
  return Math.abs(before - after) < 0.02 * Math.max(before, after) ? 'mirrored' : 'smooth';
}

/** The curve with one point made another kind: handles are laid along the line between its neighbors, a third of the way to each. */
export function withPointKind(points: readonly FreePoint[], at: number, kind: PointKind, closed: boolean): readonly FreePoint[] {
  const point = points[at];
  if (!point) return points;
  if (kind === 'corner') return points.map((each, index) => (index === at ? { ...each, inX: 0, inY: 0, outX: 0, outY: 0 } : each));
  const before = points[at - 1] ?? (closed ? points.at(-1) : undefined) ?? point;
  const after = points[at + 1] ?? (closed ? points[0] : undefined) ?? point;
  const length = Math.hypot(after.x - before.x, after.y - before.y) || 1;
  const [dx, dy] = [(after.x - before.x) / length, (after.y - before.y) / length];
  const [one, other] = [Math.hypot(before.x - point.x, before.y - point.y) / 3, Math.hypot(after.x - point.x, after.y - point.y) / 3];
  const [back, forth] = kind === 'mirrored' ? [(one + other) / 2, (one + other) / 2] : [one, other];
  return points.map((each, index) =>
    index === at ? { ...each, inX: -dx * back, inY: -dy * back, outX: dx * forth, outY: dy * forth } : each,
  );
}

/** A new point in the middle of a piece, which keeps its form. @source de Casteljau's subdivision at one half */
export function withPointAfter(points: readonly FreePoint[], at: number): readonly FreePoint[] {
  const [a, b] = [points[at], points[(at + 1) % points.length]];
  if (!a || !b || a === b) return points;
  const mid = (one: Point, other: Point): Point => ({ x: (one.x + other.x) / 2, y: (one.y + other.y) / 2 });
  const [p0, p1, p2, p3] = [a, { x: a.x + a.outX, y: a.y + a.outY }, { x: b.x + b.inX, y: b.y + b.inY }, b];
  const [q0, q1, q2] = [mid(p0, p1), mid(p1, p2), mid(p2, p3)];
  const [r0, r1] = [mid(q0, q1), mid(q1, q2)];
  const s = mid(r0, r1);
  const fresh: FreePoint = { x: s.x, y: s.y, inX: r0.x - s.x, inY: r0.y - s.y, outX: r1.x - s.x, outY: r1.y - s.y };
  const halved = points.map((each, index): FreePoint => {
    if (index === at) return { ...each, outX: each.outX / 2, outY: each.outY / 2 };
    return index === (at + 1) % points.length ? { ...each, inX: each.inX / 2, inY: each.inY / 2 } : each;
  });
  return [...halved.slice(0, at + 1), fresh, ...halved.slice(at + 1)];
}

/** How far the points of one polyline lie from another at most. */
function farthest(points: readonly Point[], line: readonly Point[]): number {
  return points.reduce((most, point) => {
    const nearest = line.slice(1).reduce((least, b, index) => {
      const a = line[index] as Point;
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const t = Math.min(1, Math.max(0, ((point.x - a.x) * dx + (point.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
      return Math.min(least, Math.hypot(a.x + t * dx - point.x, a.y + t * dy - point.y));
    }, Infinity);
    return Math.max(most, nearest);
  }, 0);
}

const polylineOf = (points: readonly FreePoint[], tolerance: number): readonly Point[] =>
  flatten(freeCurve(points, false), tolerance / 4)[0] ?? [];

/**
 * The curve with as few of its points as keep it within a distance: again and again the point is left out whose loss shows least;
 * its neighbors' handles take over its length.
 * @param tolerance largest distance from the curve as it was, in its own unit
 */
export function simplifyCurve(points: readonly FreePoint[], tolerance: number): readonly FreePoint[] {
  let kept = points;
  const whole = polylineOf(points, tolerance);
  for (;;) {
    let best: { readonly points: readonly FreePoint[]; readonly off: number } | undefined;
    for (let at = 1; at < kept.length - 1; at++) {
      const [a, p, b] = [kept[at - 1], kept[at], kept[at + 1]] as [FreePoint, FreePoint, FreePoint];
      const [one, other] = [Math.hypot(p.x - a.x, p.y - a.y), Math.hypot(b.x - p.x, b.y - p.y)];
      const grow = (own: number, more: number) => (own === 0 ? 1 : (own + more) / own);
      const [forth, back] = [grow(one, other), grow(other, one)];
      const without = kept.flatMap((each, index): readonly FreePoint[] => {
        if (index === at) return [];
        if (index === at - 1) return [{ ...each, outX: each.outX * forth, outY: each.outY * forth }];
        return index === at + 1 ? [{ ...each, inX: each.inX * back, inY: each.inY * back }] : [each];
      });
      const line = polylineOf(without, tolerance);
      const off = Math.max(farthest(whole, line), farthest(line, whole));
      if (off <= tolerance && (!best || off < best.off)) best = { points: without, off };
    }
    if (!best) return kept;
    kept = best.points;
  }
}
