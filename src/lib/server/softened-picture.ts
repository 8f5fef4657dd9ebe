import sharp from 'sharp';
import { MOST_PIXELS, takenPicture, type TakenPicture } from './taken-picture';

/** Pictures are kept at most so large along their longer side: nothing finer is left in them. */
const LONGEST_PX = 2400;
/** The blur is made at a size at which its deviation is at most so many pixels: larger ones take minutes and look the same. */
const MOST_SIGMA_PX = 12;

/**
 * A stored picture blurred, as a ground that words are read on. The same picture and blur give the same file.
 * @param percent the blur's standard deviation, in percent of the picture's longer side
 * @source Gaussian blur (sharp on libvips)
 */
export async function softenedPicture(bytes: Uint8Array, name: string, percent: number): Promise<TakenPicture> {
  const { width, height } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata();
  const longest = Math.min(LONGEST_PX, Math.max(width, height));
  const small = Math.min(longest, Math.round((100 * MOST_SIGMA_PX) / percent));
  const within = (side: number) => ({ width: side, height: side, fit: 'inside' as const });
  const blurred = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
    .toColourspace('srgb')
    .resize({ ...within(small), withoutEnlargement: true })
    // Unless told otherwise, the bell is cut off where a fifth of its height is left.
    .blur({ sigma: Math.max(0.3, (small * percent) / 100), minAmplitude: 0.01, precision: 'float' })
    .png({ compressionLevel: 1 })
    .toBuffer();
  const png = await sharp(blurred)
    .resize({ ...within(longest), kernel: 'cubic' })
    .png({ compressionLevel: 3 })
    .toBuffer();
  return takenPicture(png, name, 'mark');
}
