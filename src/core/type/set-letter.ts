import type { AxisValues, Typeface, TypefaceInstance } from './typeface';

/** One glyph on the line, in ems, origin at the line's start on the baseline, y down. */
export interface SetGlyph {
  readonly instance: TypefaceInstance;
  readonly glyph: number;
  /** Ems per font unit of this glyph's own font. */
  readonly emPerUnit: number;
  readonly x: number;
  readonly y: number;
  readonly advance: number;
  /** UTF-16 index, in the cased text, of the first character it stands for. */
  readonly cluster: number;
}

/** One letter as it is set: a letter with its marks, or a ligature of several; lengths in ems. */
export interface SetLetter {
  /** The first typed letter it stands for, and how many. */
  readonly index: number;
  readonly count: number;
  /** As shown, in its case. */
  readonly text: string;
  readonly face: Typeface;
  readonly axes: AxisValues;
  readonly instance: TypefaceInstance;
  /** Size against the line's. */
  readonly scale: number;
  /** Where its pen stands on the line. */
  readonly x: number;
  readonly advance: number;
  readonly glyphs: readonly SetGlyph[];
  /** Space between the letter before it and itself that is not the font's own: tracking, optical kerning and hand adjustment. */
  readonly added: LetterSpace | undefined;
}

/** What stands between two letters besides the font's own advances; ems. */
export interface LetterSpace {
  readonly tracking: number;
  readonly optical: number;
  readonly hand: number;
}
