import { createCanvas, loadImage, type Canvas, type Image } from '@napi-rs/canvas';
import decodeIco from 'decode-ico';
import sharp from 'sharp';
import UTIF from 'utif2';
import type { FormatName } from '$core/index';
import type { PdfPageSize } from '../pdf-reader';
import { openPdf } from './pdf';
import { pixelsOf, type Pixels } from './painted';

/** A file as a reader that did not write it sees it. */
export interface Seen {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Smaller, for comparing as a whole. */
  readonly small: Pixels;
  /** The outermost rows and columns as they are: RGBA, one after the other. Only of pixels. */
  readonly rim?: Uint8ClampedArray;
  /** Size on paper in points, of each page of a PDF. */
  readonly pages?: readonly PdfPageSize[];
  /** What should not be there, in words. */
  readonly strange: readonly string[];
  /** Whether the file holds pictures in pixels. */
  readonly holdsPixels: boolean;
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

function seenPicture(source: Canvas | Image, more: Partial<Seen> = {}): Seen {
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
    holdsPixels: true,
    ...more,
  };
}

/** By Skia, whose codecs are others than those that write. */
const bySkia = async (file: Uint8Array): Promise<Seen> => seenPicture(await loadImage(Buffer.from(file)));

function fromRgba(data: Uint8Array, width: number, height: number): Canvas {
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  const pixels = context.createImageData(width, height);
  pixels.data.set(data);
  context.putImageData(pixels, 0, 0);
  return canvas;
}

/** @source TIFF 6.0: tags 282 XResolution, 296 ResolutionUnit (2 is the inch, 3 the centimetre), 338 ExtraSamples */
function tiffByUtif(file: Uint8Array): Seen {
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

async function icoByDecoder(file: Uint8Array): Promise<Seen> {
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

/** Elements and attributes that a handed-over SVG does without. */
const STRANGE_SVG: readonly (readonly [pattern: RegExp, what: string])[] = [
  [/<(script|foreignObject|iframe|style)\b/i, 'it holds scripts or styles'],
  [/<(text|tspan|font|glyph)\b|font-family/i, 'it holds text that needs a font'],
  [/(?:href|src)\s*=\s*"(?!#|data:image\/(?:png|jpeg);base64,)/i, 'it refers to something outside'],
  [/url\((?!#)/i, 'it refers to something outside'],
  [/<!DOCTYPE|<!ENTITY/i, 'it declares entities'],
];

/** By librsvg, inside of the picture library, which never writes SVG. */
async function svgByLibrsvg(file: Uint8Array): Promise<Seen> {
  const text = Buffer.from(file).toString('utf8');
  const [, , , wide, high] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(text) ?? [];
  const [, width = wide, , height = high] = /<svg[^>]* width="([\d.]+)(\w*)" height="([\d.]+)/.exec(text) ?? [];
  const small = smallSize(Number(wide) * 1000, Number(high) * 1000);
  // Drawn larger and made smaller, as the other side is.
  const drawn = await sharp(
    Buffer.from(
      text.replace(
        /(<svg[^>]*) width="[^"]*" height="[^"]*"/,
        `$1 preserveAspectRatio="none" width="${small.widthPx * 3}" height="${small.heightPx * 3}"`,
      ),
    ),
  )
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const canvas = fromRgba(drawn.data, drawn.info.width, drawn.info.height);
  return {
    widthPx: Number(width),
    heightPx: Number(height),
    small: smaller(canvas, small.widthPx, small.heightPx),
    strange: STRANGE_SVG.flatMap(([pattern, what]) => (pattern.test(text.replace(/<(title|metadata)>[^]*?<\/\1>/g, '')) ? [what] : [])),
    holdsPixels: /<image\b/.test(text),
  };
}

/** By pdf.js. */
async function pdfByPdfjs(file: Uint8Array): Promise<Seen> {
  const sizeOf = ({ widthPt, heightPt }: PdfPageSize) => smallSize(widthPt * 1000, heightPt * 1000);
  const { pages, canvas, counts } = await openPdf(file, (size) => sizeOf(size).widthPx * 3);
  const [first = { widthPt: 0, heightPt: 0 }] = pages;
  const size = sizeOf(first);
  return {
    widthPx: first.widthPt,
    heightPx: first.heightPt,
    small: smaller(canvas, size.widthPx, size.heightPx),
    pages,
    strange: counts.texts > 0 ? ['it holds text that needs a font'] : [],
    holdsPixels: counts.pictures > 0,
  };
}

/** @source W3C PNG (Third Edition), 11.3.4.3 "pHYs"; ITU-T T.871 (JFIF) and EXIF 2.3 for JPEG, as the picture library reads them */
const withDensity = async (seen: Seen, file: Uint8Array): Promise<Seen> => {
  const { density } = await sharp(file).metadata();
  return density === undefined ? seen : { ...seen, dotsPerInch: density };
};

/** Who reads a format: never the library that wrote it. */
export const READERS: { readonly [F in FormatName]: (file: Uint8Array) => Promise<Seen> } = {
  png: async (file) => withDensity(await bySkia(file), file),
  webp: bySkia,
  jpg: async (file) => withDensity(await bySkia(file), file),
  avif: bySkia,
  tif: (file) => Promise.resolve(tiffByUtif(file)),
  ico: icoByDecoder,
  svg: svgByLibrsvg,
  pdf: pdfByPdfjs,
};
