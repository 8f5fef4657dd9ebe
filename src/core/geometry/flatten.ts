import { FLATTEN_PX } from '../numeric/tolerances';
import type { Path, Verb } from './path';
import type { Point } from './point';

/** A closed polygon that stands for one contour. */
export type Polygon = readonly Point[];

/** Most chords one curve is divided into; reached only when the tolerance is absurdly small. */
const MOST_CHORDS = 256;

/** How many equal parameter steps keep the chords of a Bézier within a tolerance. @source T. Sederberg, "Computer Aided Geometric Design", the bound L ≤ √(n(n−1)/8 · max|Δ²P| / ε) for a curve of degree n */
function chords(degree: 2 | 3, secondDifference: number, tolerance: number): number {
  return Math.min(MOST_CHORDS, Math.max(1, Math.ceil(Math.sqrt((degree * (degree - 1) * secondDifference) / (8 * tolerance)))));
}

/**
 * The contours of a path as polygons, closed whether or not the path closes them.
 * @param tolerance largest distance between a curve and its chords, in the path's own units
 */
export function flatten(path: Path, tolerance: number = FLATTEN_PX): readonly Polygon[] {
  const polygons: Point[][] = [];
  let polygon: Point[] = [];
  let at = 0;
  const next = (): Point => ({ x: path.coords[at++] as number, y: path.coords[at++] as number });
  const finish = () => {
    if (polygon.length > 1) polygons.push(polygon);
    polygon = [];
  };
  for (const verb of path.verbs as Iterable<Verb>) {
    if (verb === 'M') {
      finish();
      polygon = [next()];
    } else if (verb === 'L') polygon.push(next());
    else if (verb === 'Q') {
      const p0 = polygon.at(-1) as Point;
      const [p1, p2] = [next(), next()];
      const steps = chords(2, Math.hypot(p0.x - 2 * p1.x + p2.x, p0.y - 2 * p1.y + p2.y), tolerance);
      for (let i = 1; i <= steps; i++) {
        const [t, s] = [i / steps, 1 - i / steps];
        polygon.push({ x: s * s * p0.x + 2 * s * t * p1.x + t * t * p2.x, y: s * s * p0.y + 2 * s * t * p1.y + t * t * p2.y });
      }
    } else if (verb === 'C') {
      const p0 = polygon.at(-1) as Point;
      const [p1, p2, p3] = [next(), next(), next()];
      const bend = Math.max(
        Math.hypot(p0.x - 2 * p1.x + p2.x, p0.y - 2 * p1.y + p2.y),
        Math.hypot(p1.x - 2 * p2.x + p3.x, p1.y - 2 * p2.y + p3.y),
      );
      const steps = chords(3, bend, tolerance);
      for (let i = 1; i <= steps; i++) {
        const [t, s] = [i / steps, 1 - i / steps];
        const [a, b, c, d] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
        polygon.push({ x: a * p0.x + b * p1.x + c * p2.x + d * p3.x, y: a * p0.y + b * p1.y + c * p2.y + d * p3.y });
      }
    }
  }
  finish();
  return polygons;
}
