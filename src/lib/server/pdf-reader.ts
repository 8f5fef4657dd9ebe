import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { createCanvas, type Canvas } from '@napi-rs/canvas';
import type * as Pdfjs from 'pdfjs-dist';
import type { PDFDocumentProxy, PDFPageProxy } from 'pdfjs-dist';

/** Size of a PDF's page, in points. */
export interface PdfPageSize {
  readonly widthPt: number;
  readonly heightPt: number;
}

const FOLDER = dirname(createRequire(import.meta.url).resolve('pdfjs-dist/package.json'));

/**
 * Reads a PDF and gives it to a reader of pages; it is closed after.
 * @param most pixels of a picture in it; larger ones are not painted
 * @throws what the library throws for no PDF, and for one that asks for a password
 */
export async function withPdf<T>(
  file: Uint8Array,
  read: (document: PDFDocumentProxy, pdfjs: typeof Pdfjs) => Promise<T>,
  most = -1,
): Promise<T> {
  const pdfjs = (await import('pdfjs-dist/legacy/build/pdf.mjs')) as typeof Pdfjs;
  const document = await pdfjs.getDocument({
    data: new Uint8Array(file),
    useSystemFonts: false,
    disableFontFace: true,
    isEvalSupported: false,
    verbosity: 0,
    maxImageSize: most,
    cMapUrl: join(FOLDER, 'cmaps/'),
    standardFontDataUrl: join(FOLDER, 'standard_fonts/'),
    wasmUrl: join(FOLDER, 'wasm/'),
  }).promise;
  try {
    return await read(document, pdfjs);
  } finally {
    await document.destroy();
  }
}

/** A page as it is seen, turned as it says. */
export function sizeAsSeen(page: PDFPageProxy): PdfPageSize {
  const { width, height } = page.getViewport({ scale: 1 });
  return { widthPt: width, heightPt: height };
}

/** Paints a page, as it is seen. @param ground what is behind it, as CSS says it */
export async function painted(page: PDFPageProxy, scale: number, ground: string): Promise<Canvas> {
  const viewport = page.getViewport({ scale });
  const canvas = createCanvas(Math.max(1, Math.round(viewport.width)), Math.max(1, Math.round(viewport.height)));
  const canvasContext = canvas.getContext('2d') as unknown as CanvasRenderingContext2D;
  await page.render({ canvas: null, canvasContext, viewport, background: ground }).promise;
  return canvas;
}
