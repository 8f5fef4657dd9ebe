/** Farther than any cell of any grid. */
const FAR = 1e12;

/** The lower envelope of parabolas over one row of squared distances, in place. @source the same paper, algorithm “DT(f)” */
function alongRow(values: Float64Array, length: number, out: Float64Array, feet: Int32Array, edges: Float64Array): void {
  let last = 0;
  feet[0] = 0;
  edges[0] = -FAR;
  edges[1] = FAR;
  for (let cell = 1; cell < length; cell++) {
    const own = (values[cell] as number) + cell * cell;
    let foot = feet[last] as number;
    let meet = (own - ((values[foot] as number) + foot * foot)) / (2 * (cell - foot));
    while (meet <= (edges[last] as number)) {
      foot = feet[--last] as number;
      meet = (own - ((values[foot] as number) + foot * foot)) / (2 * (cell - foot));
    }
    feet[++last] = cell;
    edges[last] = meet;
    edges[last + 1] = FAR;
  }
  for (let cell = 0, at = 0; cell < length; cell++) {
    while ((edges[at + 1] as number) < cell) at++;
    const foot = feet[at] as number;
    out[cell] = (cell - foot) * (cell - foot) + (values[foot] as number);
  }
}

/**
 * How far every cell is from the nearest cell that is not set, in cells; 0 where it is not set itself.
 * @source P. Felzenszwalb, D. Huttenlocher, "Distance transforms of sampled functions", Theory of Computing 8, 2012; exact between the middles of cells
 */
export function distanceInside(mask: Uint8Array, columns: number, rows: number): Float32Array {
  const most = Math.max(columns, rows);
  const [values, out, feet, edges] = [new Float64Array(most), new Float64Array(most), new Int32Array(most), new Float64Array(most + 1)];
  const squared = new Float64Array(columns * rows);
  for (let x = 0; x < columns; x++) {
    for (let y = 0; y < rows; y++) values[y] = mask[y * columns + x] ? FAR / 4 : 0;
    alongRow(values, rows, out, feet, edges);
    for (let y = 0; y < rows; y++) squared[y * columns + x] = out[y] as number;
  }
  const found = new Float32Array(columns * rows);
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < columns; x++) values[x] = squared[y * columns + x] as number;
    alongRow(values, columns, out, feet, edges);
    for (let x = 0; x < columns; x++) found[y * columns + x] = Math.sqrt(out[x] as number);
  }
  return found;
}

/** The cells that a disk of a radius reaches that stays inside: what is left after the thin places are taken away. @source mathematical morphology, "opening" */
export function opened(inside: Float32Array, columns: number, rows: number, radius: number): Uint8Array {
  const beyond = new Uint8Array(inside.length);
  for (let cell = 0; cell < inside.length; cell++) beyond[cell] = (inside[cell] as number) > radius ? 0 : 1;
  const away = distanceInside(beyond, columns, rows);
  const kept = new Uint8Array(inside.length);
  for (let cell = 0; cell < inside.length; cell++) kept[cell] = (inside[cell] as number) > 0 && (away[cell] as number) <= radius ? 1 : 0;
  return kept;
}
