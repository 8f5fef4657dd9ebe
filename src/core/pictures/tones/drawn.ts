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
  // The softening counts nothing beyond the frame: made good by what it makes of a plain white picture.
  const white = new Float32Array(gray.length).fill(1);
  const [fineWhole, wideWhole] = [gaussian(white, columns, rows, spread), gaussian(white, columns, rows, spread * WIDER)];
  return gray.map((_, index) => {
    const [near, far] = [(fine[index] as number) / (fineWhole[index] as number), (wide[index] as number) / (wideWhole[index] as number)];
    return Math.min(1, Math.max(0, (1 + SHARPNESS) * near - SHARPNESS * far));
  });
}
