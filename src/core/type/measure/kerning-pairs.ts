import type { Typeface } from '../typeface';

const LETTERS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz'];

/** How many of the 2,704 pairs of basic Latin letters the font itself sets closer or wider than their advances. */
export function kerningPairs(face: Typeface): number {
  if (!face.features.includes('kern')) return 0;
  const instance = face.at({});
  const letters = LETTERS.filter((letter) => face.covers(letter.codePointAt(0) as number));
  const advance = (text: string, kern: number) =>
    instance
      .shape({ text, direction: 'ltr', script: 'Latn', features: { kern, liga: 0, clig: 0, calt: 0 } })
      .reduce((sum, glyph) => sum + glyph.advance, 0);
  const single = new Map(letters.map((letter) => [letter, advance(letter, 0)]));
  let pairs = 0;
  for (const left of letters)
    for (const right of letters) if (advance(left + right, 1) !== (single.get(left) ?? 0) + (single.get(right) ?? 0)) pairs++;
  return pairs;
}
