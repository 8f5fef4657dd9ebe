/**
 * The mean of the square around every value, from sums that run along: the same time for every reach. Beyond the edge there is nothing: only
 * what lies within counts.
 */
export function boxMean(values: Float32Array, columns: number, rows: number, reach: number): Float32Array {
  const across = new Float32Array(values.length);
  for (let y = 0; y < rows; y++) {
    const base = y * columns;
    let sum = 0;
    for (let x = 0; x < Math.min(reach, columns); x++) sum += values[base + x] as number;
    for (let x = 0; x < columns; x++) {
      if (x + reach < columns) sum += values[base + x + reach] as number;
      if (x - reach - 1 >= 0) sum -= values[base + x - reach - 1] as number;
      across[base + x] = sum / (Math.min(columns - 1, x + reach) - Math.max(0, x - reach) + 1);
    }
  }
  const out = new Float32Array(values.length);
  const sums = new Float64Array(columns);
  for (let y = 0; y < Math.min(reach, rows); y++)
    for (let x = 0; x < columns; x++) sums[x] = (sums[x] as number) + (across[y * columns + x] as number);
  for (let y = 0; y < rows; y++) {
    const [into, outOf] = [y + reach < rows ? (y + reach) * columns : -1, y - reach - 1 >= 0 ? (y - reach - 1) * columns : -1];
    const count = Math.min(rows - 1, y + reach) - Math.max(0, y - reach) + 1;
    for (let x = 0; x < columns; x++) {
      let sum = sums[x] as number;
      if (into >= 0) sum += across[into + x] as number;
      if (outOf >= 0) sum -= across[outOf + x] as number;
      sums[x] = sum;
      out[y * columns + x] = sum / count;
    }
  }
  return out;
}

/**
 * Smooths a plane and keeps its edges: what varies less than `epsilon` around a pixel becomes its mean, what varies more stays.
 * @param reach of the squares, in pixels; @param epsilon variance, in squared units of the plane
 * @source K. He, J. Sun, X. Tang, "Guided image filtering", ECCV 2010, with the plane as its own guide
 */
export function smoothed(plane: Float32Array, columns: number, rows: number, reach: number, epsilon: number): Float32Array {
  const mean = boxMean(plane, columns, rows, reach);
  const squares = boxMean(
    plane.map((value) => value * value),
    columns,
    rows,
    reach,
  );
  const [slope, offset] = [new Float32Array(plane.length), new Float32Array(plane.length)];
  for (let index = 0; index < plane.length; index++) {
    const here = mean[index] as number;
    const variance = Math.max(0, (squares[index] as number) - here * here);
    const a = variance / (variance + epsilon);
    slope[index] = a;
    offset[index] = here * (1 - a);
  }
  const [a, b] = [boxMean(slope, columns, rows, reach), boxMean(offset, columns, rows, reach)];
  return plane.map((value, index) => (a[index] as number) * value + (b[index] as number));
}
