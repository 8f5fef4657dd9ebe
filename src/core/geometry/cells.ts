import { notNought } from '../numeric/tolerances';
import type { Bounds } from './bounds';
import { flatten } from './flatten';
import type { Region } from './region';

/** Square cells over a box. */
export interface CellGrid {
  readonly columns: number;
  readonly rows: number;
  readonly left: number;
  readonly top: number;
  readonly cell: number;
}

/** A grid over a box with a free cell all around. */
export function gridOver(box: Bounds, cells: number): CellGrid {
  const cell = notNought(Math.max(box.right - box.left, box.bottom - box.top)) / cells;
  return {
    columns: Math.ceil((box.right - box.left) / cell) + 4,
    rows: Math.ceil((box.bottom - box.top) / cell) + 4,
    left: box.left - 2 * cell,
    top: box.top - 2 * cell,
    cell,
  };
}

/** Calls `visit` with the first and, exclusive, last cell of every run of cells whose middles a region covers. */
export function fillRows({ path, rule }: Region, grid: CellGrid, visit: (row: number, from: number, to: number) => void): void {
  const crossings: { x: number; by: number }[][] = Array.from({ length: grid.rows }, () => []);
  for (const polygon of flatten(path, grid.cell * 0.2))
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      if (a.y === b.y) return;
      const [upper, lower, by] = a.y < b.y ? [a, b, 1] : [b, a, -1];
      const first = Math.max(0, Math.ceil((upper.y - grid.top) / grid.cell - 0.5));
      const last = Math.min(grid.rows - 1, Math.ceil((lower.y - grid.top) / grid.cell - 0.5) - 1);
      for (let row = first; row <= last; row++) {
        const y = grid.top + (row + 0.5) * grid.cell;
        crossings[row]?.push({ x: upper.x + ((y - upper.y) / (lower.y - upper.y)) * (lower.x - upper.x), by });
      }
    });
  crossings.forEach((row, index) => {
    row.sort((one, other) => one.x - other.x);
    let winding = 0;
    for (let at = 0; at + 1 < row.length; at++) {
      const here = row[at] as { x: number; by: number };
      winding += here.by;
      const inside = rule === 'evenodd' ? at % 2 === 0 : winding !== 0;
      if (!inside) continue;
      const from = Math.max(0, Math.ceil((here.x - grid.left) / grid.cell - 0.5));
      const to = Math.min(grid.columns, Math.ceil(((row[at + 1] as { x: number }).x - grid.left) / grid.cell - 0.5));
      if (to > from) visit(index, from, to);
    }
  });
}
