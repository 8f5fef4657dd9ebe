import { expect } from '../../result/result';
import { renamed, withMembers } from '../following/references';
import type { GroupPart } from '../parts/group';
import { freePartIds } from '../starters/starter';
import { createPart, type Recipe } from '../recipe/recipe';
import { isKnown, type KnownPart, type Part } from '../registry';
import type { BuildContext, Made } from './builder';
import type { Built } from './built';
import { merged, same } from './merge';
import { madeBy } from './registry';

/** Slots that no other of the made parts draws: what the group holds. */
function outermost(parts: readonly KnownPart[]): readonly string[] {
  const taken = new Set(parts.flatMap((part) => ('members' in part ? part.members : [])));
  return parts.filter(({ id }) => !taken.has(id)).map(({ id }) => id);
}

/** A group that is built, with all that it draws, members right behind it; nothing where nothing can be built. */
export function builtParts(
  recipe: Recipe,
  id: string,
  built: Omit<Built, 'slots'>,
  context: BuildContext,
  group: Partial<Pick<GroupPart, 'place' | 'name'>> = {},
): readonly KnownPart[] | undefined {
  const made = madeBy(built, context);
  if (!made || made.parts.length === 0) return undefined;
  const ids = freePartIds(
    { ...recipe, parts: [...recipe.parts, { kind: 'unknown', id, original: {} }] },
    made.parts.map(({ kind }) => kind),
  );
  const names = new Map(made.parts.map((part, index) => [part.id, ids[index] as string]));
  const slots = Object.fromEntries(names);
  const whole = expect(
    createPart({
      kind: 'group',
      id,
      ...group,
      members: outermost(made.parts).map((slot) => names.get(slot) as string),
      built: { ...built, slots },
    }),
  );
  return [...made.parts.map((part) => renamed(part, names)), whole];
}

/**
 * The recipe with a built group built anew, by other numbers or after other words. What was changed by hand stays; what was removed by hand stays
 * away; what was put into the group by hand stays in it.
 * @param before what it was built with before, as its own numbers say; the context of then hears what was heard then
 * @returns nothing where it cannot be built here
 */
export function rebuilt(
  recipe: Recipe,
  id: string,
  next: Pick<Built, 'numbers' | 'heard'>,
  context: Omit<BuildContext, 'heard'>,
): Recipe | undefined {
  const group = recipe.parts.find((part) => part.id === id);
  if (group?.kind !== 'group' || !group.built) return undefined;
  const { built } = group;
  const base = madeBy(built, { ...context, heard: built.heard });
  const made = madeBy({ ...built, ...next }, { ...context, heard: next.heard });
  if (!base || !made) return undefined;
  const { parts, members, slots } = mergedParts(recipe, group, built, base, made);
  const old = new Set([...Object.values(built.slots), ...Object.values(slots)]);
  const whole: KnownPart = { ...group, members: [...members], built: { ...built, ...next, slots } };
  const rest = recipe.parts.filter((part) => !old.has(part.id));
  return { ...recipe, parts: rest.flatMap((part): readonly Part[] => (part.id === id ? [...parts, whole] : [part])) };
}

function mergedParts(recipe: Recipe, group: GroupPart, built: Built, base: Made, made: Made) {
  const byId = new Map(recipe.parts.filter(isKnown).map((part) => [part.id, part]));
  const before = new Map(base.parts.map((part) => [part.id, part]));
  // What was once made and is not there any more was removed by hand.
  const removed = new Set([...before.keys()].filter((slot) => !byId.has(built.slots[slot] ?? '')));
  const wanted = made.parts.filter(({ id }) => !removed.has(id));
  const fresh = wanted.filter(({ id }) => built.slots[id] === undefined);
  const ids = freePartIds(
    recipe,
    fresh.map(({ kind }) => kind),
  );
  const names = new Map<string, string>(Object.entries(built.slots));
  fresh.forEach(({ id }, index) => names.set(id, ids[index] as string));
  const own = new Set(names.values());
  const withBefore = new Map([...names, ...[...before.keys()].filter((slot) => !names.has(slot)).map((slot) => [slot, slot] as const)]);
  const parts = wanted.map((part): KnownPart => {
    const then = renamed(part, names);
    const here = byId.get(then.id);
    const once = before.get(part.id);
    if (!here || !once) return withoutGone(then, removed);
    const now = merged(renamed(once, withBefore), here, then);
    // What was put in by hand stays in; what is made stands as it is made now.
    const added = 'members' in here ? here.members.filter((member) => !own.has(member) && byId.has(member)) : [];
    return withoutGone('members' in now && 'members' in then ? withMembers(now, [...then.members, ...added]) : now, removed);
  });
  const gone = new Set([...removed].flatMap((slot) => names.get(slot) ?? slot));
  const added = group.members.filter((member) => !own.has(member) && byId.has(member));
  const members = [...outermost(wanted).map((slot) => names.get(slot) as string), ...added].filter((member) => !gone.has(member));
  const slots = Object.fromEntries([
    ...made.parts.filter(({ id }) => !removed.has(id)).map(({ id }) => [id, names.get(id) as string]),
    // Removed ones are remembered by names that no part has, so that they stay away.
    ...[...removed].filter((slot) => built.slots[slot] !== undefined).map((slot) => [slot, built.slots[slot] as string]),
  ]) as Readonly<Record<string, string>>;
  return { parts, members, slots };
}

/** Members that were removed by hand are drawn by nobody. */
const withoutGone = (part: KnownPart, removed: ReadonlySet<string>): KnownPart =>
  'members' in part && part.members.some((member) => removed.has(member))
    ? withMembers(
        part,
        part.members.filter((member) => !removed.has(member)),
      )
    : part;

/** Whether two heard things are one. */
export const hearsTheSame = (one: Built['heard'], other: Built['heard']): boolean => same(one, other);
