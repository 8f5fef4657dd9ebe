import { compose, type Affine, type Bounds } from '../../geometry';
import { expect } from '../../result/result';
import { placeAt, placing } from '../part-base';
import { copiesOf } from '../parts/symmetry';
import { createPart, MOST_PARTS, type Recipe } from '../recipe/recipe';
import { renamed, standsBy, takenBy, withMembers } from '../following/references';
import { isKnown, type KnownInput, type KnownPart, type Part } from '../registry';
import { freePartId } from '../recipe/edit';

/** A recipe after an edit, and the part the designer goes on with. */
export interface Gathered {
  readonly recipe: Recipe;
  readonly id: string;
}

const withParts = (recipe: Recipe, parts: readonly Part[]): Recipe => ({ ...recipe, parts });
const knownPart = (recipe: Recipe, id: string): KnownPart | undefined => recipe.parts.filter(isKnown).find((part) => part.id === id);

/** The parts that a part draws in its place, theirs, and so on. */
export function membersDeep(recipe: Recipe, id: string): ReadonlySet<string> {
  const found = new Set<string>();
  const visit = (at: string): void => {
    const part = knownPart(recipe, at);
    for (const member of part ? takenBy(part) : []) {
      if (found.has(member)) continue;
      found.add(member);
      visit(member);
    }
  };
  visit(id);
  return found;
}

/** The part that draws another in its place. */
export const takerOf = (recipe: Recipe, id: string): KnownPart | undefined =>
  recipe.parts.filter(isKnown).find((part) => takenBy(part).includes(id));

/**
 * Lets one new part draw several others in their place. It stands in front of the frontmost of them; parts that another part draws already come along with that part only.
 * @returns nothing when there is nothing to gather or the recipe is full
 */
export function gather(
  recipe: Recipe,
  ids: readonly string[],
  kind: string,
  make: (id: string, members: readonly string[]) => KnownInput,
): Gathered | undefined {
  const members = recipe.parts.filter((part) => isKnown(part) && ids.includes(part.id)).map(({ id }) => id);
  if (members.length === 0 || recipe.parts.length >= MOST_PARTS) return undefined;
  const id = freePartId(recipe, kind);
  const taker = expect(createPart(make(id, members)));
  // Members of one taker that are gathered anew stay within it: the new part takes their place among its members.
  const outer = takerOf(recipe, members[0] as string);
  const together = outer && members.every((member) => takenBy(outer).includes(member)) ? outer.id : undefined;
  const parts = recipe.parts.map((part): Part => {
    if (!isKnown(part) || !('members' in part)) return part;
    const left = part.members.filter((member) => !members.includes(member));
    if (left.length === part.members.length) return part;
    return withMembers(part, part.id === together ? [...left, id] : left);
  });
  const front = Math.max(...members.map((member) => parts.findIndex((part) => part.id === member)));
  return { recipe: dropEmpty(withParts(recipe, [...parts.slice(0, front + 1), taker, ...parts.slice(front + 1)]), id), id };
}

/** Takers that have lost all of their members are of no use. */
function dropEmpty(recipe: Recipe, keep?: string): Recipe {
  const empty = recipe.parts
    .filter((part) => isKnown(part) && part.id !== keep && 'members' in part && part.members.length === 0)
    .map(({ id }) => id);
  return empty.length === 0 ? recipe : empty.reduce((next, id) => removePart(next, id), recipe);
}

/** Opens a part that draws others: they stand by themselves again, where they stood. */
export function openTaker(recipe: Recipe, id: string): Recipe {
  const taker = knownPart(recipe, id);
  if (!taker || !('members' in taker)) return recipe;
  const around = placing(taker.place);
  const outer = takerOf(recipe, id);
  const parts = recipe.parts
    .filter((part) => part.id !== id)
    .map((part): Part => {
      if (!isKnown(part)) return part;
      if (taker.members.includes(part.id)) {
        // What stands by another part goes where that goes; only its own way from there is turned and scaled.
        const stands = standsBy(part).some((leader) => recipe.parts.some((each) => each.id === leader));
        return { ...part, place: placeAt(compose(stands ? { ...around, e: 0, f: 0 } : around, placing(part.place))) };
      }
      return outer?.id === part.id && 'members' in part
        ? withMembers(
            part,
            part.members.flatMap((member) => (member === id ? taker.members : [member])),
          )
        : part;
    });
  return withParts(recipe, parts);
}

/** The recipe without a part and without those it draws in its place; whoever drew it lets go of it. */
export function removePart(recipe: Recipe, id: string): Recipe {
  const gone = new Set([id, ...membersDeep(recipe, id)]);
  const parts = recipe.parts
    .filter((part) => !gone.has(part.id))
    .map((part): Part => {
      if (!isKnown(part) || !('members' in part) || !part.members.some((member) => gone.has(member))) return part;
      return withMembers(
        part,
        part.members.filter((member) => !gone.has(member)),
      );
    });
  return dropEmpty(withParts(recipe, parts));
}

/** Copies of parts, and what each copy of those that were asked for is called. */
export interface Copies {
  readonly parts: readonly KnownPart[];
  readonly ids: readonly string[];
}

/**
 * Copies of parts and of all that they draw, under ids that are free; what they name among themselves names the copies.
 * @param move where the copies of the parts themselves go, after their own places
 * @param among where the new ids must be free
 * @param others what becomes of references to parts that are not copied; they stay, unless said otherwise
 */
export function copyDeep(
  recipe: Recipe,
  asked: readonly string[],
  move?: Affine,
  among: Recipe = recipe,
  others?: (id: string) => string | undefined,
): Copies | undefined {
  const wanted = new Set(asked.flatMap((id) => [id, ...membersDeep(recipe, id)]));
  const originals = recipe.parts.filter(isKnown).filter((part) => wanted.has(part.id));
  if (originals.length === 0) return undefined;
  const names = new Map<string, string>();
  // Neither a name in use here nor one that the originals have: what stays named must not meet a copy.
  let taken = withParts(among, [...among.parts, ...recipe.parts.filter(({ id }) => !among.parts.some((part) => part.id === id))]);
  for (const part of originals) {
    const name = freePartId(taken, part.kind);
    names.set(part.id, name);
    taken = withParts(taken, [...taken.parts, { kind: 'unknown', id: name, original: {} }]);
  }
  const copy = (part: KnownPart): KnownPart => {
    const own = renamed(part, names, others);
    if (!asked.includes(part.id) || !move) return own;
    // A copy that stands by a copy goes along with it already.
    const goes = standsBy(part).some((leader) => names.has(leader)) ? { ...move, e: 0, f: 0 } : move;
    return { ...own, place: placeAt(compose(goes, placing(part.place))) };
  };
  return { parts: originals.map(copy), ids: asked.flatMap((id) => names.get(id) ?? []) };
}

/** The recipe with a copy of a part, and of all that it draws, right in front of it and a little aside. */
export function duplicatePart(recipe: Recipe, id: string): Gathered | undefined {
  const copied = copyDeep(recipe, [id], { a: 1, b: 0, c: 0, d: 1, e: 12, f: 12 });
  const [copy] = copied?.ids ?? [];
  if (!copied || copy === undefined || recipe.parts.length + copied.parts.length > MOST_PARTS) return undefined;
  const at = recipe.parts.findIndex((part) => part.id === id);
  const outer = takerOf(recipe, id);
  const parts = [...recipe.parts.slice(0, at + 1), ...copied.parts, ...recipe.parts.slice(at + 1)].map((part): Part =>
    outer?.id === part.id && isKnown(part) && 'members' in part ? withMembers(part, [...part.members, copy]) : part,
  );
  return { recipe: withParts(recipe, parts), id: copy };
}

/**
 * Releases one copy of a live set: it becomes parts of its own that stand where it stood, and the set goes on without it.
 * @param ink of what is repeated, in the set's plane
 */
export function releaseCopy(recipe: Recipe, id: string, copy: number, ink: Bounds | undefined): Gathered | undefined {
  const set = knownPart(recipe, id);
  if (set?.kind !== 'symmetry' || copy < 1 || set.released.includes(copy)) return undefined;
  const map = copiesOf(set, ink)[copy];
  if (!map) return undefined;
  let next = recipe;
  const freed: string[] = [];
  for (const member of set.members) {
    const copied = copyDeep(next, [member], compose(placing(set.place), map));
    if (!copied || next.parts.length + copied.parts.length > MOST_PARTS) return undefined;
    next = withParts(next, [...next.parts, ...copied.parts]);
    freed.push(...copied.ids);
  }
  next = withParts(
    next,
    next.parts.map((part): Part => (part.id === id ? { ...set, released: [...set.released, copy].sort((a, b) => a - b) } : part)),
  );
  const [only] = freed;
  if (freed.length === 1 && only) return { recipe: next, id: only };
  return gather(next, freed, 'group', (name, members) => ({ kind: 'group', id: name, members: [...members] }));
}

/** Of parts that are moved together, those that must be moved: the others are drawn by one of them or stand by one, and go along. */
export function goingAlone<P extends KnownPart>(recipe: Recipe, parts: readonly P[]): readonly P[] {
  const chosen = new Set(parts.map(({ id }) => id));
  const carried = (id: string, seen: Set<string>): boolean => {
    const part = knownPart(recipe, id);
    if (!part || seen.has(id)) return false;
    seen.add(id);
    const taker = takerOf(recipe, id)?.id;
    return [...standsBy(part), ...(taker === undefined ? [] : [taker])].some((up) => (chosen.has(up) && up !== id) || carried(up, seen));
  };
  const free = parts.filter(({ id }) => !carried(id, new Set()));
  // Parts that stand by each other in a circle stand where they say themselves.
  return free.length > 0 ? free : parts;
}

/** The parts that no other draws, back to front. */
export function topLevel(recipe: Recipe): readonly Part[] {
  const taken = new Set(recipe.parts.filter(isKnown).flatMap((part) => takenBy(part).filter((id) => id !== part.id)));
  return recipe.parts.filter((part) => !taken.has(part.id));
}

/**
 * Brings a part to another place among its neighbors: those of the same part that draws them, or those that stand by themselves. Members stay right behind whoever draws them.
 * @param position 0 is the very back; beyond the ends is the end
 */
export function restack(recipe: Recipe, id: string, position: number): Recipe {
  const taker = takerOf(recipe, id);
  const neighbors = taker ? recipe.parts.filter((part) => takenBy(taker).includes(part.id)) : topLevel(recipe);
  const part = neighbors.find((each) => each.id === id);
  if (!part) return recipe;
  const others = neighbors.filter((each) => each.id !== id);
  const at = Math.min(Math.max(0, position), others.length);
  const order = [...others.slice(0, at), part, ...others.slice(at)];
  const ranks = new Map(order.map((each, index) => [each.id, index]));
  const blocks = (among: readonly Part[]): readonly Part[] =>
    among.flatMap((each) => {
      const own = isKnown(each) ? takenBy(each) : [];
      const members = recipe.parts.filter((member) => member.id !== each.id && own.includes(member.id));
      return [...blocks(sorted(members)), each];
    });
  const sorted = (among: readonly Part[]): readonly Part[] =>
    among.every((each) => ranks.has(each.id))
      ? [...among].sort((one, other) => (ranks.get(one.id) ?? 0) - (ranks.get(other.id) ?? 0))
      : among;
  const parts = blocks(sorted(topLevel(recipe)));
  return parts.length === recipe.parts.length ? withParts(recipe, parts) : recipe;
}
