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

/** A plane at full size from a coarser one: straight lines between the middles of its squares, first down, then across. */
function finer(small: Float32Array, columns: number, rows: number, by: number): Float32Array {
  const [wide, high] = [Math.ceil(columns / by), Math.ceil(rows / by)];
  const [left, right, share] = [new Int32Array(columns), new Int32Array(columns), new Float64Array(columns)];
  for (let x = 0; x < columns; x++) {
    const u = Math.min(wide - 1, Math.max(0, (x + 0.5) / by - 0.5));
    left[x] = Math.floor(u);
    right[x] = Math.min(wide - 1, Math.floor(u) + 1);
    share[x] = u - Math.floor(u);
  }
  const out = new Float32Array(columns * rows);
  const line = new Float64Array(wide);
  for (let y = 0; y < rows; y++) {
    const v = Math.min(high - 1, Math.max(0, (y + 0.5) / by - 0.5));
    const above = Math.floor(v);
    const down = v - above;
    const [upper, lower] = [above * wide, Math.min(high - 1, above + 1) * wide];
    for (let x = 0; x < wide; x++) line[x] = (small[upper + x] as number) * (1 - down) + (small[lower + x] as number) * down;
    const base = y * columns;
    for (let x = 0; x < columns; x++) {
      const along = share[x] as number;
      out[base + x] = (line[left[x] as number] as number) * (1 - along) + (line[right[x] as number] as number) * along;
    }
  }
  return out;
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
  const middle = finer(boxMean(small, wide, high, near), columns, rows, by);
  const deviation = finer(boxMean(squared(small), wide, high, near), columns, rows, by);
  for (let index = 0; index < deviation.length; index++)
    deviation[index] = Math.sqrt(Math.max(0, (deviation[index] as number) - (middle[index] as number) ** 2));
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
  const [mean, squares] = [boxMean(small, wide, high, near), boxMean(squared(small), wide, high, near)];
  const [slope, offset] = [new Float32Array(small.length), new Float32Array(small.length)];
  for (let index = 0; index < small.length; index++) {
    const here = mean[index] as number;
    const variance = Math.max(0, (squares[index] as number) - here * here);
    const a = variance / (variance + epsilon);
    slope[index] = a;
    offset[index] = here * (1 - a);
  }
  const whole = (of: Float32Array): Float32Array => {
    const even = boxMean(of, wide, high, near);
    return by === 1 ? even : finer(even, columns, rows, by);
  };
  const [a, b] = [whole(slope), whole(offset)];
  const out = new Float32Array(plane.length);
  for (let index = 0; index < out.length; index++) out[index] = (a[index] as number) * (plane[index] as number) + (b[index] as number);
  return out;
}

/** Every value times itself. */
export function squared(plane: Float32Array): Float32Array {
  const out = new Float32Array(plane.length);
  for (let index = 0; index < out.length; index++) out[index] = (plane[index] as number) ** 2;
  return out;
}
