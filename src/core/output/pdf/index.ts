export { holdsPixels, pdfPage, type PdfForm, type PdfPageOptions, type PdfPattern, type PdfState } from './content';
export { inksOf, PDF_COLORS, type PdfColors, type PdfInk } from './inks';
export type { Shading, ShadingStop } from './shading';
