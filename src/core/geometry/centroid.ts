import { flatten } from './flatten';
import type { Path } from './path';
import type { Point } from './point';

/** The middle of an area by its weight, and the area itself. */
export interface Centroid extends Point {
  readonly area: number;
}

/**
 * Where the ink of outlines balances: the centroid of their signed areas, so that holes count against what surrounds them.
 * Exact for outlines whose contours do not overlap, on curves flattened to the tolerance.
 * @source Green's theorem: A = ½Σ(xᵢyᵢ₊₁ − xᵢ₊₁yᵢ), Cx = 1/6A·Σ(xᵢ + xᵢ₊₁)(xᵢyᵢ₊₁ − xᵢ₊₁yᵢ)
 * @returns nothing for outlines without area
 */
export function centroidOf(paths: readonly Path[], tolerance: number): Centroid | undefined {
  let area = 0;
  let x = 0;
  let y = 0;
  for (const path of paths) {
    let own = 0;
    let ownX = 0;
    let ownY = 0;
    for (const polygon of flatten(path, tolerance))
      polygon.forEach((a, index) => {
        const b = polygon[(index + 1) % polygon.length] ?? a;
        const cross = a.x * b.y - b.x * a.y;
        own += cross / 2;
        ownX += ((a.x + b.x) * cross) / 6;
        ownY += ((a.y + b.y) * cross) / 6;
      });
    // Fonts differ in which way contours run; every outline counts as ink.
    const sign = own < 0 ? -1 : 1;
    area += sign * own;
    x += sign * ownX;
    y += sign * ownY;
  }
  return area > 1e-9 ? { x: x / area, y: y / area, area } : undefined;
}
