import { contours } from 'd3';
import sharp from 'sharp';
import { pictureColors, thinnedRing, type PictureColor } from '$core/index';
import { refuse } from './http/problem-error';

/** Largest upload in bytes, and largest picture in pixels. */
export const LARGEST_PICTURE_BYTES = 60 * 1024 * 1024;
export const MOST_PIXELS = 120_000_000;
/** What a picture is for: boards are for looking at, marks for printing. */
export const PICTURE_USES = ['board', 'mark'] as const;
export type PictureUse = (typeof PICTURE_USES)[number];
/** Pictures are kept at most this wide or high; 5400 px is 18 inches at 300 to the inch, the usual shirt print (common practice). */
const KEPT_SIDE_PX: Readonly<Record<PictureUse, number>> = { board: 2000, mark: 5400 };
/** Formats that keep every pixel exactly; in marks these stay exact. */
const EXACT = new Set(['png', 'gif', 'tiff']);
/** Exact pictures of more pixels are kept as PNG: packing them as WebP takes ten times their size in memory. */
const MOST_EXACT_WEBP_PIXELS = 6_000_000;
/** Colors are read from a picture of this side. */
const SAMPLE_SIDE_PX = 72;
const FORMATS = new Set(['jpeg', 'png', 'webp', 'avif', 'gif', 'tiff']);

/** A picture as it is kept. */
export interface TakenPicture {
  /** WebP; large exact ones PNG. */
  readonly bytes: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly colors: readonly PictureColor[];
  /** Where it is not clear, as an outline in a square of 1 × 1; nothing of opaque pictures. */
  readonly outline?: string;
}

/** The outline of what is not clear is traced at this size, and above this share of opacity: nothing that is seen is cut off. */
const TRACED_SIDE_PX = 240;
const SEEN = 0.02;
/** Corners nearer than this to the line between their neighbors are left out, in traced pixels. */
const SMOOTH_PX = 0.35;

/**
 * The outline of what is not clear in a picture, as path data in a square of 1 × 1.
 * @source marching squares on the alpha channel (d3-contour)
 */
async function outlineOfAlpha(bytes: Uint8Array): Promise<string | undefined> {
  const { hasAlpha } = await sharp(bytes).metadata();
  if (!hasAlpha || (await sharp(bytes).stats()).isOpaque) return undefined;
  const { data, info } = await sharp(bytes)
    .resize({ width: TRACED_SIDE_PX, height: TRACED_SIDE_PX, fit: 'inside', withoutEnlargement: true })
    .extractChannel('alpha')
    .raw()
    .toBuffer({ resolveWithObject: true });
  // A clear edge all around closes every contour.
  const [wide, high] = [info.width + 2, info.height + 2];
  const values = new Array<number>(wide * high).fill(0);
  for (let y = 0; y < info.height; y++)
    for (let x = 0; x < info.width; x++) values[(y + 1) * wide + x + 1] = (data[(y * info.width + x) * info.channels] ?? 0) / 255;
  const [found] = contours().size([wide, high]).thresholds([SEEN])(values);
  const rings = (found?.coordinates ?? []).flat();
  const written = (value: number) => String(Math.round(Math.min(1, Math.max(0, value)) * 1e5) / 1e5);
  const drawn = rings
    .map((ring) =>
      thinnedRing(
        ring.slice(0, -1).map(([x = 0, y = 0]) => ({ x, y })),
        SMOOTH_PX,
      ),
    )
    .filter((ring) => ring.length > 2)
    .map((ring) => {
      const points = ring.map(({ x, y }) => `${written((x - 1) / info.width)} ${written((y - 1) / info.height)}`);
      return `M${points.join('L')}Z`;
    })
    .join('');
  return drawn === '' || drawn.length > 70_000 ? undefined : drawn;
}

/** Reads a picture by its contents, turned upright as its camera meant, metadata dropped, as WebP (or PNG). */
export async function takenPicture(bytes: Uint8Array, name: string, use: PictureUse): Promise<TakenPicture> {
  const kept = await (async () => {
    // The size is read without a limit, so that it can be named.
    const { format, width, height } = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (!format || !FORMATS.has(format)) throw new Error('unknown format');
    if (width * height > MOST_PIXELS)
      throw refuse(
        422,
        'picture-too-large',
        `${name} has ${Math.round((width * height) / 1e6)} million pixels; the limit is ${MOST_PIXELS / 1e6} million.`,
        'Send a smaller copy.',
      );
    const fitted = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', sequentialRead: true })
      .rotate()
      .resize({ width: KEPT_SIDE_PX[use], height: KEPT_SIDE_PX[use], fit: 'inside', withoutEnlargement: true });
    const exact = use === 'mark' && EXACT.has(format);
    const shrunk = Math.min(1, KEPT_SIDE_PX[use] / Math.max(width, height)) ** 2;
    const packed =
      exact && width * height * shrunk > MOST_EXACT_WEBP_PIXELS
        ? fitted.png({ compressionLevel: 3 })
        : fitted.webp(use === 'mark' ? (exact ? { lossless: true, effort: 1 } : { quality: 92 }) : { quality: 86 });
    return packed.toBuffer({ resolveWithObject: true });
  })().catch((error: unknown) => {
    if (error instanceof Error && 'problems' in error) throw error;
    throw refuse(
      422,
      'not-a-picture',
      `${name} could not be read as a JPEG, PNG, WebP, AVIF, GIF or TIFF picture.`,
      'Check that the file opens elsewhere, or save it again as JPEG or PNG.',
    );
  });
  const sample = await sharp(kept.data)
    .resize({ width: SAMPLE_SIDE_PX, height: SAMPLE_SIDE_PX, fit: 'inside' })
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb')
    .removeAlpha()
    .raw()
    .toBuffer();
  const outline = await outlineOfAlpha(kept.data);
  const size = { widthPx: kept.info.width, heightPx: kept.info.height };
  return { bytes: kept.data, ...size, colors: pictureColors(sample), ...(outline ? { outline } : {}) };
}

/** @source W3C PNG (Third Edition), 5.2 "PNG signature" */
export const isPng = (file: Uint8Array): boolean => file[0] === 0x89 && file[1] === 0x50 && file[2] === 0x4e && file[3] === 0x47;
