import type { Problem } from '../result/result';
import { firstLetter } from '../type';
import { takeLetters } from './lettering/anchors';
import type { Lettering } from './lettering/schema';
import type { Linked } from './parts/linked';
import type { Recipe } from './recipe';
import type { Part } from './registry';

/** The recipes of the marks that others may follow, by mark id. */
export type Sources = ReadonlyMap<string, Recipe>;

export interface Derived {
  readonly recipe: Recipe;
  /** What could not be followed, by part id. */
  readonly notices: ReadonlyMap<string, readonly Problem[]>;
}

/** How far one mark may follow another that follows another. */
const DEEPEST_LINK = 8;

type Followed = { readonly part: Part } | { readonly problem: Problem };

/** The marks a recipe looks at directly. */
export const marksFollowedBy = (recipe: Recipe): readonly string[] => [
  ...new Set(recipe.parts.flatMap((part) => (part.kind === 'linked' ? [part.from.mark] : []))),
];

/**
 * Puts the followed parts in the place of every linked part. A pure function; nothing is copied into storage.
 * The derived part keeps its own id, place, opacity and blend, and overrides size and color where it says so.
 */
export function derive(recipe: Recipe, sources: Sources): Derived {
  const notices = new Map<string, readonly Problem[]>();
  if (!recipe.parts.some(({ kind }) => kind === 'linked')) return { recipe, notices };
  const parts = recipe.parts.map((part): Part => {
    if (part.kind !== 'linked') return part;
    const followed = follow(part, sources, DEEPEST_LINK);
    if ('part' in followed) return followed.part;
    notices.set(part.id, [followed.problem]);
    return part;
  });
  return { recipe: { ...recipe, parts }, notices };
}

function follow(link: Linked, sources: Sources, depth: number): Followed {
  if (depth === 0)
    return {
      problem: {
        code: 'link-circle',
        message: 'This part follows itself through other marks.',
        fix: 'Follow a part that does not depend on this one.',
      },
    };
  const source = sources.get(link.from.mark)?.parts.find((part) => part.id === link.from.part);
  if (!source)
    return {
      problem: { code: 'link-broken', message: 'The part this one follows is gone.', fix: 'Follow another part, or remove this one.' },
    };
  if (source.kind === 'unknown')
    return { problem: { code: 'not-understood', message: 'The part this one follows was made by a newer version.' } };
  const concrete = source.kind === 'linked' ? follow(source, sources, depth - 1) : { part: source };
  if (!('part' in concrete)) return concrete;
  if (concrete.part.kind === 'lettering') return { part: takeLettering(link, concrete.part) };
  if (concrete.part.kind !== 'shape') return { problem: { code: 'link-broken', message: 'The part this one follows cannot be followed.' } };
  return { part: { ...concrete.part, ...ownFields(link), ...(link.paint ? { paint: link.paint } : {}) } };
}

const ownFields = ({ id, name, place, opacity, blend, hidden, locked, ghost }: Linked) => ({
  id,
  name,
  place,
  opacity,
  blend,
  hidden,
  locked,
  ghost,
});

/** What a lettering has only among its own neighbors: another mark has neither its first line nor its ring or curve. */
const alone = (source: Lettering): Lettering => {
  const { line } = source;
  const own = line.shape === 'arc' ? { ...line, around: null } : line.shape === 'curve' ? { ...line, along: null } : line;
  return { ...source, companion: null, fit: null, line: own };
};

/** The first letter, with all that was done to it, on a straight line of its own. */
const initialOf = (source: Lettering): Lettering => ({
  ...takeLetters(source, source.text.indexOf(firstLetter(source.text) ?? ''), firstLetter(source.text) ?? ''),
  trackingPermille: 0,
  align: 'center',
  line: { shape: 'straight' },
});

const takeLettering = (link: Linked, source: Lettering): Lettering => ({
  ...alone(link.take === 'initial' ? initialOf(source) : source),
  ...ownFields(link),
  ...(link.sizePx === null ? {} : { sizePx: link.sizePx }),
  ...(link.paint ? { paint: link.paint } : {}),
});
