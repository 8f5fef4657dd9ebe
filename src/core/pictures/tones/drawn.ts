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
  const whole = (sigma: number): ((index: number) => number) => {
    const [across, down] = [
      gaussian(new Float32Array(columns).fill(1), columns, 1, sigma),
      gaussian(new Float32Array(rows).fill(1), rows, 1, sigma),
    ];
    // A line is softened across itself as well, by the same at every place.
    const own = gaussian(new Float32Array([1]), 1, 1, sigma)[0] ?? 1;
    return (index) => ((across[index % columns] as number) * (down[Math.floor(index / columns)] as number)) / notNought(own);
  };
  const [fineWhole, wideWhole] = [whole(spread), whole(spread * WIDER)];
  return gray.map((_, index) => {
    const [near, far] = [(fine[index] as number) / fineWhole(index), (wide[index] as number) / wideWhole(index)];
    return Math.min(1, Math.max(0, (1 + SHARPNESS) * near - SHARPNESS * far));
  });
}
