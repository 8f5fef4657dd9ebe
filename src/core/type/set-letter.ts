import type { Path } from '../geometry';
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

/** An outline that a letter stands with instead of the font's own, in 1/1000 em of its line from its own pen, y down; and what names it. */
export interface StandingOutline {
  readonly key: string;
  readonly path: Path;
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
  /** How it stands, where that is not how the font has it. */
  readonly stands?: StandingOutline | undefined;
  /** Space between the letter before it and itself that is not the font's own: tracking, optical kerning and hand adjustment. */
  readonly added: LetterSpace | undefined;
}

/** What stands between two letters besides the font's own advances; ems. */
export interface LetterSpace {
  readonly tracking: number;
  readonly optical: number;
  readonly hand: number;
}
