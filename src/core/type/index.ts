export {
  createFontShelf,
  faceFor,
  FALLBACK_FAMILIES,
  type FontChoice,
  type FontShelf,
  type ShippedFace,
  type ShippedFamily,
} from './font-shelf';
export { firstLetter, graphemesOf, type Grapheme } from './graphemes';
export { itemize, type TextStretch } from './itemize';
export { inCase, LETTER_CASES, type LetterCase } from './letter-case';
export { KERNINGS, missingLetters, setLine, type Kerning, type LineSettings, type SetGlyph, type SetLine } from './set-line';
export {
  restingValue,
  type Axis,
  type AxisValues,
  type FontMetrics,
  type ShapedGlyph,
  type TextRun,
  type Typeface,
  type TypefaceInstance,
} from './typeface';
export * from './measure';
export * from './choosing';
