import { MOST_PARTS, type Recipe } from './recipe';
import type { FontChoice } from '../../type';
import { idsInUse } from '../following/references';
import { linkedSchema } from '../parts/linked';
import type { KnownPart, Part } from '../registry';

/** Fields to change in a part of a kind; each replaces the field of that name. */
export type PartChange<P extends KnownPart = KnownPart> = { readonly [K in keyof P]?: P[K] };

const withParts = (recipe: Recipe, parts: readonly Part[]): Recipe => ({ ...recipe, parts });

const LINK_FIELDS: ReadonlySet<string> = new Set(Object.keys(linkedSchema.shape));

/** A part with fields replaced. What a linked part cannot say itself becomes its own in what it follows. */
function changed(part: KnownPart, change: PartChange): KnownPart {
  if (part.kind !== 'linked') return { ...part, ...change } as KnownPart;
  const fields = Object.entries(change);
  const own = fields.filter(([field, value]) => !LINK_FIELDS.has(field) && value !== undefined);
  const link = { ...part, ...Object.fromEntries(fields.filter(([field]) => LINK_FIELDS.has(field))) };
  return own.length === 0 ? link : { ...link, own: { ...link.own, ...Object.fromEntries(own) } };
}

/** The recipe with one part changed; parts that are not understood are never touched. */
export const changePart = (recipe: Recipe, id: string, change: PartChange): Recipe =>
  withParts(
    recipe,
    recipe.parts.map((part) => (part.id === id && part.kind !== 'unknown' ? changed(part, change) : part)),
  );

/** The recipe with another part in the place of one, under its id: what follows it goes on following. */
export const exchangePart = (recipe: Recipe, id: string, made: KnownPart): Recipe =>
  withParts(
    recipe,
    recipe.parts.map((part) => (part.id === id ? { ...made, id } : part)),
  );

/**
 * The recipe with a change made to one part that reaches all that are chosen with it, as far as it makes sense there: fields that a part has,
 * and of a place what changed in turn, size and flip. Where parts stand, what they are called, and what draws others stays each part's own.
 */
export function shareChange(recipe: Recipe, id: string, chosen: readonly string[], change: PartChange): Recipe {
  const first = changePart(recipe, id, change);
  const from = recipe.parts.find((part) => part.id === id);
  if (chosen.length < 2 || !chosen.includes(id) || !from || from.kind === 'unknown') return first;
  const shared = Object.entries(change);
  return withParts(
    first,
    first.parts.map((part) => {
      if (part.id === id || part.kind === 'unknown' || !chosen.includes(part.id)) return part;
      const fields = shared.flatMap(([field, value]): readonly (readonly [string, unknown])[] => {
        if (field === 'place') {
          const place = { ...part.place };
          const [before, now] = [from.place, value as KnownPart['place']];
          if (now.turnDeg !== before.turnDeg) place.turnDeg = now.turnDeg;
          if (now.scale !== before.scale) Object.assign(place, { scale: now.scale });
          if (now.flip !== before.flip) Object.assign(place, { flip: now.flip });
          return [['place', place]];
        }
        if (!reaches(from, part, field)) return [];
        if (field === 'font' && part.kind === 'lettering' && from.kind === 'lettering')
          return [['font', withFontChange(part.font, from.font, value as FontChoice)]];
        return [[field, value]];
      });
      return fields.length === 0 ? part : changed(part, Object.fromEntries(fields) as PartChange);
    }),
  );
}
/** A font with what changed in another one: its family and style, or single axes. A heavier weight makes no other face of it. */
const withFontChange = (font: FontChoice, before: FontChoice, now: FontChoice): FontChoice => ({
  family: now.family === before.family ? font.family : now.family,
  style: now.style === before.style ? font.style : now.style,
  axes: { ...font.axes, ...Object.fromEntries(Object.entries(now.axes).filter(([axis, value]) => before.axes[axis] !== value)) },
});

/** Whether a change of a field in one part means the same in another that is chosen with it. */
export const reaches = (from: KnownPart, other: KnownPart, field: string): boolean =>
  (OF_ALL.has(field) && (field !== 'paint' || 'paint' in other)) || (other.kind === from.kind && OF_A_KIND.has(field));

/** What means the same in every kind. */
const OF_ALL: ReadonlySet<string> = new Set([
  'opacity',
  'blend',
  'hidden',
  'locked',
  'ghost',
  'oneColor',
  'reversedAs',
  'paint',
  'treatments',
]);
/** What means the same in every part of one kind; all else (texts, outlines, what is followed) is each part's own. */
const OF_A_KIND: ReadonlySet<string> = new Set([
  'font',
  'fallback',
  'sizePx',
  'trackingPermille',
  'kerning',
  'opticalPercent',
  'case',
  'features',
  'align',
  'leadingPermille',
  'roughness',
  'weightPx',
  'widthPx',
  'join',
]);

/** The recipe with a part on top, in front of all others; unchanged when it is full. */
export const addPart = (recipe: Recipe, part: KnownPart): Recipe =>
  recipe.parts.length >= MOST_PARTS ? recipe : withParts(recipe, [...recipe.parts, part]);

/** The first of `lettering-1`, `lettering-2` … that no part is called, nor one that is gone and still named by others. */
export function freePartId(recipe: Recipe, kind: string): string {
  const taken = idsInUse(recipe);
  for (let n = 1; ; n++) if (!taken.has(`${kind}-${n}`)) return `${kind}-${n}`;
}
