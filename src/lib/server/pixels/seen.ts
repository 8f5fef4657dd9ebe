import { createCanvas, loadImage, type Canvas, type Image } from '@napi-rs/canvas';
import decodeIco from 'decode-ico';
import sharp from 'sharp';
import UTIF from 'utif2';
import { pixelsOf, type Pixels } from './pixels';

/** A file of pixels as a reader that did not write it sees it. */
export interface SeenPixels {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Smaller, for comparing as a whole. */
  readonly small: Pixels;
  /** The outermost rows and columns as they are: RGBA, one after the other. */
  readonly rim: Uint8ClampedArray;
  /** What should not be there, in words. */
  readonly strange: readonly string[];
  /** Sides of the pictures of an icon. */
  readonly sides?: readonly number[];
  /** Pixels per inch that the file says of itself. */
  readonly dotsPerInch?: number;
}

/** Compared at this size, longer side in px: small enough to be quick, large enough that a part that is missing shows. */
const LOOKED_AT_PX = 360;

export const smallSize = (widthPx: number, heightPx: number) => {
  const scale = Math.min(1, LOOKED_AT_PX / Math.max(widthPx, heightPx));
  return { widthPx: Math.max(1, Math.round(widthPx * scale)), heightPx: Math.max(1, Math.round(heightPx * scale)) };
};

/** A picture smaller, by halves, so that every pixel counts. */
export function smaller(source: Canvas | Image, widthPx: number, heightPx: number): Pixels {
  let from: Canvas | Image = source;
  while (from.width >= widthPx * 2 && from.height >= heightPx * 2) {
    const half = createCanvas(Math.max(widthPx, Math.ceil(from.width / 2)), Math.max(heightPx, Math.ceil(from.height / 2)));
    const context = half.getContext('2d');
    // At half its size a pixel lies between four, and the quickest way counts all of them.
    context.imageSmoothingQuality = 'low';
    context.drawImage(from, 0, 0, half.width, half.height);
    from = half;
  }
  const small = createCanvas(widthPx, heightPx);
  const context = small.getContext('2d');
  context.imageSmoothingQuality = 'high';
  context.drawImage(from, 0, 0, widthPx, heightPx);
  return pixelsOf(small);
}

/** The outermost rows and columns of a picture. */
function rimOf(source: Canvas | Image): Uint8ClampedArray {
  const { width, height } = source;
  const strip = (x: number, y: number, wide: number, high: number) => {
    const context = createCanvas(wide, high).getContext('2d');
    context.drawImage(source, -x, -y);
    return context.getImageData(0, 0, wide, high).data;
  };
  const strips = [strip(0, 0, width, 1), strip(0, height - 1, width, 1), strip(0, 0, 1, height), strip(width - 1, 0, 1, height)];
  const rim = new Uint8ClampedArray(strips.reduce((sum, data) => sum + data.length, 0));
  let at = 0;
  for (const data of strips) {
    rim.set(data, at);
    at += data.length;
  }
  return rim;
}

/** A large picture is brought down to this first, in one step that counts every pixel. */
const FIRST_STEP = 3;

function seenPicture(source: Canvas | Image, more: Partial<SeenPixels> = {}): SeenPixels {
  const small = smallSize(source.width, source.height);
  let near: Canvas | Image = source;
  if (source.width > small.widthPx * FIRST_STEP * 1.5) {
    near = createCanvas(small.widthPx * FIRST_STEP, small.heightPx * FIRST_STEP);
    const context = near.getContext('2d');
    context.imageSmoothingQuality = 'medium';
    context.drawImage(source, 0, 0, near.width, near.height);
  }
  return {
    widthPx: source.width,
    heightPx: source.height,
    small: smaller(near, small.widthPx, small.heightPx),
    rim: rimOf(source),
    strange: [],
    ...more,
  };
}

/** By Skia, whose codecs are others than those that write. */
const bySkia = async (file: Uint8Array): Promise<SeenPixels> => seenPicture(await loadImage(Buffer.from(file)));

export function fromRgba(data: Uint8Array, width: number, height: number): Canvas {
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  const pixels = context.createImageData(width, height);
  pixels.data.set(data);
  context.putImageData(pixels, 0, 0);
  return canvas;
}

/** @source TIFF 6.0: tags 282 XResolution, 296 ResolutionUnit (2 is the inch, 3 the centimetre), 338 ExtraSamples */
function tiffByUtif(file: Uint8Array): SeenPixels {
  const bytes = file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength) as ArrayBuffer;
  const [first] = UTIF.decode(bytes);
  if (!first) throw new Error('The TIFF holds no picture.');
  UTIF.decodeImage(bytes, first);
  const tag = (name: string) =>
    (first as unknown as Record<string, readonly (number | readonly [number, number])[] | undefined>)[name]?.[0];
  const [fraction, unit] = [tag('t282'), tag('t296')];
  const resolution = typeof fraction === 'object' ? fraction[0] / fraction[1] : fraction;
  return seenPicture(fromRgba(UTIF.toRGBA8(first), first.width, first.height), {
    ...(resolution === undefined ? {} : { dotsPerInch: unit === 3 ? resolution * 2.54 : resolution }),
  });
}

async function icoByDecoder(file: Uint8Array): Promise<SeenPixels> {
  const pictures = decodeIco(file);
  const largest = [...pictures].sort((one, other) => other.width - one.width)[0];
  if (!largest) throw new Error('The icon holds no picture.');
  const strange: string[] = [];
  for (const { width, height, data, type } of pictures) {
    const canvas = type === 'png' ? await loadImage(Buffer.from(data)) : undefined;
    if (width !== height || (canvas && (canvas.width !== width || canvas.height !== height)))
      strange.push(`its picture of ${width} px is not what its entry says`);
  }
  return {
    ...(await bySkia(largest.data as unknown as Uint8Array)),
    sides: pictures.map(({ width }) => width).sort((a, b) => a - b),
    strange,
  };
}

/** @source W3C PNG (Third Edition), 11.3.4.3 "pHYs"; ITU-T T.871 (JFIF) and EXIF 2.3 for JPEG, as the picture library reads them */
const withDensity = async (seen: SeenPixels, file: Uint8Array): Promise<SeenPixels> => {
  const { density } = await sharp(file).metadata();
  return density === undefined ? seen : { ...seen, dotsPerInch: density };
};

/** Who reads a format of pixels: never the library that wrote it. */
const PIXEL_READERS = {
  png: async (file: Uint8Array) => withDensity(await bySkia(file), file),
  webp: bySkia,
  jpg: async (file: Uint8Array) => withDensity(await bySkia(file), file),
  avif: bySkia,
  tif: (file: Uint8Array) => Promise.resolve(tiffByUtif(file)),
  ico: icoByDecoder,
} satisfies Record<string, (file: Uint8Array) => Promise<SeenPixels>>;

/** Opens a file of pixels. @throws what the reader throws for no file of that format */
export const seen = ({ format, file }: { readonly format: keyof typeof PIXEL_READERS; readonly file: Uint8Array }): Promise<SeenPixels> =>
  PIXEL_READERS[format](file);
