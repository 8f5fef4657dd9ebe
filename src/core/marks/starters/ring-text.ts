import type { Bounds } from '../../geometry';
import { expect } from '../../result/result';
import { lenderOf, startingFamily } from '../../type';
import type { Lettering } from '../lettering/schema';
import { createPart } from '../recipe/recipe';
import { labelOf } from '../registry';
import { freePartIds, type Starters } from './starter';

/** Size of lettering on a ring against its radius, tracking, and how far round one text may run, so that two never meet (common practice). */
const RING_TEXT = { size: 0.2, trackingPermille: 140, mostDeg: 150 } as const;

/** Mean advance of tracked capitals, in ems; only where ring texts begin. */
const CAPITAL_EM = 0.85;

/**
 * Two texts on one ring, the upper one outward and the lower one inward, so that both read upright in one band on one center.
 * @param around the disk or ring that both follow; without one they share a circle of their own
 */
export function ringTexts(
  ids: readonly [upper: string, lower: string],
  texts: readonly [upper: string, lower: string],
  family: string,
  around: { readonly id: string; readonly radiusPx: number } | undefined,
  ink: Bounds | undefined,
): readonly [Lettering, Lettering] {
  const radiusPx = Math.round(around?.radiusPx ?? (ink ? Math.hypot(ink.right - ink.left, ink.bottom - ink.top) / 2 + 40 : 180));
  const longest = Math.max(1, ...texts.map((text) => text.length));
  const room = (RING_TEXT.mostDeg * Math.PI) / 180 / (longest * CAPITAL_EM);
  const sizePx = Math.max(6, Math.round(radiusPx * Math.min(RING_TEXT.size, room)));
  const center = ink && !around ? { x: Math.round((ink.left + ink.right) / 2), y: Math.round((ink.top + ink.bottom) / 2) } : { x: 0, y: 0 };
  const text = (index: 0 | 1): Lettering =>
    expect(
      createPart({
        kind: 'lettering',
        id: ids[index],
        text: texts[index],
        case: 'upper',
        font: { family },
        fallback: lenderOf(family, texts[index]),
        sizePx,
        trackingPermille: RING_TEXT.trackingPermille,
        line: {
          shape: 'arc',
          form: 'ring',
          side: index === 0 ? 'over' : 'under',
          radiusPx: index === 0 ? radiusPx : Math.round(radiusPx + sizePx * 0.7),
          around: around ? { part: around.id, insetPx: Math.round(sizePx * 0.9) } : null,
        },
        place: { ...center, turnDeg: 0 },
      }),
    ) as Lettering;
  return [text(0), text(1)];
}

export const ringTextStarters: Starters = ({ recipe, ink, brandName, chosen }) => {
  const rounds = recipe.parts.filter((part) => part.kind === 'shape' && (part.form.form === 'disk' || part.form.form === 'ring'));
  const round = rounds.find(({ id }) => id === chosen) ?? rounds.at(-1);
  const name = recipe.parts.find((part) => part.kind === 'lettering');
  return [
    {
      id: 'ring-text',
      label: 'Ring text',
      hint: round ? `around ${labelOf(round).toLowerCase()}, above and below` : 'above and below, on one center',
      words: ['circle', 'badge', 'arc', 'round', 'text', 'arch', 'curved'],
      texts: 2,
      make: ([above, below] = []) => {
        const [upper = '', lower = ''] = freePartIds(recipe, ['ring-text', 'ring-text']);
        const around =
          round?.kind === 'shape' && (round.form.form === 'disk' || round.form.form === 'ring')
            ? { id: round.id, radiusPx: Math.min(round.form.widthPx, round.form.heightPx) / 2 }
            : undefined;
        const family = name?.kind === 'lettering' ? name.font.family : startingFamily(above || brandName);
        const [over, under] = ringTexts([upper, lower], [above || brandName, below || 'Since the first day'], family, around, ink);
        return { parts: [under, over], chosen: over.id };
      },
    },
  ];
};
