import { expect, type Problem } from '../result/result';
import { firstLetter } from '../type';
import { takeLetters } from './lettering/anchors';
import type { Lettering } from './lettering/schema';
import type { Linked } from './parts/linked';
import { inOnePaint } from './part-look';
import { createPart, type Recipe } from './recipe';
import { renamed, takenBy, tracedBy } from './references';
import { isKnown, type KnownPart, type Part } from './registry';
import { topLevel } from './gather';

/** The recipes of the marks that others may follow, by mark id. */
export type Sources = ReadonlyMap<string, Recipe>;

export interface Derived {
  readonly recipe: Recipe;
  /** What could not be followed, by part id. */
  readonly notices: ReadonlyMap<string, readonly Problem[]>;
}

/** Most parts that one link brings along, with all that they draw. */
const MOST_FOLLOWED = 500;
/** Most parts that are looked at on the way. */
const MOST_STEPS = 2000;

/** The parts in place of a linked one, the one that bears its name last; or why there are none. */
type Followed = { readonly parts: readonly Part[] } | { readonly problem: Problem };

/** The marks a recipe looks at directly. */
export const marksFollowedBy = (recipe: Recipe): readonly string[] => [
  ...new Set(recipe.parts.flatMap((part) => (part.kind === 'linked' ? [part.from.mark] : []))),
];

const BROKEN: Problem = {
  code: 'link-broken',
  message: 'The part this one follows is gone.',
  fix: 'Follow another part, or remove this one.',
};
const CIRCLE: Problem = {
  code: 'link-circle',
  message: 'This part follows itself through other marks.',
  fix: 'Follow a part that does not depend on this one.',
};
const TOO_MUCH: Problem = {
  code: 'link-too-much',
  message: `With all that it draws, the part this one follows has more than ${MOST_FOLLOWED} parts.`,
  fix: 'Follow a part of it.',
};
const ALONE: Problem = {
  code: 'link-broken',
  message: 'The part this one follows is drawn from a part beside it, and cannot be followed without it.',
  fix: 'Group the two, and follow the group.',
};

/**
 * Puts the followed parts in the place of every linked part. A pure function; nothing is copied into storage.
 * The derived part keeps its own id, place, opacity and blend, and overrides size and color where it says so. A part that draws others brings them along, under ids made from its own.
 */
export function derive(recipe: Recipe, sources: Sources): Derived {
  const notices = new Map<string, readonly Problem[]>();
  if (!recipe.parts.some(({ kind }) => kind === 'linked')) return { recipe, notices };
  const parts = recipe.parts.flatMap((part): readonly Part[] => {
    if (part.kind !== 'linked') return [part];
    const followed = followKept(part, sources);
    if ('parts' in followed) return followed.parts;
    notices.set(part.id, [followed.problem]);
    return [part];
  });
  return { recipe: { ...recipe, parts }, notices };
}

/** The recipes that were looked at, and the marks that were not there. */
type Through = Map<string, Recipe | undefined>;

/** What each link led to last, and through which recipes: parts that have not changed are the same objects again. */
const kept = new WeakMap<Linked, { readonly through: Through; readonly followed: Followed }>();

function followKept(link: Linked, sources: Sources): Followed {
  const before = kept.get(link);
  if (before && [...before.through].every(([mark, recipe]) => sources.get(mark) === recipe)) return before.followed;
  const through: Through = new Map();
  const followed = follow(link, { sources, through, underWay: new Set(), steps: { left: MOST_STEPS } });
  kept.set(link, { through, followed });
  return followed;
}

/** How links are followed once: through which recipes, which links are under way, and how many steps may still be taken. */
interface Way {
  readonly sources: Sources;
  readonly through: Through;
  readonly underWay: Set<string>;
  readonly steps: { left: number };
}

const wholes = new WeakMap<Recipe, KnownPart>();

/** All of a mark, as a group of what stands by itself in it. Its id is none that a part can have. */
function wholeOf(recipe: Recipe): KnownPart {
  const before = wholes.get(recipe);
  if (before) return before;
  const whole = {
    ...expect(createPart({ kind: 'group', id: 'all', members: [] })),
    id: '*',
    members: topLevel(recipe).map(({ id }) => id),
  } as KnownPart;
  wholes.set(recipe, whole);
  return whole;
}

function follow(link: Linked, way: Way): Followed {
  const recipe = way.sources.get(link.from.mark);
  way.through.set(link.from.mark, recipe);
  const source = recipe && (link.from.part === null ? wholeOf(recipe) : recipe.parts.find((part) => part.id === link.from.part));
  if (!recipe || !source) return { problem: BROKEN };
  const place = `${link.from.mark} ${source.id}`;
  if (way.underWay.has(place)) return { problem: CIRCLE };
  way.underWay.add(place);
  const expanded = expand(recipe, source, way, new Set());
  way.underWay.delete(place);
  if (!('parts' in expanded)) return expanded;
  const names = new Map(expanded.parts.map(({ id }) => [id, id === source.id ? link.id : `${link.id}.${id}`]));
  const known = expanded.parts.filter(isKnown);
  if (known.some((part) => tracedBy(part).some((id) => !names.has(id)))) return { problem: ALONE };
  return { parts: known.map((part) => taken(part, part.id === source.id ? link : undefined, names)) };
}

/** A part and all that it draws, every linked one among them replaced; the part itself last. */
function expand(recipe: Recipe, part: Part, way: Way, seen: Set<string>): Followed {
  if (part.kind === 'unknown')
    return { problem: { code: 'not-understood', message: 'The part this one follows was made by a newer version.' } };
  if (--way.steps.left < 0) return { problem: TOO_MUCH };
  if (part.kind === 'linked') return follow(part, way);
  seen.add(part.id);
  const members: Part[] = [];
  const drawn = new Set(takenBy(part));
  for (const member of drawn.size === 0 ? [] : recipe.parts) {
    if (!drawn.has(member.id) || seen.has(member.id)) continue;
    const found = expand(recipe, member, way, seen);
    // A member that cannot be followed is left out; the rest is still worth seeing.
    if ('parts' in found) members.push(...found.parts);
    else if (found.problem === TOO_MUCH) return found;
    if (members.length > MOST_FOLLOWED) return { problem: TOO_MUCH };
  }
  return { parts: [...members, part] };
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

/** The part under its name here, following only what came along; the one that the link stands for with the link's own place and overrides. */
function taken(part: KnownPart, link: Linked | undefined, names: ReadonlyMap<string, string>): KnownPart {
  // Another mark has neither its first line nor its ring or curve: what did not come along is let go.
  const here = renamed(link?.take === 'initial' && part.kind === 'lettering' ? initialOf(part) : part, names, () => undefined);
  if (!link) return here;
  const sized = link.sizePx !== null && 'sizePx' in here ? { ...here, sizePx: link.sizePx } : here;
  const painted = link.paint ? inOnePaint(sized, link.paint) : sized;
  return { ...painted, ...ownFields(link) } as KnownPart;
}

/** The first letter, with all that was done to it, on a straight line of its own. */
const initialOf = (source: Lettering): Lettering => ({
  ...takeLetters(source, source.text.indexOf(firstLetter(source.text) ?? ''), firstLetter(source.text) ?? ''),
  trackingPermille: 0,
  align: 'center',
  line: { shape: 'straight' },
  companion: null,
  fit: null,
});
