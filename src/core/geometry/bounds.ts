import { CURVE_PARAMETER, FLAT_COEFFICIENT } from '../numeric/tolerances';
import { apply, type Affine } from './affine';
import { NUMBERS_OF, type Path, type Verb } from './path';

/** An upright box; `right ≥ left`, `bottom ≥ top`. */
export interface Bounds {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export const widthOf = (box: Bounds): number => box.right - box.left;
export const heightOf = (box: Bounds): number => box.bottom - box.top;
export const centerOf = (box: Bounds) => ({ x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 });

/** The smallest box around both; `undefined` is the empty box. */
export function unite(one: Bounds | undefined, other: Bounds | undefined): Bounds | undefined {
  if (!one || !other) return one ?? other;
  return {
    left: Math.min(one.left, other.left),
    top: Math.min(one.top, other.top),
    right: Math.max(one.right, other.right),
    bottom: Math.max(one.bottom, other.bottom),
  };
}

/** Whether two boxes have no point in common; the empty box has none with any. */
export const areApart = (one: Bounds | undefined, other: Bounds | undefined): boolean =>
  !one || !other || one.right < other.left || other.right < one.left || one.bottom < other.top || other.bottom < one.top;

export const grow = (box: Bounds, by: number): Bounds => ({
  left: box.left - by,
  top: box.top - by,
  right: box.right + by,
  bottom: box.bottom + by,
});

/** Where, strictly inside (0, 1), a cubic Bézier's one coordinate turns: the roots of its derivative. */
function cubicTurns(p0: number, p1: number, p2: number, p3: number): readonly number[] {
  const a = -p0 + 3 * p1 - 3 * p2 + p3;
  const b = 2 * (p0 - 2 * p1 + p2);
  const c = p1 - p0;
  const size = Math.max(Math.abs(a), Math.abs(b), Math.abs(c));
  const inside = (t: number) => t > CURVE_PARAMETER && t < 1 - CURVE_PARAMETER;
  if (size === 0) return [];
  if (Math.abs(a) <= FLAT_COEFFICIENT * size) return b === 0 ? [] : [-c / b].filter(inside);
  const discriminant = b * b - 4 * a * c;
  if (discriminant < 0) return [];
  const q = -0.5 * (b + Math.sign(b || 1) * Math.sqrt(discriminant));
  return [q / a, q === 0 ? 0 : c / q].filter(inside);
}

const cubicAt = (p0: number, p1: number, p2: number, p3: number, t: number): number => {
  const s = 1 - t;
  return s * s * s * p0 + 3 * s * s * t * p1 + 3 * s * t * t * p2 + t * t * t * p3;
};

/**
 * The exact box of a path's ink area after a map (curves' own extremes, not their control points).
 * A contour without area still counts; a bare move does not.
 * @returns `undefined` when nothing is drawn
 */
export function boundsOf(path: Path, map?: Affine): Bounds | undefined {
  if (!map) return ownBounds(path);
  // Moving and scaling along the axes maps a box to a box, so that the path is measured once.
  if (map.b === 0 && map.c === 0 && map.a > 0 && map.d > 0) {
    const own = ownBounds(path);
    return (
      own && {
        left: own.left * map.a + map.e,
        top: own.top * map.d + map.f,
        right: own.right * map.a + map.e,
        bottom: own.bottom * map.d + map.f,
      }
    );
  }
  return measured(path, map);
}

const kept = new WeakMap<Path, { readonly bounds: Bounds | undefined }>();

function ownBounds(path: Path): Bounds | undefined {
  const known = kept.get(path) ?? { bounds: measured(path) };
  kept.set(path, known);
  return known.bounds;
}

function measured(path: Path, map?: Affine): Bounds | undefined {
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  const include = (x: number, y: number) => {
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < top) top = y;
    if (y > bottom) bottom = y;
  };
  let x = 0;
  let y = 0;
  let at = 0;
  const next = () => {
    const point = { x: path.coords[at] as number, y: path.coords[at + 1] as number };
    at += 2;
    return map ? apply(map, point) : point;
  };
  for (const verb of path.verbs as Iterable<Verb>) {
    if (NUMBERS_OF[verb] === 0) continue;
    if (verb === 'M') {
      ({ x, y } = next());
      continue;
    }
    include(x, y);
    if (verb === 'L') ({ x, y } = next());
    else {
      const one = next();
      const two = verb === 'Q' ? undefined : next();
      const end = next();
      // A quadratic is the cubic whose inner points lie two thirds of the way to its one control point.
      const c1 = two ? one : { x: x + (2 / 3) * (one.x - x), y: y + (2 / 3) * (one.y - y) };
      const c2 = two ?? { x: end.x + (2 / 3) * (one.x - end.x), y: end.y + (2 / 3) * (one.y - end.y) };
      for (const t of cubicTurns(x, c1.x, c2.x, end.x)) include(cubicAt(x, c1.x, c2.x, end.x, t), y);
      for (const t of cubicTurns(y, c1.y, c2.y, end.y)) include(x, cubicAt(y, c1.y, c2.y, end.y, t));
      ({ x, y } = end);
    }
    include(x, y);
  }
  return left <= right ? { left, top, right, bottom } : undefined;
}
