/**
 * The mean of the square around every value, from sums that run along: the same time for every reach. Beyond the edge there is nothing: only
 * what lies within counts.
 */
export function boxMean(values: Float32Array, columns: number, rows: number, reach: number): Float32Array {
  const shares = (count: number): Float32Array =>
    Float32Array.from({ length: count }, (_, at) => 1 / (Math.min(count - 1, at + reach) - Math.max(0, at - reach) + 1));
  const [byColumn, byRow] = [shares(columns), shares(rows)];
  const across = new Float32Array(values.length);
  for (let y = 0; y < rows; y++) {
    const base = y * columns;
    let sum = 0;
    for (let x = 0; x < Math.min(reach, columns); x++) sum += values[base + x] as number;
    for (let x = 0; x < columns; x++) {
      if (x + reach < columns) sum += values[base + x + reach] as number;
      if (x > reach) sum -= values[base + x - reach - 1] as number;
      across[base + x] = sum * (byColumn[x] as number);
    }
  }
  const out = new Float32Array(values.length);
  const sums = new Float64Array(columns);
  const add = (row: number, sign: number): void => {
    const base = row * columns;
    for (let x = 0; x < columns; x++) sums[x] = (sums[x] as number) + sign * (across[base + x] as number);
  };
  for (let y = 0; y < Math.min(reach, rows); y++) add(y, 1);
  for (let y = 0; y < rows; y++) {
    if (y + reach < rows) add(y + reach, 1);
    if (y > reach) add(y - reach - 1, -1);
    const share = byRow[y] as number;
    const base = y * columns;
    for (let x = 0; x < columns; x++) out[base + x] = (sums[x] as number) * share;
  }
  return out;
}

/** A plane at a part of its size: the mean of every square of so many pixels. */
function coarser(plane: Float32Array, columns: number, rows: number, by: number): Float32Array {
  const [wide, high] = [Math.ceil(columns / by), Math.ceil(rows / by)];
  const out = new Float32Array(wide * high);
  for (let y = 0; y < high; y++)
    for (let x = 0; x < wide; x++) {
      let [sum, count] = [0, 0];
      for (let py = y * by; py < Math.min(rows, (y + 1) * by); py++)
        for (let px = x * by; px < Math.min(columns, (x + 1) * by); px++, count++) sum += plane[py * columns + px] as number;
      out[y * wide + x] = sum / count;
    }
  return out;
}

/** Every place between the values of a coarser plane. */
function forEachFiner(
  columns: number,
  rows: number,
  by: number,
  visit: (index: number, first: number, right: number, below: number, fx: number, fy: number) => void,
): void {
  const [wide, high] = [Math.ceil(columns / by), Math.ceil(rows / by)];
  for (let y = 0; y < rows; y++) {
    const v = Math.min(high - 1, Math.max(0, (y + 0.5) / by - 0.5));
    const [y0, fy] = [Math.floor(v), v - Math.floor(v)];
    const below = y0 + 1 < high ? wide : 0;
    for (let x = 0; x < columns; x++) {
      const u = Math.min(wide - 1, Math.max(0, (x + 0.5) / by - 0.5));
      const x0 = Math.floor(u);
      visit(y * columns + x, y0 * wide + x0, x0 + 1 < wide ? 1 : 0, below, u - x0, fy);
    }
  }
}

/** Mean and deviation of the square around every value, worked out at a part of the size. */
export function surroundings(
  plane: Float32Array,
  columns: number,
  rows: number,
  reach: number,
  by: number,
): readonly [Float32Array, Float32Array] {
  const small = coarser(plane, columns, rows, by);
  const [wide, high] = [Math.ceil(columns / by), Math.ceil(rows / by)];
  const near = Math.max(1, Math.round(reach / by));
  const [mean, squares] = [boxMean(small, wide, high, near), boxMean(squared(small), wide, high, near)];
  const [middle, deviation] = [new Float32Array(plane.length), new Float32Array(plane.length)];
  forEachFiner(columns, rows, by, (index, first, right, below, fx, fy) => {
    const at = (values: Float32Array): number =>
      ((values[first] as number) * (1 - fx) + (values[first + right] as number) * fx) * (1 - fy) +
      ((values[first + below] as number) * (1 - fx) + (values[first + below + right] as number) * fx) * fy;
    const here = at(mean);
    middle[index] = here;
    deviation[index] = Math.sqrt(Math.max(0, at(squares) - here * here));
  });
  return [middle, deviation];
}

/**
 * Smooths a plane and keeps its edges: what varies less than `epsilon` around a pixel becomes its mean, what varies more stays. Its straight
 * lines are worked out at half the size where the reach allows.
 * @param reach of the squares, in pixels; @param epsilon variance, in squared units of the plane
 * @source K. He, J. Sun, X. Tang, "Guided image filtering", ECCV 2010, with the plane as its own guide; K. He, J. Sun, "Fast guided filter", 2015
 */
export function smoothed(plane: Float32Array, columns: number, rows: number, reach: number, epsilon: number): Float32Array {
  const by = reach >= 4 ? 2 : 1;
  const small = by === 1 ? plane : coarser(plane, columns, rows, by);
  const [wide, high, near] = [Math.ceil(columns / by), Math.ceil(rows / by), Math.round(reach / by)];
  const mean = boxMean(small, wide, high, near);
  const squares = boxMean(squared(small), wide, high, near);
  const [slope, offset] = [new Float32Array(small.length), new Float32Array(small.length)];
  for (let index = 0; index < small.length; index++) {
    const here = mean[index] as number;
    const variance = Math.max(0, (squares[index] as number) - here * here);
    const a = variance / (variance + epsilon);
    slope[index] = a;
    offset[index] = here * (1 - a);
  }
  const [a, b] = [boxMean(slope, wide, high, near), boxMean(offset, wide, high, near)];
  const out = new Float32Array(plane.length);
  if (by === 1)
    for (let index = 0; index < out.length; index++) out[index] = (a[index] as number) * (plane[index] as number) + (b[index] as number);
  else
    forEachFiner(columns, rows, by, (index, first, right, below, fx, fy) => {
      const at = (values: Float32Array): number =>
        ((values[first] as number) * (1 - fx) + (values[first + right] as number) * fx) * (1 - fy) +
        ((values[first + below] as number) * (1 - fx) + (values[first + below + right] as number) * fx) * fy;
      out[index] = at(a) * (plane[index] as number) + at(b);
    });
  return out;
}

/** Every value times itself. */
export function squared(plane: Float32Array): Float32Array {
  const out = new Float32Array(plane.length);
  for (let index = 0; index < out.length; index++) out[index] = (plane[index] as number) ** 2;
  return out;
}
