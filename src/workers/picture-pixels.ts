import type { Pixels } from '$core/pictures';

/** Why a picture could not be worked on. */
export class NoPicture extends Error {}

/**
 * The pixels of a stored picture, not multiplied by their alpha.
 * @param side its longer side where a small copy does, in pixels
 * @throws NoPicture where it cannot be had
 */
export async function pixelsAt(address: string, side?: number): Promise<Pixels & { readonly rgba: Uint8ClampedArray<ArrayBuffer> }> {
  const answer = await fetch(address).catch(() => undefined);
  if (!answer) throw new NoPicture('The server cannot be reached. Open this again when it returns.');
  if (answer.status >= 500) throw new NoPicture('The server has too much to do to send this picture. Open this again in a moment.');
  if (!answer.ok) throw new NoPicture('The server does not have this picture any more.');
  const bitmap = await createImageBitmap(await answer.blob(), { premultiplyAlpha: 'none' });
  const by = side === undefined ? 1 : Math.min(1, side / Math.max(bitmap.width, bitmap.height));
  const [columns, rows] = [bitmap.width, bitmap.height].map((each) => Math.max(1, Math.round(each * by))) as [number, number];
  const canvas = new OffscreenCanvas(columns, rows);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new NoPicture('This browser cannot read the picture’s pixels.');
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, columns, rows);
  const { data } = context.getImageData(0, 0, columns, rows);
  bitmap.close();
  return { columns, rows, rgba: data };
}

/** So large are pictures looked at where it is asked what lies behind words. */
const SMALL_SIDE = 320;
const MOST_KEPT = 24;

/** Small copies of pictures, kept by their digests. */
export class SmallPictures {
  readonly #kept = new Map<string, Pixels>();

  /** Fetches those that are not kept yet; one that cannot be had is left out. @param base stands before the digest in their addresses */
  async fetch(base: string, wanted: readonly string[]): Promise<void> {
    for (const sha256 of wanted) {
      if (this.#kept.has(sha256)) continue;
      const pixels = await pixelsAt(base + sha256, SMALL_SIDE).catch(() => undefined);
      if (!pixels) continue;
      this.#kept.set(sha256, pixels);
      const [oldest] = this.#kept.keys();
      if (this.#kept.size > MOST_KEPT && oldest !== undefined) this.#kept.delete(oldest);
    }
  }
  readonly of = (sha256: string): Pixels | undefined => this.#kept.get(sha256);
}
