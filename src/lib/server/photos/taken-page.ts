import type { PDFDocumentProxy } from 'pdfjs-dist';
import sharp from 'sharp';
import { refuse } from '../http/problem-error';
import { painted, sizeAsSeen, withPdf } from '../pdf-reader';
import { isPdfBomb } from './pdf-bomb';
import { looksOf, MOST_PIXELS, PREVIEW_SIDE_PX, type TakenPhoto } from './taken-photo';

/** Most pages of a PDF that comes in. */
export const MOST_PAGES = 300;
/** Pages are measured in pixels like photos, with so many to a point. */
export const PX_PER_PT = 2;
const MM_PER_PT = 25.4 / 72;

/** What JPEG, PNG, WebP and TIFF begin with: pictures may speak of PDF within. */
const PICTURES = [[0xff, 0xd8], [0x89, 0x50], [0x52, 0x49], [0x49, 0x49], [0x4d, 0x4d]]; // prettier-ignore

/** Whether a file says that it is a PDF. @source ISO 32000-1, 7.5.2 and annex H, note 13: within its first 1024 bytes */
export const isPdf = (bytes: Uint8Array): boolean =>
  Buffer.from(bytes.subarray(0, 1024)).includes('%PDF-') && !PICTURES.some(([one, other]) => bytes[0] === one && bytes[1] === other);

/** Reads a PDF that came in. @throws a refusal where it is locked, damaged or none */
async function opened<T>(bytes: Uint8Array, name: string, read: (document: PDFDocumentProxy) => Promise<T>): Promise<T> {
  try {
    return await withPdf(bytes, read, MOST_PIXELS);
  } catch (error) {
    if (error instanceof Error && 'problems' in error) throw error;
    if ((error as Error).name === 'PasswordException') throw locked(name);
    throw refuse(
      422,
      'not-a-document',
      `${name} could not be read to its end as a PDF.`,
      'Check that the file opens elsewhere and is whole, or save it again as PDF.',
    );
  }
}
const locked = (name: string) =>
  refuse(
    422,
    'document-locked',
    `${name} is locked: its pages cannot be read and written into without its password.`,
    'Save a copy without a password, and bring that in.',
  );

/** How many pages a PDF has. @throws a refusal of what cannot be marked: locked, damaged, too many pages */
export async function countedPages(bytes: Uint8Array, name: string): Promise<number> {
  if (isPdfBomb(bytes))
    throw refuse(
      422,
      'document-bomb',
      `Something in ${name} unpacks to more than 256 MB.`,
      'Save it again where it was made, with smaller pictures.',
    );
  return opened(bytes, name, async (document) => {
    // One that opens without a password may still not be written into.
    if ((await document.getPermissions()) !== null) throw locked(name);
    if (document.numPages === 0) throw new Error('The PDF has no page.');
    if (document.numPages > MOST_PAGES)
      throw refuse(
        422,
        'too-many-pages',
        `${name} has ${document.numPages} pages; the limit is ${MOST_PAGES}.`,
        'Split it, and bring in the parts that are to be marked.',
      );
    return document.numPages;
  });
}

/** One page of a PDF as the tray takes it: how large it is, how it looks, and its tones. @param number from 1 */
export const takenPage = (bytes: Uint8Array, name: string, number: number): Promise<TakenPhoto> =>
  opened(bytes, name, async (document) => {
    const page = await document.getPage(number);
    const { widthPt, heightPt } = sizeAsSeen(page);
    const canvas = await painted(page, PREVIEW_SIDE_PX / Math.max(widthPt, heightPt), '#ffffff');
    const picture = sharp(canvas.data(), { raw: { width: canvas.width, height: canvas.height, channels: 4 } }).removeAlpha();
    const mm = (pt: number) => Math.round(pt * MM_PER_PT * 10) / 10;
    return {
      facts: {
        format: 'pdf',
        widthPx: Math.max(1, Math.round(widthPt * PX_PER_PT)),
        heightPx: Math.max(1, Math.round(heightPt * PX_PER_PT)),
        bits: 8,
        notes: [],
        page: { number, of: document.numPages, widthMm: mm(widthPt), heightMm: mm(heightPt) },
      },
      ...(await looksOf(picture)),
    };
  });

/** A page of a PDF as a picture to look at. */
export const pagePicture = (bytes: Uint8Array, number: number): Promise<Uint8Array> =>
  withPdf(
    bytes,
    async (document) => {
      const page = await document.getPage(Math.min(number, document.numPages));
      const { widthPt, heightPt } = sizeAsSeen(page);
      const canvas = await painted(page, PREVIEW_SIDE_PX / Math.max(widthPt, heightPt), '#ffffff');
      return canvas.encode('webp', 88);
    },
    MOST_PIXELS,
  );
