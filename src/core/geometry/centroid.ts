import { flatten, type Polygon } from './flatten';
import { depthsOf } from './islands';
import type { Path } from './path';
import type { Point } from './point';
import type { Region } from './region';
import { NOUGHT } from '../numeric/tolerances';

/** The middle of an area by its weight, and the area itself. */
export interface Centroid extends Point {
  readonly area: number;
}

const known = new WeakMap<Path, { readonly tolerance: number; readonly sums: Sums }>();

/** Area and first moments, always of positive area: fonts differ in which way contours run, and every outline counts as ink. */
interface Sums {
  readonly area: number;
  readonly x: number;
  readonly y: number;
}

function polygonSums(polygon: Polygon): Sums {
  let [area, x, y] = [0, 0, 0];
  polygon.forEach((a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    const cross = a.x * b.y - b.x * a.y;
    area += cross / 2;
    x += ((a.x + b.x) * cross) / 6;
    y += ((a.y + b.y) * cross) / 6;
  });
  return { area, x, y };
}

function sumsOf(path: Path, tolerance: number): Sums {
  const kept = known.get(path);
  if (kept?.tolerance === tolerance) return kept.sums;
  let [area, x, y] = [0, 0, 0];
  for (const polygon of flatten(path, tolerance)) {
    const own = polygonSums(polygon);
    area += own.area;
    x += own.x;
    y += own.y;
  }
  const sums = area < 0 ? { area: -area, x: -x, y: -y } : { area, x, y };
  known.set(path, { tolerance, sums });
  return sums;
}

/**
 * Where the ink of outlines balances: the centroid of their signed areas, so that holes count against what surrounds them.
 * Exact for outlines whose contours do not overlap, on curves flattened to the tolerance.
 * @source Green's theorem: A = ½Σ(xᵢyᵢ₊₁ − xᵢ₊₁yᵢ), Cx = 1/6A·Σ(xᵢ + xᵢ₊₁)(xᵢyᵢ₊₁ − xᵢ₊₁yᵢ)
 * @returns nothing for outlines without area
 */
export function centroidOf(paths: readonly Path[], tolerance: number): Centroid | undefined {
  let [area, x, y] = [0, 0, 0];
  for (const path of paths) {
    const sums = sumsOf(path, tolerance);
    area += sums.area;
    x += sums.x;
    y += sums.y;
  }
  return area > NOUGHT ? { x: x / area, y: y / area, area } : undefined;
}

const knownEvenOdd = new WeakMap<Path, { readonly tolerance: number; readonly sums: Sums }>();

/** The same for outlines filled by the even–odd rule, whose contours run as they like: what lies at an odd depth is a hole. */
function evenOddSums(path: Path, tolerance: number): Sums {
  const kept = knownEvenOdd.get(path);
  if (kept?.tolerance === tolerance) return kept.sums;
  const polygons = flatten(path, tolerance).filter((polygon) => polygon.length > 2);
  const depths = depthsOf(polygons);
  let [area, x, y] = [0, 0, 0];
  polygons.forEach((polygon, index) => {
    const own = polygonSums(polygon);
    const sign = ((depths[index] as number) % 2 === 0 ? 1 : -1) * Math.sign(own.area || 1);
    area += sign * own.area;
    x += sign * own.x;
    y += sign * own.y;
  });
  const sums = { area, x, y };
  knownEvenOdd.set(path, { tolerance, sums });
  return sums;
}

/**
 * Where the ink of areas balances, each by its own fill rule.
 * @returns nothing for areas without ink
 */
export function weightOf(regions: readonly Region[], tolerance: number): Centroid | undefined {
  let [area, x, y] = [0, 0, 0];
  for (const { path, rule } of regions) {
    const sums = rule === 'evenodd' ? evenOddSums(path, tolerance) : sumsOf(path, tolerance);
    area += sums.area;
    x += sums.x;
    y += sums.y;
  }
  return area > NOUGHT ? { x: x / area, y: y / area, area } : undefined;
}
