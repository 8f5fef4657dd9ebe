import { createPart, EMPTY_RECIPE, type Recipe } from '../marks';
import { expect } from '../result/result';
import { lenderOf } from '../type';

/** The family that a brand's marks are set in first; what a veil's line is set in. */
export function leadingFamily(recipes: Iterable<Recipe>): string {
  for (const { parts } of recipes)
    for (const part of parts)
      if (part.kind === 'lettering') return (part as unknown as { readonly font: { readonly family: string } }).font.family;
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
