export { SHEET_DESIGN_NAMES, SHEET_DESIGNS, type SheetDesignName } from './designs';
export { measuredMark, type MeasuredMark, type SheetFace, type SheetFacts, type SheetMark, type TonePicture } from './facts';
export { sheetFactsOf } from './facts-of';
export { goodsOfSheet, goodsPicture, type MarkOnGoods } from './goods';
export { SHEET_PAGE_NAMES, SHEET_PAGES, type SheetPageName } from './pages';
export {
  MOST_SHEET_GOODS,
  MOST_SHEET_PICTURES,
  pageOrder,
  pageText,
  SHEET_SIZE_NAMES,
  SHEET_SIZES,
  sheetPages,
  sheetSchema,
  type DrawnPage,
  type Sheet,
  type SheetSize,
} from './sheet';
export { sheetWebPage, type SheetPicture } from './web-page';
