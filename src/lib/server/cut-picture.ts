import sharp from 'sharp';
import { cutOut, matteOf, partingOf, studyOf, subjectOf, type Stroke } from '$core/pictures';
import { refuse } from './http/problem-error';
import { MOST_PIXELS, takenPicture, type TakenPicture } from './taken-picture';

/**
 * A stored picture without its ground, at its full size. The same strokes on the same picture cut it in the same way.
 * @throws a refusal where nothing stands out and nothing was brushed
 */
export async function cutPicture(bytes: Uint8Array, name: string, strokes: readonly Stroke[]): Promise<TakenPicture> {
  const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
    .toColourspace('srgb')
    .ensureAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true });
  const pixels = { columns: info.width, rows: info.height, rgba: data };
  const study = studyOf(pixels);
  const subject = subjectOf(partingOf(study), strokes);
  if (subject.nothing)
    throw refuse(
      422,
      'all-ground',
      `Nothing in ${name} stands out from its ground.`,
      'Brush over what is to be kept, then take the ground out.',
    );
  cutOut(pixels, matteOf(pixels, subject, strokes));
  const png = await sharp(data, { raw: { width: info.width, height: info.height, channels: 4 } })
    .png({ compressionLevel: 3 })
    .toBuffer();
  return takenPicture(png, name, 'mark');
}
