import sharp, { type Sharp } from 'sharp';
import { packTones, photoTones } from '$core/index';
import { refuse } from '../http/problem-error';

/** Largest upload in bytes, and largest photo in pixels. */
export const LARGEST_PHOTO_BYTES = 120 * 1024 * 1024;
export const MOST_PIXELS = 120_000_000;
/** Photos are looked at in this size. */
export const PREVIEW_SIDE_PX = 1600;
/** Tones are read from a copy of this side. */
const TONE_SIDE_PX = 960;
const FORMATS: ReadonlySet<string> = new Set(['jpeg', 'png', 'webp', 'avif', 'heif', 'tiff', 'gif']);

/** What is told of a photo when it comes in. */
export interface PhotoFacts {
  readonly format: string;
  /** As it is seen, turned as its camera meant. */
  readonly widthPx: number;
  readonly heightPx: number;
  readonly bits: 8 | 16;
  /** Name of its color profile; nothing where it has none and counts as sRGB. */
  readonly profile?: string;
  /** What the designer should know: said once, when it comes in. */
  readonly notes: readonly string[];
  /** Of a page of a PDF: which one, of how many, and its size on paper. */
  readonly page?: { readonly number: number; readonly of: number; readonly widthMm: number; readonly heightMm: number };
}
/** A copy to look at, and how light and busy it is where. */
interface Looks {
  readonly preview: Uint8Array;
  readonly toneColumns: number;
  readonly toneRows: number;
  readonly tones: Uint8Array;
}
export interface TakenPhoto extends Looks {
  readonly facts: PhotoFacts;
}

/** The smaller copy of a photo, and its tones. */
export async function looksOf(picture: Sharp): Promise<Looks> {
  const preview = await picture
    .resize({ width: PREVIEW_SIDE_PX, height: PREVIEW_SIDE_PX, fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .webp({ quality: 82 })
    .toBuffer();
  const small = await sharp(preview)
    .resize({ width: TONE_SIDE_PX, height: TONE_SIDE_PX, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb')
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { columns, rows, bytes } = packTones(photoTones(small.data, small.info.width, small.info.height));
  return { preview, toneColumns: columns, toneRows: rows, tones: bytes };
}

/** The name of an ICC profile, from its description tag. @source ICC.1:2022, 9.2.41 "profileDescriptionTag" and 10.13, 10.24 */
export function profileName(profile: Uint8Array | undefined): string | undefined {
  if (!profile || profile.length < 132) return undefined;
  const view = new DataView(profile.buffer, profile.byteOffset, profile.byteLength);
  const latin = (from: number, length: number) => Buffer.from(profile.subarray(from, from + length)).toString('latin1');
  const tags = Math.min(100, view.getUint32(128));
  for (let tag = 0; tag < tags && 144 + tag * 12 <= profile.length; tag++) {
    if (latin(132 + tag * 12, 4) !== 'desc') continue;
    const at = view.getUint32(136 + tag * 12);
    if (at + 28 > profile.length) return undefined;
    if (latin(at, 4) === 'desc')
      return (
        latin(at + 12, Math.min(80, view.getUint32(at + 8)))
          .replace(/\0.*$/s, '')
          .trim() || undefined
      );
    if (latin(at, 4) !== 'mluc') return undefined;
    const [length, offset] = [view.getUint32(at + 20), view.getUint32(at + 24)];
    // Whole letters of 16 bits only: what is written after a cut name is not guessed at.
    const whole = Math.min(160, length, Math.max(0, profile.length - at - offset)) & ~1;
    return (
      Buffer.from(profile.subarray(at + offset, at + offset + whole))
        .swap16()
        .toString('utf16le')
        .trim() || undefined
    );
  }
  return undefined;
}

/** Whether a photo is refused although it can be read. */
export const sizeRefusal = (name: string, width: number, height: number) =>
  width * height > MOST_PIXELS
    ? refuse(
        422,
        'photo-too-large',
        `${name} has ${Math.round((width * height) / 1e6)} million pixels; the limit is ${MOST_PIXELS / 1e6} million.`,
        'Send a smaller copy.',
      )
    : undefined;

/** Reads a photo by its contents: what it is, a copy to look at, and its tones. The photo itself is kept as it came. */
export async function takenPhoto(bytes: Uint8Array, name: string): Promise<TakenPhoto> {
  const read = async (): Promise<TakenPhoto> => {
    const about = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (!about.format || !FORMATS.has(about.format)) throw new Error('unknown format');
    const turned = (about.orientation ?? 1) >= 5;
    const [widthPx, heightPx] = turned ? [about.height, about.width] : [about.width, about.height];
    const tooLarge = sizeRefusal(name, widthPx, heightPx);
    if (tooLarge) throw tooLarge;
    const whole = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', sequentialRead: true }).rotate();
    const bits = about.depth === 'ushort' || about.depth === 'float' ? 16 : 8;
    const profile = profileName(about.icc);
    const notes = [
      ...((about.pages ?? 1) > 1 ? [`It holds ${about.pages} pictures; the first is used.`] : []),
      ...(about.space === 'cmyk' ? ['It is in process inks (CMYK) and is shown in sRGB.'] : []),
      ...(about.depth === 'float' ? ['It holds more light than a screen shows; what is brighter than white becomes white.'] : []),
      ...(about.hasAlpha ? ['Some of it is transparent: as JPEG that becomes white.'] : []),
    ];
    return {
      facts: { format: about.format, widthPx, heightPx, bits, ...(profile ? { profile } : {}), notes },
      ...(await looksOf(whole)),
    };
  };
  return read().catch((error: unknown) => {
    if (error instanceof Error && 'problems' in error) throw error;
    throw refuse(
      422,
      'not-a-photo',
      `${name} could not be read to its end as a JPEG, PNG, WebP, AVIF, TIFF or GIF picture, or as a PDF.`,
      'Check that the file opens elsewhere and is whole, or save it again as JPEG.',
    );
  });
}
