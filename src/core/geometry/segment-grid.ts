import { notNought } from '../numeric/tolerances';
import type { Polygon } from './flatten';

/** The straight sides of polygons, filed by place so that near ones are found quickly. */
export interface SegmentGrid {
  readonly count: number;
  /** Ends of side `i`: x0, y0, x1, y1 at `4 i`. */
  readonly ends: Float64Array;
  /** Calls `visit` with every side that may come within a box; a side may be named twice. */
  readonly near: (left: number, top: number, right: number, bottom: number, visit: (side: number) => void) => void;
}

/** Cells along the longer side, by how many sides there are: about four sides a cell along an outline. */
const cellsFor = (sides: number): number => Math.min(256, Math.max(4, Math.ceil(Math.sqrt(sides))));

export function segmentGrid(polygons: readonly Polygon[]): SegmentGrid {
  const numbers: number[] = [];
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const polygon of polygons)
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      if (a.x === b.x && a.y === b.y) return;
      numbers.push(a.x, a.y, b.x, b.y);
      left = Math.min(left, a.x);
      right = Math.max(right, a.x);
      top = Math.min(top, a.y);
      bottom = Math.max(bottom, a.y);
    });
  const ends = Float64Array.from(numbers);
  const count = ends.length / 4;
  const cell = notNought(Math.max(right - left, bottom - top)) / cellsFor(count);
  const columns = Math.max(1, Math.ceil((right - left) / cell) || 1);
  const rows = Math.max(1, Math.ceil((bottom - top) / cell) || 1);
  const cells: number[][] = Array.from({ length: count === 0 ? 0 : columns * rows }, () => []);
  const column = (x: number) => Math.min(columns - 1, Math.max(0, Math.floor((x - left) / cell)));
  const row = (y: number) => Math.min(rows - 1, Math.max(0, Math.floor((y - top) / cell)));
  for (let side = 0; side < count; side++) {
    const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = ends.subarray(4 * side, 4 * side + 4);
    for (let r = row(Math.min(y0, y1)); r <= row(Math.max(y0, y1)); r++)
      for (let c = column(Math.min(x0, x1)); c <= column(Math.max(x0, x1)); c++) cells[r * columns + c]?.push(side);
  }
  return {
    count,
    ends,
    near: (fromX, fromY, toX, toY, visit) => {
      if (count === 0) return;
      for (let r = row(fromY); r <= row(toY); r++)
        for (let c = column(fromX); c <= column(toX); c++) for (const side of cells[r * columns + c] as number[]) visit(side);
    },
  };
}
