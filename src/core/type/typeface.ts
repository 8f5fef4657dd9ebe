import type { Path } from '../geometry';
import type { FontUnits } from '../units/quantity';

/** One axis of a variable font, in the font's own scale. @source ISO/IEC 14496-22, 7.3.3 "fvar" */
export interface Axis {
  readonly tag: string;
  readonly min: number;
  readonly default: number;
  readonly max: number;
}

/** The size that a mark's lettering is drawn for, in points: beyond text, below a sign. */
const DISPLAY_POINTS = 48;

const within = (axis: Axis, value: number): number => Math.min(axis.max, Math.max(axis.min, value));

/**
 * Where an axis stands while nobody has set it: the font's own default, except that weight is regular,
 * because many variable fonts default to their thinnest or boldest, and optical size is for display, which a mark is.
 */
export const restingValue = (axis: Axis): number =>
  axis.tag === 'wght' ? within(axis, 400) : axis.tag === 'opsz' ? within(axis, DISPLAY_POINTS) : axis.default;

/** Axis settings by tag. */
export type AxisValues = Readonly<Record<string, number>>;

/** Vertical measures in font units, up is positive. */
export interface FontMetrics {
  readonly unitsPerEm: number;
  readonly ascender: FontUnits;
  readonly descender: FontUnits;
  readonly xHeight: FontUnits;
  readonly capHeight: FontUnits;
}

/** A stretch of text with one direction and one script, ready to be shaped. */
export interface TextRun {
  readonly text: string;
  readonly direction: 'ltr' | 'rtl';
  /** ISO 15924 tag such as `Latn`. */
  readonly script: string;
  /** OpenType features by tag; 0 switches one off. */
  readonly features: Readonly<Record<string, number>>;
  /** Features for stretches of the run only; they overrule those for all of it. */
  readonly ranges?: readonly FeatureRange[];
}

/** A feature from one UTF-16 index of a run up to, not including, another. */
export interface FeatureRange {
  readonly tag: string;
  readonly value: number;
  readonly start: number;
  readonly end: number;
}

/** One glyph as placed by the shaper, in font units; left to right in the order of drawing. */
export interface ShapedGlyph {
  readonly glyph: number;
  /** UTF-16 index, in the run's text, of the first character this glyph stands for. */
  readonly cluster: number;
  readonly advance: FontUnits;
  readonly xOffset: FontUnits;
  readonly yOffset: FontUnits;
}

/** A font at fixed axis settings: shapes text and gives outlines. */
export interface TypefaceInstance {
  readonly metrics: FontMetrics;
  readonly shape: (run: TextRun) => readonly ShapedGlyph[];
  /** Outline of a glyph in font units, y **down** (already flipped for the screen); filled by the nonzero rule. */
  readonly outline: (glyph: number) => Path;
}

/** A font file, opened once. Instances are cached; both are freed by garbage collection only. */
export interface Typeface {
  readonly id: string;
  /** The family's name as the font itself says it. */
  readonly name: string;
  /** The face's own full name, such as “Family Bold Italic”. */
  readonly fullName?: string;
  readonly axes: readonly Axis[];
  /** Tags of all layout features the font offers, sorted. */
  readonly features: readonly string[];
  readonly covers: (codePoint: number) => boolean;
  /** How many characters the font maps. */
  readonly characterCount: number;
  /** Some of the characters it maps, evenly spread over all of them. */
  readonly sample?: (most: number) => readonly number[];
  /** Whether its letters stand on a grid: all of one width. */
  readonly monospaced?: boolean;
  /** The bytes of one of the font's tables. */
  readonly table: (tag: string) => Uint8Array | undefined;
  readonly at: (axes: AxisValues) => TypefaceInstance;
}
