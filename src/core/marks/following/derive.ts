import { expect, type Problem } from '../../result/result';
import { lettersOf, runOf, takeLetters } from '../lettering/anchors';
import type { Lettering } from '../lettering/schema';
import { partBase } from '../part-base';
import type { Linked } from '../parts/linked';
import { mapPaints, type Paint } from '../drawing/paint';
import { inOnePaint } from '../drawing/part-look';
import { paintKey, paintsIn } from '../recipe/repaint';
import { canvasBox } from '../recipe/piece-canvas';
import { createPart, type Recipe } from '../recipe/recipe';
import { renamed, takenBy, tracedBy } from './references';
import { isKnown, partKinds, type KnownPart, type Part } from '../registry';
import { topLevel } from '../gathering/gather';
import { MOST_TREATMENTS } from '../../color/palette';
import { freeTreatmentId } from '../treating/edit';
import type { Treatment } from '../treating/registry';

/** The recipes of the marks that others may follow, by mark id. */
export type Sources = ReadonlyMap<string, Recipe>;
/** The same marks, each looked at through a step that keeps what has not changed. */
export const freshened = (sources: Sources, fresh: (recipe: Recipe) => Recipe): Sources => {
  if ([...sources.values()].every((recipe) => fresh(recipe) === recipe)) return sources;
  return new Map([...sources].map(([mark, recipe]) => [mark, fresh(recipe)]));
};

/** Where recipes are looked up on the way. */
type Shelf = Pick<Sources, 'get'>;

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
type Followed = { readonly parts: readonly Part[]; readonly notices?: readonly Problem[] } | { readonly problem: Problem };

/** The marks a recipe looks at directly. */
export const marksFollowedBy = (recipe: Recipe): readonly string[] => [
  ...new Set(
    recipe.parts.flatMap((part) =>
      part.kind === 'linked' ? (part.from.mark ?? []) : part.kind === 'group' ? (part.built?.follows?.mark ?? []) : [],
    ),
  ),
];

/** The paints of a mark and of all that it follows, each once per mark. @param recipes all marks of the brand by id */
export function paintsFollowed(markId: string, recipes: ReadonlyMap<string, Recipe>): readonly Paint[] {
  const paints: Paint[] = [];
  const seen = new Set([markId]);
  // A set is walked to its last member, those included that come in on the way.
  for (const id of seen) {
    const recipe = recipes.get(id);
    if (!recipe) continue;
    paints.push(...paintsIn(recipe));
    for (const followed of marksFollowedBy(recipe)) seen.add(followed);
  }
  return paints;
}

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
const EMPTY_RUN: Problem = {
  code: 'link-run-empty',
  message: 'The text this part follows has no such letters, words or lines.',
  fix: 'Take another run of it.',
};
const ALONE: Problem = {
  code: 'link-broken',
  message: 'The part this one follows is drawn from a part beside it, and cannot be followed without it.',
  fix: 'Group the two, and follow the group.',
};

/**
 * Puts the followed parts in the place of every linked part. A pure function; nothing is copied into storage.
 * The derived part keeps its own id, place, opacity and blend, and overrides whatever it says is its own, each property alone. A part that draws
 * others brings them along, under ids made from its own.
 */
export function derive(recipe: Recipe, sources: Sources): Derived {
  const notices = new Map<string, readonly Problem[]>();
  if (!recipe.parts.some(({ kind }) => kind === 'linked')) return { recipe, notices };
  const parts = recipe.parts.flatMap((part): readonly Part[] => {
    if (part.kind !== 'linked') return [part];
    const followed = followKept(part, recipe, sources);
    if ('parts' in followed) {
      if (followed.notices) notices.set(part.id, followed.notices);
      return followed.parts;
    }
    notices.set(part.id, [followed.problem]);
    return [part];
  });
  return { recipe: { ...recipe, parts }, notices };
}

/** The mark whose recipe is derived; no other mark is called so. */
const HERE = '';
/** The recipes that were looked at, and the marks that were not there. */
type Through = Map<string, Recipe | undefined>;

/** What each link led to last, and through which recipes: parts that have not changed are the same objects again. */
const kept = new WeakMap<Linked, { readonly through: Through; readonly followed: Followed }>();

function followKept(link: Linked, here: Recipe, others: Sources): Followed {
  const sources: Shelf = { get: (mark) => (mark === HERE ? here : others.get(mark)) };
  const before = kept.get(link);
  if (before && [...before.through].every(([mark, recipe]) => sources.get(mark) === recipe)) return before.followed;
  const through: Through = new Map();
  const followed = follow(link, HERE, { sources, through, underWay: new Set(), steps: { left: MOST_STEPS } });
  kept.set(link, { through, followed });
  return followed;
}

/** How links are followed once: through which recipes, which links are under way, and how many steps may still be taken. */
interface Way {
  readonly sources: Shelf;
  readonly through: Through;
  readonly underWay: Set<string>;
  readonly steps: { left: number };
}

const wholes = new WeakMap<Recipe, KnownPart>();

/** All of a mark, as a group of what stands by itself in it; of a piece, cut off at its canvas. Its id is none that a part can have. */
function wholeOf(recipe: Recipe): KnownPart {
  const before = wholes.get(recipe);
  if (before) return before;
  const { canvas } = recipe.whole ?? {};
  const box = canvas && canvasBox(canvas);
  const around = box
    ? { kind: 'frame' as const, fit: 'crop' as const, widthPx: box.right - box.left, heightPx: box.bottom - box.top }
    : { kind: 'group' as const };
  const whole = {
    ...expect(createPart({ ...around, id: 'all', members: [] })),
    id: '*',
    members: topLevel(recipe).map(({ id }) => id),
    // What is done to the mark as a whole is seen wherever it stands; a piece is cut off at its canvas first.
    ...(!box && recipe.whole?.treatments ? { treatments: recipe.whole.treatments } : {}),
  } as KnownPart;
  wholes.set(recipe, whole);
  return whole;
}

const grounded = new WeakMap<Recipe, Recipe>();

/** A piece with what it stands on as a part: whoever shows all of it shows that too. Marks stand on nothing, and stay what they are. */
function onItsGround(recipe: Recipe): Recipe {
  const { canvas } = recipe.whole ?? {};
  if (!canvas?.ground) return recipe;
  const before = grounded.get(recipe);
  if (before) return before;
  const { left, top, right, bottom } = canvasBox(canvas);
  const form = { form: 'panel', widthPx: right - left, heightPx: bottom - top, cornerPx: 0 } as const;
  const sheet = { ...expect(createPart({ kind: 'shape', id: 'ground', form, paint: canvas.ground })), id: '*ground' } as Part;
  const made = { ...recipe, parts: [sheet, ...recipe.parts] };
  grounded.set(recipe, made);
  return made;
}

/** @param home the mark that the link stands in */
function follow(link: Linked, home: string, way: Way): Followed {
  const mark = link.from.mark ?? home;
  const stored = way.sources.get(mark);
  way.through.set(mark, stored);
  const recipe = stored && link.from.part === null ? onItsGround(stored) : stored;
  const source =
    recipe &&
    (link.from.part === null ? link.from.mark !== null && wholeOf(recipe) : recipe.parts.find((part) => part.id === link.from.part));
  if (!recipe || !source) return { problem: BROKEN };
  const place = `${mark} ${source.id}`;
  if (way.underWay.has(place)) return { problem: CIRCLE };
  way.underWay.add(place);
  const expanded = expand(recipe, mark, source, way, new Set());
  way.underWay.delete(place);
  if (!('parts' in expanded)) return expanded;
  const names = new Map(expanded.parts.map(({ id }) => [id, id === source.id ? link.id : `${link.id}.${id}`]));
  const known = expanded.parts.filter(isKnown);
  if (known.some((part) => tracedBy(part).some((id) => !names.has(id)))) return { problem: ALONE };
  const notices: Problem[] = [];
  const parts = known.map((part) => inOtherColors(taken(part, part.id === source.id ? link : undefined, names, notices), link));
  return notices.includes(EMPTY_RUN) ? { problem: EMPTY_RUN } : { parts, ...(notices.length > 0 ? { notices } : {}) };
}

/** A part and all that it draws, every linked one among them replaced; the part itself last. */
function expand(recipe: Recipe, home: string, part: Part, way: Way, seen: Set<string>): Followed {
  if (part.kind === 'unknown')
    return { problem: { code: 'not-understood', message: 'The part this one follows was made by a newer version.' } };
  if (--way.steps.left < 0) return { problem: TOO_MUCH };
  if (part.kind === 'linked') return follow(part, home, way);
  seen.add(part.id);
  const members: Part[] = [];
  const drawn = new Set(takenBy(part));
  for (const member of drawn.size === 0 ? [] : recipe.parts) {
    if (!drawn.has(member.id) || seen.has(member.id)) continue;
    const found = expand(recipe, home, member, way, seen);
    // A member that cannot be followed is left out; the rest is still worth seeing.
    if ('parts' in found) members.push(...found.parts);
    else if (found.problem === TOO_MUCH) return found;
    if (members.length > MOST_FOLLOWED) return { problem: TOO_MUCH };
  }
  return { parts: [...members, part] };
}

/** A followed part in the colors that the link exchanges. */
function inOtherColors(part: KnownPart, { repaint }: Linked): KnownPart {
  if (repaint.length === 0) return part;
  const to = new Map(repaint.map((each) => [paintKey(each.from), each.to]));
  return mapPaints(part, (paint) => to.get(paintKey(paint)) ?? paint);
}

/** What every part has of its own, a linked one as well. */
const BASE: ReadonlySet<string> = new Set([...Object.keys(partBase), 'kind']);
const ownFields = (link: Linked) => Object.fromEntries(Object.entries(link).filter(([field]) => field !== 'kind' && BASE.has(field)));

/** What a link cannot have of its own: which parts are drawn, and what they are drawn from, is the followed part's. */
const NEVER_OWN: ReadonlySet<string> = new Set([...BASE, 'members', 'of', 'lines', 'from']);

/** The part with the link's own properties; one that its kind does not allow follows on, and is told. */
function withOwn(part: KnownPart, { own }: Linked, notices: Problem[]): KnownPart {
  const { schema } = partKinds[part.kind];
  let next = part;
  for (const [field, value] of Object.entries(own)) {
    const read = !NEVER_OWN.has(field) && field in schema.shape ? schema.safeParse({ ...next, [field]: value }) : undefined;
    if (read?.success) next = read.data as KnownPart;
    else
      notices.push({
        code: 'link-own-odd',
        message: `What this part has of its own (${propertyWords(field)}) does not suit what it follows, and is left out.`,
        fix: 'Let it follow again.',
      });
  }
  return next;
}

/** A property as a designer calls it: “trackingPermille” is the tracking. */
export const propertyWords = (field: string): string =>
  field.replace(/(Px|Permille|Percent|Deg)$/, '').replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

/** The part under its name here, following only what came along; the one that the link stands for with the link's own place and overrides. */
function taken(part: KnownPart, link: Linked | undefined, names: ReadonlyMap<string, string>, notices: Problem[]): KnownPart {
  const run = link && part.kind === 'lettering' ? takenOf(part, link) : part;
  if (!run) {
    notices.push(EMPTY_RUN);
    return part;
  }
  // Another mark has neither its first line nor its ring or curve: what did not come along is let go. In the same mark it may stay.
  const here = renamed(run, names, (id) => (link?.from.mark === null ? id : undefined));
  if (!link) return here;
  const sized = link.sizePx !== null && 'sizePx' in here ? ({ ...here, sizePx: link.sizePx } as KnownPart) : here;
  const painted = link.paint ? inOnePaint(sized, link.paint) : sized;
  return { ...withOwn(painted, link, notices), name: link.name, ...ownFields(link), ...bothTreated(part, link) } as KnownPart;
}

/** A whole mark that is treated where it stands keeps what is done to it at home: that comes first. */
function bothTreated(part: KnownPart, link: Linked): { readonly treatments?: Treatment[] } {
  const [home, here] = [part.treatments ?? [], link.treatments ?? []];
  if (link.from.part !== null || home.length === 0 || here.length === 0) return {};
  const all = here.reduce<readonly Treatment[]>((list, each) => [...list, { ...each, id: freeTreatmentId(list) }], home);
  return { treatments: all.slice(0, MOST_TREATMENTS) };
}

/** What a link takes of a lettering; nothing where there are no such letters. */
function takenOf(source: Lettering, { take, run }: Linked): Lettering | undefined {
  if (take === 'whole') return source;
  const first = lettersOf(source.text).findIndex((letter) => letter.trim() !== '');
  const { from, count } = take === 'initial' ? { from: first, count: first < 0 ? 0 : 1 } : runOf(source.text, run.of, run.from, run.count);
  if (count === 0) return take === 'initial' ? { ...source, text: '' } : undefined;
  const letters = takeLetters(source, from, count);
  // A space for a break: what is said of the letters is still said of the same ones.
  const joined = take === 'run' && run.joined ? { text: letters.text.replaceAll('\n', ' ') } : {};
  return { ...letters, ...joined, ...(take === 'initial' ? { trackingPermille: 0 } : {}), ...BY_ITSELF };
}
/** A piece of a line stands on a straight line of its own. */
const BY_ITSELF = { align: 'center', line: { shape: 'straight' }, companion: null, fit: null } as const;
