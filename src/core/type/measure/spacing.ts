import { inkRuns } from '../../geometry';
import type { GlyphSheet, MeasuredGlyph } from './glyph-sheet';
import { mean, present, steps, variation } from './statistics';

/** Letters that stand for the alphabet's round and straight sides. */
const CONTROL = ['n', 'o', 'H', 'O'];

/** Mean white on either side of n, o, H and O, in 1/1000 em. */
export const sideBearing = (sheet: GlyphSheet): number | undefined =>
  mean(present(CONTROL.map((letter) => sheet.glyph(letter))).map(({ box, advance }) => (box.left + (advance - box.right)) / 2));

/** How much of a gap counts as white between letters, in 1/1000 em from each side's own edge: deeper white belongs to the letter. */
const DEEPEST = 120;

/** Mean white between two letters over the x-height, in 1/1000 em, deep recesses cut off. */
function gap(left: MeasuredGlyph, right: MeasuredGlyph, height: number): number {
  const rows = steps(height * 0.05, height * 0.95, 31).map((y) => {
    const a = inkRuns(left.polygons, 'x', y).at(-1);
    const b = inkRuns(right.polygons, 'x', y)[0];
    const whiteOfLeft = left.advance - left.box.right + Math.min(DEEPEST, left.box.right - (a?.end ?? -Infinity));
    const whiteOfRight = right.box.left + Math.min(DEEPEST, (b?.start ?? Infinity) - right.box.left);
    return whiteOfLeft + whiteOfRight;
  });
  return mean(rows) ?? 0;
}

/**
 * How even the rhythm is, in [0, 1]: 1 minus the variation of the white between the letters of a text with straight, round and open sides,
 * as the font spaces them before kerning.
 */
export function spacingEvenness(sheet: GlyphSheet): number | undefined {
  const height = sheet.glyph('x')?.box.top;
  const letters = present([...'nonasheriduoltme'].map((letter) => sheet.glyph(letter)));
  if (height === undefined || letters.length < 8) return undefined;
  const gaps = letters.slice(1).map((letter, index) => gap(letters[index] as MeasuredGlyph, letter, height));
  const spread = variation(gaps);
  return spread === undefined ? undefined : Math.max(0, 1 - spread);
}

/** Mean advance of the lower case, in 1/1000 em. */
export const setWidth = (sheet: GlyphSheet): number | undefined =>
  mean(present([...'abcdefghijklmnopqrstuvwxyz'].map((letter) => sheet.glyph(letter)?.advance)));

/** Width of the ink of n and o (H and O without lower case) against its height: below 0.7 is condensed, above 1.1 wide. */
export const proportion = (sheet: GlyphSheet): number | undefined =>
  mean(present(CONTROL.map((letter) => sheet.glyph(letter))).map(({ box }) => (box.right - box.left) / (box.top - box.bottom)));

/** Whether neighboring lower-case letters join, as in scripts: the share of pairs of n, o, e, a, i, u whose ink overlaps on the line. */
export function joining(sheet: GlyphSheet): number | undefined {
  const letters = present([...'noeaiu'].map((letter) => sheet.glyph(letter)));
  if (letters.length === 0) return undefined;
  const pairs = letters.flatMap((left) => letters.map((right) => left.advance - left.box.right + right.box.left));
  return pairs.filter((white) => white <= 2).length / pairs.length;
}
