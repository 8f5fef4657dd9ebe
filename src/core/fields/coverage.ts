import { fillRows, type CellGrid, type Region } from '../geometry';
import { gaussian } from './gaussian';

/** Each cell is asked in so many rows and columns. */
const FINER = 10;

/** How much of each cell a region covers, in [0, 1], by 10 × 10 places: off by at most 1/20 along straight edges, on average by far less. */
export function coverageOf(region: Region, grid: CellGrid): Float32Array {
  const covered = new Float32Array(grid.columns * grid.rows);
  const fine = { ...grid, columns: grid.columns * FINER, rows: grid.rows * FINER, cell: grid.cell / FINER };
  fillRows(region, fine, (row, from, to) => {
    const base = Math.floor(row / FINER) * grid.columns;
    for (let column = Math.floor(from / FINER); column * FINER < to; column++) {
      const share = Math.min(to, (column + 1) * FINER) - Math.max(from, column * FINER);
      covered[base + column] = (covered[base + column] as number) + share / (FINER * FINER);
    }
  });
  return covered;
}

/** The value of a field between its cells; 0 outside of it. @param x, y in cells, the first cell's middle at 0 */
export function between(values: Float32Array, { columns, rows }: CellGrid, x: number, y: number): number {
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const at = (column: number, row: number) =>
    column < 0 || row < 0 || column >= columns || row >= rows ? 0 : (values[row * columns + column] as number);
  const [fx, fy] = [x - x0, y - y0];
  return (at(x0, y0) * (1 - fx) + at(x0 + 1, y0) * fx) * (1 - fy) + (at(x0, y0 + 1) * (1 - fx) + at(x0 + 1, y0 + 1) * fx) * fy;
}

/**
 * A region's cover softened by a Gaussian, at the middles of cells. Cells are means already, which is a softening of 1/12 of a cell squared.
 * @param sigma standard deviation in the region's pixels
 */
export function softCoverage(region: Region, grid: CellGrid, sigma: number): Float32Array {
  const inCells = sigma / grid.cell;
  return gaussian(coverageOf(region, grid), grid.columns, grid.rows, Math.sqrt(Math.max(0, inCells * inCells - 1 / 12)));
}
