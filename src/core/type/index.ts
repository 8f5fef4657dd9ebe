// Fonts
export {
  createFontShelf,
  faceFor,
  FALLBACK_FAMILIES,
  type FontChoice,
  type FontShelf,
  type ShippedFace,
  type ShippedFamily,
} from './font-shelf';
export {
  restingValue,
  type Axis,
  type AxisValues,
  type FeatureRange,
  type FontMetrics,
  type ShapedGlyph,
  type TextRun,
  type Typeface,
  type TypefaceInstance,
} from './typeface';
export { choosableFeatures, featureName, offersFeature, type FeatureSettings } from './features';

// Text
export { firstLetter, graphemesOf, type Grapheme } from './graphemes';
export { isLittle, leadsOn } from './little-words';
export { itemize, keptApart, type TextStretch } from './itemize';
export { casedLetters, inCase, LETTER_CASES, type LetterCase } from './letter-case';

// Setting a line, kerning it, bending it
export { lenderOf, startingFamily } from './starting-face';
export { missingLetters, setLine, type LetterStyle, type LineSettings, type SetLine } from './set-line';
export type { LetterSpace, SetGlyph, SetLetter, StandingOutline } from './set-letter';
export * from './kerning';
export * from './line';

// What is measured in a face, and choosing by it
export * from './measure';
export * from './choosing';
export { wrapText, type WrappedLine, type WrappedText } from './line/wrap';
export { HYPHEN_LANGUAGES, type HyphenLanguage } from './line/hyphen-languages';
export { readHyphenRules, syllablesIn } from './line/hyphens';
