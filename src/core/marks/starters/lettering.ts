import { heightOf, widthOf, type Bounds } from '../../geometry';
import { expect } from '../../result/result';
import { lenderOf, startingFamily, startingRows } from '../../type';
import { takerOf } from '../gathering/gather';
import { lettersOf } from '../lettering/anchors';
import { SIZE_LIMITS, type Lettering } from '../lettering/schema';
import { freePartId } from '../recipe/edit';
import { createPart, type Recipe } from '../recipe/recipe';
import type { KnownPart } from '../registry';
import { liesBehind } from './shapes';
import type { Starters } from './starter';

/**
 * How a new line of text starts (common practice): its size where nothing is there, the mean advance of letters in ems, how much of a
 * backing's width it may take in its middle and below that, and how far down it stands where the middle is taken.
 */
const LINE = { sizePx: 120, advanceEm: 0.6, middle: 0.56, lower: 0.36, down: 0.28, leastPx: 8 } as const;
/** Height of capitals and air above a line, in ems; only where new lines begin. */
const EM = { capital: 0.7, air: 0.5 } as const;

/** A line of text in a face that has its letters. */
export const nameLettering = (id: string, text: string, sizePx: number = LINE.sizePx, at = { x: 0, y: 0 }): Lettering => {
  const family = startingFamily(text);
  const fallback = lenderOf(family, text);
  return expect(createPart({ kind: 'lettering', id, text, font: { family }, fallback, sizePx, place: { ...at, turnDeg: 0 } })) as Lettering;
};

/** How much larger a part is seen than it says, by its own scale and those of all that it stands in. */
function scaleOf(recipe: Recipe, part: KnownPart): number {
  let scale = 1;
  const seen = new Set<string>();
  for (let at: KnownPart | undefined = part; at && !seen.has(at.id); at = takerOf(recipe, at.id)) {
    seen.add(at.id);
    scale *= 'place' in at ? (at.place.scale ?? 1) : 1;
  }
  return scale;
}

/**
 * A new line where it is read: in the middle of a backing that waits for it, lower there where the middle is taken, else under all that is
 * there, as large as the largest line.
 */
export function newLettering(recipe: Recipe, text: string, ink: Bounds | undefined): Lettering {
  const id = freePartId(recipe, 'lettering');
  if (!ink || widthOf(ink) <= 0) return nameLettering(id, text);
  const x = Math.round((ink.left + ink.right) / 2);
  const lines = recipe.parts.filter((part) => part.kind === 'lettering' && !part.hidden);
  const largest = Math.max(0, ...lines.map((part) => (part.kind === 'lettering' ? part.sizePx * scaleOf(recipe, part) : 0))) || LINE.sizePx;
  const longest = Math.max(1, ...text.split('\n').map((each) => lettersOf(each).length));
  const within = (share: number) => (share * widthOf(ink)) / (LINE.advanceEm * longest);
  const size = (most: number, share: number) =>
    Math.round(Math.min(SIZE_LIMITS.max, Math.max(LINE.leastPx, Math.min(most, within(share)))));
  if (!recipe.parts.some((part) => liesBehind(part, ink))) {
    const sizePx = Math.round(Math.min(SIZE_LIMITS.max, Math.max(LINE.leastPx, largest)));
    return nameLettering(id, text, sizePx, { x, y: Math.round(ink.bottom + (EM.capital + EM.air) * sizePx) });
  }
  const taken = recipe.parts.some(
    (part) =>
      (part.kind === 'lettering' && part.line.shape === 'straight') || part.kind === 'art' || (part.kind === 'picture' && !part.reference),
  );
  const sizePx = taken ? size(largest, LINE.lower) : size(heightOf(ink) * 0.4, LINE.middle);
  const middle = (ink.top + ink.bottom) / 2 + (taken ? heightOf(ink) * LINE.down : 0);
  return nameLettering(id, text, sizePx, { x, y: Math.round(middle + (EM.capital / 2) * sizePx) });
}

export const letteringStarters: Starters = ({ recipe, ink, brandName }) => [
  {
    id: 'lettering',
    label: 'Lettering',
    hint: 'a line of live text',
    words: ['text', 'name', 'word', 'letters', 'type'],
    texts: 1,
    make: ([text] = []) => {
      const part = newLettering(recipe, text || startingRows(brandName), ink);
      return { parts: [part], chosen: part.id };
    },
  },
];
