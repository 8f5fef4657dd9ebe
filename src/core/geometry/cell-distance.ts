/** Farther than any cell of any grid. */
const FAR = 1e12;

/**
 * The lower envelope of parabolas over cells `from` to `to` of a row of squared distances; `out` gets their distances.
 * @source the same paper, algorithm “DT(f)”
 */
function alongRow(
  values: Float64Array,
  from: number,
  to: number,
  out: Float32Array,
  start: number,
  feet: Int32Array,
  edges: Float64Array,
): void {
  let last = 0;
  feet[0] = from;
  edges[0] = -FAR;
  edges[1] = FAR;
  for (let cell = from + 1; cell < to; cell++) {
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
  for (let cell = from, at = 0; cell < to; cell++) {
    while ((edges[at + 1] as number) < cell) at++;
    const foot = feet[at] as number;
    out[start + cell] = Math.sqrt((cell - foot) * (cell - foot) + (values[foot] as number));
  }
}

/**
 * How far every cell is from the nearest cell that is not set, in cells; 0 where it is not set itself. What is set side by side in a row is
 * looked at with the cells right beside it alone: whatever lies beyond those is farther than they are.
 * @source P. Felzenszwalb, D. Huttenlocher, "Distance transforms of sampled functions", Theory of Computing 8, 2012; exact between the middles of cells
 */
export function distanceInside(mask: Uint8Array, columns: number, rows: number): Float32Array {
  const [values, feet, edges] = [new Float64Array(columns), new Int32Array(columns), new Float64Array(columns + 1)];
  const down = distanceDown(mask, columns, rows);
  const found = new Float32Array(columns * rows);
  for (let start = 0; start < found.length; start += columns)
    for (let x = 0; x < columns; x++) {
      if (!mask[start + x]) continue;
      const from = x;
      for (; x < columns && mask[start + x]; x++) {
        const away = down[start + x] as number;
        values[x] = Math.min(FAR / 4, away * away);
      }
      if (from > 0) values[from - 1] = 0;
      if (x < columns) values[x] = 0;
      alongRow(values, Math.max(0, from - 1), Math.min(columns, x + 1), found, start, feet, edges);
    }
  return found;
}

/** Cells farther down than any grid is high. */
const NO_ROW = 1 << 29;

/** How far every cell is from the nearest one in its column that is not set, in cells. */
function distanceDown(mask: Uint8Array, columns: number, rows: number): Int32Array {
  const away = new Int32Array(columns * rows);
  for (let at = 0; at < away.length; at++)
    if (mask[at]) away[at] = at < columns ? NO_ROW : Math.min(NO_ROW, (away[at - columns] as number) + 1);
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

/**
 * The same as `opened` for a radius of a few cells: what the disk takes away around whatever is not set, and what it gives back around what is
 * left, both as cells side by side.
 * @param mask cells that are set
 */
export function openedBySmall(mask: Uint8Array, columns: number, rows: number, radius: number): Uint8Array {
  const left = Uint8Array.from(mask);
  spread(mask, 0, left, columns, rows, radius);
  const kept = new Uint8Array(mask.length);
  spread(left, 1, kept, columns, rows, radius);
  return kept;
}

/** Gives the value of all cells that have it in `from` to whatever in `to` a disk around them reaches. */
function spread(from: Uint8Array, value: 0 | 1, to: Uint8Array, columns: number, rows: number, radius: number): void {
  const reach = Math.floor(radius);
  /** How far the disk reaches along each of its rows. */
  const spans = Array.from({ length: 2 * reach + 1 }, (_, down) => Math.floor(Math.sqrt(radius * radius - (down - reach) ** 2)));
  for (let y = 0; y < rows; y++) {
    const start = y * columns;
    for (let x = 0; x < columns; x++) {
      if (from[start + x] !== value) continue;
      const begun = x;
      while (x < columns && from[start + x] === value) x++;
      for (let row = Math.max(0, y - reach); row <= Math.min(rows - 1, y + reach); row++) {
        const span = spans[row - y + reach] as number;
        to.fill(value, row * columns + Math.max(0, begun - span), row * columns + Math.min(columns, x + span));
      }
    }
  }
}
