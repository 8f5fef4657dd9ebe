/** A kernel ends at so many standard deviations: less than 0.0005 of its weight lies beyond. */
const REACH = 3.5;

/**
 * A field softened by a Gaussian; it is 0 outside of its cells.
 * @param sigma standard deviation, in cells
 * @source W3C Filter Effects Module Level 1, 9.4 "feGaussianBlur": the exact convolution of which box blurs are an approximation
 */
export function gaussian(values: Float32Array, columns: number, rows: number, sigma: number): Float32Array {
  if (sigma < 0.05) return values;
  const reach = Math.ceil(REACH * sigma);
  const kernel = Float32Array.from({ length: 2 * reach + 1 }, (_, n) => Math.exp(-((n - reach) ** 2) / (2 * sigma * sigma)));
  const sum = kernel.reduce((total, weight) => total + weight, 0);
  for (let n = 0; n < kernel.length; n++) kernel[n] = (kernel[n] as number) / sum;
  // Along rows, then along columns a row at a time, as memory lies. Sums are kept in double precision until all of a kernel is in.
  const across = new Float32Array(values.length);
  for (let row = 0; row < rows; row++) {
    const base = row * columns;
    for (let at = 0; at < columns; at++) {
      const [first, last] =
        at >= reach && at + reach < columns ? [at - reach, at + reach] : [Math.max(0, at - reach), Math.min(columns - 1, at + reach)];
      let total = 0;
      for (let n = first, k = first - at + reach; n <= last; n++, k++) total += (kernel[k] as number) * (values[base + n] as number);
      across[base + at] = total;
    }
  }
  const out = new Float32Array(values.length);
  const line = new Float64Array(columns);
  for (let row = 0; row < rows; row++) {
    line.fill(0);
    const [first, last] = [Math.max(0, row - reach), Math.min(rows - 1, row + reach)];
    for (let n = first; n <= last; n++) {
      const weight = kernel[n - row + reach] as number;
      const base = n * columns;
      for (let at = 0; at < columns; at++) line[at] = (line[at] as number) + weight * (across[base + at] as number);
    }
    out.set(line, row * columns);
  }
  return out;
}
