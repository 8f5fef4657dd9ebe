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
  const [values, out, feet, edges] = [
    new Float64Array(columns),
    new Float64Array(columns),
    new Int32Array(columns),
    new Float64Array(columns + 1),
  ];
  const down = distanceDown(mask, columns, rows);
  const found = new Float32Array(columns * rows);
  for (let start = 0; start < found.length; start += columns) {
    let isEmpty = true;
    for (let x = 0; x < columns; x++) {
      const away = down[start + x] as number;
      values[x] = Math.min(FAR / 4, away * away);
      if (away !== 0) isEmpty = false;
    }
    if (isEmpty) continue;
    alongRow(values, columns, out, feet, edges);
    for (let x = 0; x < columns; x++) found[start + x] = Math.sqrt(out[x] as number);
  }
  return found;
}

/** How far every cell is from the nearest one in its column that is not set, in cells. */
function distanceDown(mask: Uint8Array, columns: number, rows: number): Float64Array {
  const away = new Float64Array(columns * rows);
  for (let at = 0; at < away.length; at++) if (mask[at]) away[at] = at < columns ? FAR : (away[at - columns] as number) + 1;
  for (let at = away.length - columns - 1; at >= 0; at--) away[at] = Math.min(away[at] as number, (away[at + columns] as number) + 1);
  return away;
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
