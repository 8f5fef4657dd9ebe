import type { Canvas } from '@napi-rs/canvas';
import { painted, withPdf, type PdfPageSize } from '../pdf-reader';

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

/** Opens a PDF and paints its first page. @param widthPx how wide it is painted, from its size in points @throws what the reader throws for no PDF */
export const openPdf = (file: Uint8Array, widthPx: (size: PdfPageSize) => number): Promise<OpenedPdf> =>
  withPdf(file, async (document, { OPS }) => {
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
      if (number === 1) canvas = await painted(page, widthPx(size) / size.widthPt, 'rgba(0,0,0,0)');
    }
    if (!canvas) throw new Error('The PDF has no page.');
    return { pages, canvas, counts };
  });
