import { createPart, EMPTY_RECIPE, isKnown, type Recipe } from '../marks';
import { expect } from '../result/result';
import { graphemesOf, lenderOf } from '../type';
import { MOST_LETTERS, type Veil } from './settings';

/** The family that a brand's marks are set in first; what a veil's line is set in. */
export function leadingFamily(recipes: Iterable<Recipe>): string {
  for (const { parts } of recipes) for (const part of parts) if (isKnown(part) && part.kind === 'lettering') return part.font.family;
  return 'marcellus';
}

/** A line of text as a mark, to be repeated over pictures. */
export const veilLine = (text: string, family: string): Recipe => ({
  ...EMPTY_RECIPE,
  parts: [
    expect(
      createPart({
        kind: 'lettering',
        id: 'line',
        text,
        font: { family },
        fallback: lenderOf(family, text),
        sizePx: 120,
        trackingPermille: 60,
        place: { x: 0, y: 0, turnDeg: 0 },
      }),
    ),
  ],
});

/** Letters of a line that are repeated at the size a veil begins with. */
const LETTERS = 20;

/**
 * How a veil of a line begins: a longer line is wider, so that its letters are seen, and as far apart as a shorter one. What no veil has room for is left out.
 * @param from how a veil of a short line begins
 */
export function startVeil(text: string, from: Veil): Pick<Veil, 'text' | 'sizePercent' | 'acrossPercent' | 'downPercent'> {
  const letters = graphemesOf(text.trim()).filter(({ end }) => end <= MOST_LETTERS);
  const by = Math.max(1, letters.length / LETTERS);
  return {
    text: letters.map(({ text: letter }) => letter).join(''),
    sizePercent: Math.round(from.sizePercent * by),
    acrossPercent: Math.round(from.acrossPercent / by),
    downPercent: Math.round(from.downPercent / by),
  };
}
