import { MOST_OWN_CELLS, ownTexture, type OwnTexture, type Problem, type Result } from '$core/index';

/** Largest picture that is read as a texture, in bytes. */
const LARGEST_BYTES = 60 * 1024 * 1024;

const refused = (code: string, message: string, fix: string): Result<never> => ({
  ok: false,
  problems: [{ code, message, fix } satisfies Problem],
});

/** Reads a picture as a texture: how light it is, as fine as a texture can be; what is clear counts as paper. Nothing leaves the browser. */
export async function readTexture(file: File): Promise<Result<OwnTexture>> {
  if (file.size > LARGEST_BYTES) return refused('texture-too-large', `${file.name} is larger than 60 MB.`, 'Bring a smaller copy in.');
  const picture = await createImageBitmap(file).catch(() => undefined);
  if (!picture)
    return refused(
      'not-a-picture',
      `${file.name} could not be read as a picture.`,
      'Bring in a PNG, JPEG, WebP or AVIF file that is whole.',
    );
  const scale = Math.min(1, MOST_OWN_CELLS / Math.max(picture.width, picture.height));
  const [columns, rows] = [picture.width, picture.height].map((side) => Math.max(1, Math.round(side * scale))) as [number, number];
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [columns, rows];
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return refused('no-canvas', 'This browser does not let pictures be read.', 'Try another browser.');
  context.fillStyle = '#fff';
  context.fillRect(0, 0, columns, rows);
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, columns, rows);
  picture.close();
  const { data } = context.getImageData(0, 0, columns, rows);
  // Luma of ITU-R BT.709: only the order of tones counts.
  const tones = Uint8Array.from({ length: columns * rows }, (_, at) =>
    Math.round(0.2126 * (data[at * 4] ?? 0) + 0.7152 * (data[at * 4 + 1] ?? 0) + 0.0722 * (data[at * 4 + 2] ?? 0)),
  );
  const made = ownTexture(file.name.replace(/\.[a-z0-9]{2,5}$/i, ''), columns, rows, tones);
  if (!made)
    return refused('one-tone', `${file.name} is of one tone: nothing of it would be seen.`, 'Choose a picture with light and dark places.');
  return { ok: true, value: made };
}
