import { flatten } from './flatten';
import type { Path, Verb } from './path';
import type { Point } from './point';

/** Points nearer than this are one, in the outline's unit. */
const SAME_POINT = 1e-7;

/** A line, quadratic or cubic by its control points, the first on the outline. */
export type Curve = readonly Point[];

const mix = (one: Point, other: Point, t: number): Point => ({ x: one.x + (other.x - one.x) * t, y: one.y + (other.y - one.y) * t });

/** Both halves of a Bézier at a parameter. @source de Casteljau */
export function split(curve: Curve, t: number): readonly [Curve, Curve] {
  const [left, right]: [Point[], Point[]] = [[], []];
  let row = curve;
  while (row.length > 0) {
    left.push(row[0] as Point);
    right.unshift(row.at(-1) as Point);
    row = row.slice(1).map((point, index) => mix(row[index] as Point, point, t));
  }
  return [left, right];
}
/** The place on a curve at a parameter. */
export const at = (curve: Curve, t: number): Point => {
  let row = curve;
  while (row.length > 1) row = row.slice(1).map((point, index) => mix(row[index] as Point, point, t));
  return row[0] as Point;
};
/** Where a curve is heading at a parameter, as long as its control polygon makes it: nothing where control points fall together. */
export const slope = (curve: Curve, t: number): Point =>
  at(
    curve.slice(1).map((point, index) => ({ x: point.x - (curve[index] as Point).x, y: point.y - (curve[index] as Point).y })),
    t,
  );

/** The curves of one contour, closed by a line where it does not close itself. */
export function curvesOf({ verbs, coords }: Path): readonly Curve[] {
  const curves: Curve[] = [];
  let index = 0;
  const next = (): Point => ({ x: coords[index++] as number, y: coords[index++] as number });
  let start: Point | undefined;
  let here: Point = { x: 0, y: 0 };
  for (const verb of verbs as Iterable<Verb>) {
    if (verb === 'M') start = here = next();
    else if (verb !== 'Z') {
      const curve = [here, ...Array.from({ length: verb === 'L' ? 1 : verb === 'Q' ? 2 : 3 }, next)];
      here = curve.at(-1) as Point;
      if (curve.some(({ x, y }) => x !== curve[0]?.x || y !== curve[0].y)) curves.push(curve);
    }
  }
  if (start && (start.x !== here.x || start.y !== here.y)) curves.push([here, start]);
  return curves;
}

/** Which way a curve leaves its first point, and arrives at its last, each of length one: by the nearest control point that lies elsewhere. */
export function headings(curve: Curve): { readonly out: Point; readonly into: Point } {
  const [first, last] = [curve[0] as Point, curve.at(-1) as Point];
  const toward = (from: Point, to: Point): Point => {
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
    return { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  };
  const differs = (from: Point) => (point: Point) => Math.hypot(point.x - from.x, point.y - from.y) > SAME_POINT;
  const after = curve.find(differs(first)) ?? last;
  const before = [...curve].reverse().find(differs(last)) ?? first;
  return { out: toward(first, after), into: toward(before, last) };
}

/** The chords of a curve, from its first point to its last. @param tolerance largest distance between the curve and its chords */
export function chordsOf(curve: Curve, tolerance: number): readonly Point[] {
  if (curve.length === 2) return curve;
  const [polygon] = flatten({ verbs: curve.length === 3 ? 'MQ' : 'MC', coords: curve.flatMap(({ x, y }) => [x, y]) }, tolerance);
  return polygon ?? curve;
}
