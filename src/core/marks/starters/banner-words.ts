import { expect } from '../../result/result';
import { formKind } from '../../shapes';
import { lenderOf, startingFamily } from '../../type';
import type { Lettering } from '../lettering/schema';
import type { Shape } from '../parts/shape';
import { freePartId } from '../recipe/edit';
import { createPart } from '../recipe/recipe';
import { labelOf } from '../registry';
import type { Starters } from './starter';

/** How words start on a banner: air around them as a share of its height, tracking, and how small they may become (common practice). */
const ON_BANNER = { air: 0.24, trackingPermille: 120, leastPx: 4 } as const;

/** Words that stand on a shape, centered on its line, bent along with it and fitted to its room. */
export function bannerWords(id: string, text: string, shape: Shape, family: string): Lettering {
  const heightPx = 'heightPx' in shape.form ? Number(shape.form.heightPx) : 90;
  const bent = 'bendDeg' in shape.form || 'wavePx' in shape.form;
  return expect(
    createPart({
      kind: 'lettering',
      id,
      text,
      case: 'upper',
      font: { family },
      fallback: lenderOf(family, text),
      sizePx: Math.max(ON_BANNER.leastPx, Math.round(heightPx * 0.7)),
      trackingPermille: ON_BANNER.trackingPermille,
      paint: { role: 'role' in shape.paint && shape.paint.role === 'paper' ? 'ink' : 'paper' },
      line: {
        shape: 'curve',
        points: [],
        along: { part: shape.id, offPx: 0, centered: true },
        letters: bent ? 'bent' : 'turned',
        spacingAtPercent: bent ? 50 : 0,
      },
      fit: {
        to: { kind: 'panel', part: shape.id, airPx: Math.round(heightPx * ON_BANNER.air) },
        by: [{ means: 'size', min: ON_BANNER.leastPx, max: Math.max(ON_BANNER.leastPx, Math.round(heightPx)) }],
      },
    }),
  ) as Lettering;
}

/** One for each shape of the mark that holds words and has none yet; the one in hand first. */
export const bannerWordsStarters: Starters = ({ recipe, brandName, secondFamily, chosen }) => {
  const taken = new Set(
    recipe.parts.flatMap((part) => (part.kind === 'lettering' && part.line.shape === 'curve' ? (part.line.along?.part ?? []) : [])),
  );
  const holders = recipe.parts
    .filter((part) => part.kind === 'shape')
    .filter((part) => formKind(part.form.form).textLine && !taken.has(part.id));
  const first = recipe.parts.find((part) => part.kind === 'lettering');
  const family = secondFamily ?? (first?.kind === 'lettering' ? first.font.family : startingFamily(brandName));
  return [...holders]
    .sort((a, b) => Number(b.id === chosen) - Number(a.id === chosen))
    .map((shape) => ({
      id: `words-${shape.id}`,
      label: `Words on ${labelOf(shape).toLowerCase()}`,
      hint: 'centered on it and fitted to it',
      words: ['banner', 'ribbon', 'motto', 'text', 'panel', 'line'],
      texts: 1,
      make: ([text] = []) => {
        const part = bannerWords(freePartId(recipe, 'words'), text || brandName, shape, family);
        return { parts: [part], chosen: part.id };
      },
    }));
};
