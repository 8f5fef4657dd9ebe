import { expect } from '../../result/result';
import { lenderOf } from '../../type';
import type { Lettering } from '../lettering/schema';
import { freePartId } from '../recipe/edit';
import { createPart } from '../recipe/recipe';
import type { Starters } from './starter';

/** How a descriptor line starts from the name above it: smaller, lighter, upper case, tracked open (common practice); the gap is a share of its own size. */
const SECOND_LINE = { size: 0.28, lighterBy: 200, trackingPermille: 240, gap: 0.42 } as const;

/**
 * A second line that stays with a name: its size and gap are shares of the name's and follow it; weight and tracking are proposed from the name's.
 * @param family the brand's face for second lines; left out, the name's own
 */
export function secondLine(id: string, text: string, name: Lettering, family: string = name.font.family): Lettering {
  const sizePx = Math.round(name.sizePx * SECOND_LINE.size);
  const weight = name.font.axes['wght'];
  return expect(
    createPart({
      kind: 'lettering',
      id,
      text,
      case: 'upper',
      font: {
        ...name.font,
        family,
        axes: weight === undefined ? name.font.axes : { ...name.font.axes, wght: Math.max(100, weight - SECOND_LINE.lighterBy) },
      },
      fallback: lenderOf(family, text),
      sizePx,
      trackingPermille: SECOND_LINE.trackingPermille,
      paint: name.paint,
      companion: { part: name.id, sizePercent: SECOND_LINE.size * 100, gapPermille: Math.round(SECOND_LINE.gap * SECOND_LINE.size * 1000) },
    }),
  ) as Lettering;
}

export const secondLineStarters: Starters = ({ recipe, secondFamily, chosen }) => {
  const letterings = recipe.parts.filter((part) => part.kind === 'lettering');
  const name = letterings.find(({ id }) => id === chosen) ?? letterings[0];
  if (!name) return [];
  return [
    {
      id: 'second-line',
      label: 'Second line',
      hint: 'smaller, lighter, opened up',
      words: ['descriptor', 'est. line', 'tagline', 'text', 'subtitle'],
      texts: 1,
      make: ([text] = []) => {
        const part = secondLine(freePartId(recipe, 'second'), text || 'Second line', name, secondFamily);
        return { parts: [part], chosen: part.id };
      },
    },
  ];
};
