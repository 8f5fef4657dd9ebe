import sharp from 'sharp';
import type { FormatName } from '$core/index';
import type { PdfPageSize } from '../pdf-reader';
import { inPixels } from '../pixels/in-pixels';
import type { PixelInput } from '../pixels/work';
import { fromRgba, smaller, smallSize, type SeenPixels } from '../pixels/seen';
import { openPdf } from './pdf';

/** A file as a reader that did not write it sees it; only pixels have a rim. */
export interface Seen extends Omit<SeenPixels, 'rim'>, Partial<Pick<SeenPixels, 'rim'>> {
  /** Size on paper in points, of each page of a PDF. */
  readonly pages?: readonly PdfPageSize[];
  /** Whether the file holds pictures in pixels. */
  readonly holdsPixels: boolean;
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

/** Files of pixels are opened where they are written, by other programs. */
const pixels =
  (format: PixelInput<'seen'>['format']) =>
  async (file: Uint8Array): Promise<Seen> => ({ ...(await inPixels('seen', { format, file })), holdsPixels: true });

/** Who reads a format: never the library that wrote it. */
export const READERS: { readonly [F in FormatName]: (file: Uint8Array) => Promise<Seen> } = {
  png: pixels('png'),
  webp: pixels('webp'),
  jpg: pixels('jpg'),
  avif: pixels('avif'),
  tif: pixels('tif'),
  ico: pixels('ico'),
  svg: svgByLibrsvg,
  pdf: pdfByPdfjs,
};
