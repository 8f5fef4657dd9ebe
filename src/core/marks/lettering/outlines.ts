import type { Path } from '../../geometry';
import { letterOutline, type SetLetter, type TypefaceInstance } from '../../type';

/** A letter's outline in 1/1000 em of its line, from its own pen on the baseline, y down; and a number that names it in this process. */
export interface Outline {
  readonly id: number;
  readonly path: Path;
}

let count = 0;
const known = new WeakMap<TypefaceInstance, Map<string, Outline>>();

/** Outlines kept for one font at one setting. */
const KEPT = 600;

/** The outline of a set letter, the same object every time, so that what is made of it can be remembered. */
export function outlineOfLetter(letter: SetLetter): Outline {
  const outlines = known.get(letter.instance) ?? new Map<string, Outline>();
  known.set(letter.instance, outlines);
  const key = `${letter.scale}|${letter.glyphs.map(({ glyph, x, y }) => `${glyph}@${(x - letter.x).toFixed(5)},${y.toFixed(5)}`).join('+')}`;
  const kept = outlines.get(key);
  if (kept) return kept;
  const oldest = outlines.keys().next();
  if (outlines.size >= KEPT && !oldest.done) outlines.delete(oldest.value);
  const made = { id: ++count, path: letterOutline(letter.glyphs, letter.x) };
  outlines.set(key, made);
  return made;
}
