import sharp from 'sharp';
import { MOST_PIXELS, takenPicture, type TakenPicture } from './taken-picture';

/** Blurred pictures need no more pixels than this along their longer side: nothing finer is left in them. */
const LONGEST_PX = 2400;

/**
 * A stored picture blurred, as a ground that words are read on. The same picture and blur give the same file.
 * @param percent the blur's standard deviation, in percent of the picture's longer side
 * @source Gaussian blur (sharp on libvips)
 */
export async function softenedPicture(bytes: Uint8Array, name: string, percent: number): Promise<TakenPicture> {
  const { width, height } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata();
  const longest = Math.min(LONGEST_PX, Math.max(width, height));
  const png = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
    .toColourspace('srgb')
    .resize({ width: longest, height: longest, fit: 'inside', withoutEnlargement: true })
    .blur(Math.max(0.3, (longest * percent) / 100))
    .png({ compressionLevel: 3 })
    .toBuffer();
  return takenPicture(png, name, 'mark');
}
