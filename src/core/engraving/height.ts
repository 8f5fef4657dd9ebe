/** Solved on cells so many times larger: the height is smooth. */
const COARSER = 3;
/** Rounds of relaxation; the error falls by its factor each round. */
const ROUNDS = 160;

/**
 * A height over an area that is 0 along its edge and round like a cushion inside: over a disk of radius R a half ball of height R.
 * Twice the square root of the solution of Poisson's equation Δu = −1: over a disk u = (R² − r²) ÷ 4.
 * @param mask cells of the area
 * @returns in cells
 * @source the equation by successive overrelaxation in red and black order (D. Young, 1954), the best factor for a square of as many cells
 */
export function cushion(mask: Uint8Array, columns: number, rows: number): Float32Array {
  const [wide, high] = [Math.ceil(columns / COARSER) + 1, Math.ceil(rows / COARSER) + 1];
  const inside = new Float32Array(wide * high);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++)
      if (mask[y * columns + x]) {
        const cell = Math.floor(y / COARSER) * wide + Math.floor(x / COARSER);
        inside[cell] = (inside[cell] as number) + 1 / (COARSER * COARSER);
      }
  const solved = new Float32Array(wide * high);
  const factor = 2 / (1 + Math.sin(Math.PI / Math.max(wide, high)));
  // Cells along the edge that are covered in part are lower by as much.
  const cells: number[][] = [[], []];
  for (let y = 1; y < high - 1; y++)
    for (let x = 1; x < wide - 1; x++) if ((inside[y * wide + x] as number) > 0) cells[(x + y) % 2]?.push(y * wide + x);
  const runs = cells.map((list) => Int32Array.from(list));
  for (let round = 0; round < ROUNDS; round++)
    for (const run of runs)
      for (const cell of run) {
        const around =
          (solved[cell - 1] as number) + (solved[cell + 1] as number) + (solved[cell - wide] as number) + (solved[cell + wide] as number);
        const wanted = ((around + 1) / 4) * Math.min(1, (inside[cell] as number) * 1.5);
        solved[cell] = (solved[cell] as number) + factor * (wanted - (solved[cell] as number));
      }
  const height = new Float32Array(columns * rows);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const cell = y * columns + x;
      if (!mask[cell]) continue;
      const [u, v] = [(x + 0.5) / COARSER - 0.5, (y + 0.5) / COARSER - 0.5];
      const [left, top] = [Math.max(0, Math.floor(u)), Math.max(0, Math.floor(v))];
      const [s, t] = [Math.min(1, Math.max(0, u - left)), Math.min(1, Math.max(0, v - top))];
      const at = (column: number, row: number) => solved[Math.min(high - 1, row) * wide + Math.min(wide - 1, column)] as number;
      const mean =
        (at(left, top) * (1 - s) + at(left + 1, top) * s) * (1 - t) + (at(left, top + 1) * (1 - s) + at(left + 1, top + 1) * s) * t;
      height[cell] = 2 * COARSER * Math.sqrt(Math.max(0, mean));
    }
  return height;
}
