/** Lucky Thistle's core: recipe → drawing → files, measured. No DOM, no Node, no clock, no network, no hidden randomness. */

// What people type and what can go wrong
export { MM_PER_INCH } from './units/length';
export { parseAmount } from './units/amount';
export { fromUnit, inUnit, lengthText, SHOWN_UNITS, type ShownUnit } from './units/shown-length';
export { expect, fail, ok, type Problem, type Result } from './result/result';
export { problemsOf } from './result/schema-problems';
export { eachOf } from './numeric/tuples';

// How documents are stored
export * from './stored';

// Color
export * from './color';

// Geometry and shapes
export { BRUSH_NAMES, brushOf, strokeRegion, type BrushName, type HandLine } from './brushes';
export * from './fields';
export * from './geometry';
export * from './shapes';

// Type
export * from './type';

// Searching the art library
export * from './art';

// Where things come from, and what may be done with them
export * from './rights';

// Marks: recipe, parts, derive, resolve
export * from './marks';

// A brand's documents: brief, mood board, type desk
export * from './brand';

// What derives from a primary
export * from './family';

// Proofs measured
export * from './checks';

// Heraldry, and how letters interlock
export * from './heraldry';
export * from './interlock';

// Files
export * from './output';

// What a client gets
export * from './handover';

// A supplier who is not there: what printers and makers would say of a file
export * from './print-desk';

// Watermarks over photos
export * from './watermark';

// Goods that marks are shown on
export * from './scenes';

// Fixed canvases made of a brand's marks
export * from './pieces';

// A page that shows the whole brand
export * from './sheet';
