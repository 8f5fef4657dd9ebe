export { pathData, written } from './path-data';
export { dotsPerInchOf, withDensity, withoutDensity, withText } from './png';
export { LARGEST_PICTURE_PX, rasterFrame, roundFrame, SMALLEST_PICTURE_PX, type PictureSize, type RasterFrame } from './raster-frame';
export { newsOf, screenPicture, withNews, type DrawnPicture, type PictureNews, type ScreenPicture } from './screen';
export { groupMarkup, groupPieces, toSvg, type GroupPieces, type PictureAddress, type SvgOptions } from './svg';
export { FILE_FORMATS, FORMAT_NAMES, formatOf, isFormat, type FileFormat, type FormatName } from './file-formats';
export { weldedOutlines } from './welded';
export {
  ANCHORS,
  CANVAS_UNITS,
  canvasFrame,
  canvasSchema,
  canvasText,
  type Anchor,
  type Canvas,
  type CanvasFrame,
  type CanvasUnit,
} from './canvas';
export { ICON_SIDES_PX, icoFile, type IconPicture } from './ico';
export { blurredSides, onPixelGrid, ON_GRID_PX, type BlurredSides } from './pixel-grid';
export {
  holdsPixels,
  inksOf,
  PDF_COLORS,
  pdfPage,
  type PdfColors,
  type PdfForm,
  type PdfInk,
  type PdfPattern,
  type PdfState,
  type Shading,
} from './pdf';
