import type { Polygon } from '../../geometry';

/** Rows of a profile: 10/1000 em high, from below the descenders to above accented capitals, counted upward from the baseline. */
export const ROW_PERMILLE = 10;
export const LOWEST_ROW_PERMILLE = -350;
export const ROWS = 150;

/** How far a letter's ink reaches to the left and to the right, row by row, in 1/1000 em from its own origin. Rows without ink hold ±Infinity. */
export interface SideProfile {
  readonly left: Float64Array;
  readonly right: Float64Array;
  readonly advance: number;
}

/**
 * The outermost ink of a letter in every row. Exact for the polygons given: edges are clipped to each row they cross.
 * @param polygons contours in 1/1000 em, y **down** from the baseline
 * @param slantDeg lean of the stems, counter-clockwise from upright (italics are negative); rows are sheared upright, so that slanted stems count as parallel
 */
export function sideProfile(polygons: readonly Polygon[], advance: number, slantDeg = 0): SideProfile {
  const left = new Float64Array(ROWS).fill(Infinity);
  const right = new Float64Array(ROWS).fill(-Infinity);
  const shear = Math.tan((slantDeg * Math.PI) / 180);
  const include = (row: number, x: number) => {
    if (x < (left[row] as number)) left[row] = x;
    if (x > (right[row] as number)) right[row] = x;
  };
  for (const polygon of polygons) {
    for (let i = 0; i < polygon.length; i++) {
      const a = polygon[i];
      const b = polygon[(i + 1) % polygon.length];
      if (!a || !b) continue;
      const [ya, yb] = [-a.y, -b.y];
      const [xa, xb] = [a.x + shear * ya, b.x + shear * yb];
      const [low, high] = ya < yb ? [ya, yb] : [yb, ya];
      const first = Math.max(0, Math.floor((low - LOWEST_ROW_PERMILLE) / ROW_PERMILLE));
      const last = Math.min(ROWS - 1, Math.floor((high - LOWEST_ROW_PERMILLE) / ROW_PERMILLE));
      for (let row = first; row <= last; row++) {
        const bottom = LOWEST_ROW_PERMILLE + row * ROW_PERMILLE;
        const xAt = (y: number) => (yb === ya ? xa : xa + ((xb - xa) * (Math.min(high, Math.max(low, y)) - ya)) / (yb - ya));
        include(row, xAt(bottom));
        include(row, xAt(bottom + ROW_PERMILLE));
        if (yb === ya) include(row, xb);
      }
    }
  }
  return { left, right, advance };
}
