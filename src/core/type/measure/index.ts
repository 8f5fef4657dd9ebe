export { catalogueEntry, OFFER_NAMES, type CatalogueEntry, type Offer } from './catalogue';
export { SCRIPT_LETTERS, scriptsCovered, scriptsNeeded } from './coverage';
export { SERIF_REACH } from './endings';
export { glyphSheet, type GlyphSheet, type MeasuredGlyph } from './glyph-sheet';
export { kerningPairs } from './kerning-pairs';
export { measureFace, type FaceMeasures, type MeasuredFace } from './measure-face';
