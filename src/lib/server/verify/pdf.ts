import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { createCanvas, type Canvas } from '@napi-rs/canvas';

/** Size of a PDF's page, in points. */
export interface PdfPageSize {
  readonly widthPt: number;
  readonly heightPt: number;
}

/** A PDF as pdf.js reads it. */
export interface OpenedPdf {
  readonly pages: readonly PdfPageSize[];
  /** The first page, painted. */
  readonly canvas: Canvas;
  /** How many things of a kind all pages paint. */
  readonly counts: {
    readonly texts: number;
    readonly pictures: number;
    readonly strokes: number;
    readonly gradients: number;
    readonly halfClear: number;
  };
}

const FOLDER = dirname(createRequire(import.meta.url).resolve('pdfjs-dist/package.json'));

/** Opens a PDF and paints its first page. @param widthPx how wide it is painted, from its size in points @throws what the reader throws for no PDF */
export async function openPdf(file: Uint8Array, widthPx: (size: PdfPageSize) => number): Promise<OpenedPdf> {
  const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const { OPS } = pdfjs;
  const document = await pdfjs.getDocument({
    data: new Uint8Array(file),
    useSystemFonts: false,
    disableFontFace: true,
    isEvalSupported: false,
    verbosity: 0,
    cMapUrl: join(FOLDER, 'cmaps/'),
    wasmUrl: join(FOLDER, 'wasm/'),
  }).promise;
  try {
    const pages: PdfPageSize[] = [];
    const counts = { texts: 0, pictures: 0, strokes: 0, gradients: 0, halfClear: 0 };
    let canvas: Canvas | undefined;
    for (let number = 1; number <= document.numPages; number++) {
      const page = await document.getPage(number);
      const [left = 0, top = 0, right = 0, bottom = 0] = page.view;
      const { fnArray, argsArray } = (await page.getOperatorList()) as { fnArray: readonly number[]; argsArray: readonly unknown[] };
      fnArray.forEach((operation, at) => {
        const said = JSON.stringify(argsArray[at] ?? null);
        if (operation === OPS.setFont || operation === OPS.showText) counts.texts++;
        if ([OPS.paintImageXObject, OPS.paintInlineImageXObject, OPS.paintImageMaskXObject].includes(operation)) counts.pictures++;
        // Paths carry what is done with them.
        if (operation === OPS.stroke || (operation === OPS.constructPath && (argsArray[at] as readonly unknown[])[0] === OPS.stroke))
          counts.strokes++;
        if (operation === OPS.shadingFill || (operation === OPS.setFillColorN && said.includes('Shading'))) counts.gradients++;
        if (operation === OPS.setGState && /\["ca",(?:0(?:\.\d+)?)\]/.test(said)) counts.halfClear++;
      });
      const size = { widthPt: right - left, heightPt: bottom - top };
      pages.push(size);
      if (number > 1) continue;
      const viewport = page.getViewport({ scale: widthPx(size) / size.widthPt });
      canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
      await page.render({
        canvas: null,
        canvasContext: canvas.getContext('2d') as unknown as CanvasRenderingContext2D,
        viewport,
        background: 'rgba(0,0,0,0)',
      }).promise;
    }
    if (!canvas) throw new Error('The PDF has no page.');
    return { pages, canvas, counts };
  } finally {
    await document.destroy();
  }
}
