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
  const along = (from: Float32Array, count: number, lines: number, step: number, apart: number): Float32Array => {
    const into = new Float32Array(from.length);
    for (let line = 0; line < lines; line++)
      for (let at = 0; at < count; at++) {
        let total = 0;
        const [first, last] = [Math.max(0, at - reach), Math.min(count - 1, at + reach)];
        for (let n = first; n <= last; n++) total += (kernel[n - at + reach] as number) * (from[line * apart + n * step] as number);
        into[line * apart + at * step] = total;
      }
    return into;
  };
  return along(along(values, columns, rows, 1, columns), rows, columns, columns, 1);
}
