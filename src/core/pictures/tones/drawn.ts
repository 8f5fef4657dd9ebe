import { notNought } from '../../numeric/tolerances';
import { gaussian } from '../../fields';

/** Spread of the finer softening, in pixels of a picture of 500, how much wider the other is, and how strongly their difference counts. */
const [SPREAD, WIDER, SHARPNESS] = [1, 1.6, 14];
const PER_SIDE = 500;

/**
 * A picture as a pen would draw it: dark where it is dark, and along edges; light beside them.
 * @returns values to be cut at a threshold; about those of the picture where it is even
 * @source H. Winnemöller, J. Kyprianidis, S. Olsen, "XDoG", Computers & Graphics 36, 2012
 */
export function penDrawn(gray: Float32Array, columns: number, rows: number): Float32Array {
  const spread = (SPREAD * Math.max(columns, rows)) / PER_SIDE;
  const fine = gaussian(gray, columns, rows, spread);
  const wide = gaussian(gray, columns, rows, spread * WIDER);
  // The softening counts nothing beyond the frame: made good by what it makes of a plain white picture, which falls into rows and columns.
  const whole = (length: number, sigma: number): Float32Array => {
    const white = gaussian(new Float32Array(length).fill(1), length, 1, sigma);
    // A line is softened across itself as well, by the same at every place: a point has that twice.
    const own = notNought(Math.sqrt(gaussian(new Float32Array([1]), 1, 1, sigma)[0] ?? 1));
    return white.map((value) => value / own);
  };
  const [nearAcross, nearDown] = [whole(columns, spread), whole(rows, spread)];
  const [farAcross, farDown] = [whole(columns, spread * WIDER), whole(rows, spread * WIDER)];
  const out = new Float32Array(gray.length);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const at = y * columns + x;
      const near = (fine[at] as number) / ((nearAcross[x] as number) * (nearDown[y] as number));
      const far = (wide[at] as number) / ((farAcross[x] as number) * (farDown[y] as number));
      out[at] = Math.min(1, Math.max(0, (1 + SHARPNESS) * near - SHARPNESS * far));
    }
  return out;
}
