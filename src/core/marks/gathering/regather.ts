import { compose, IDENTITY, invert, type Affine } from '../../geometry';
import { membersDeep, removePart, restack, takerOf } from './gather';
import { placeAt, placing } from '../part-base';
import type { Recipe } from '../recipe/recipe';
import { standsBy, takenBy, withMembers } from '../following/references';
import { isKnown, mapReferences, movesMembers, type KnownPart, type Part } from '../registry';

const partOf = (recipe: Recipe, id: string): KnownPart | undefined => recipe.parts.filter(isKnown).find((part) => part.id === id);

/** From the plane that a part's place is counted in to the mark's, by what the takers around it say. */
function outerOf(recipe: Recipe, id: string): Affine {
  let map = IDENTITY;
  for (let up = takerOf(recipe, id); up; up = takerOf(recipe, up.id)) map = compose(placing(up.place), map);
  return map;
}

/** Whether a part may be drawn by another one: not by itself, nor by what it draws, nor by one that stands its members where it wants. */
export function mayEnter(recipe: Recipe, id: string, into: string): boolean {
  const taker = partOf(recipe, into);
  return (
    taker !== undefined &&
    'members' in taker &&
    !movesMembers(taker) &&
    id !== into &&
    !membersDeep(recipe, id).has(into) &&
    partOf(recipe, id) !== undefined
  );
}

/**
 * Brings a part into another one that draws its members, or out of the one that does; it stays where it is seen.
 * @param into which part draws it from now on; none lets it stand by itself
 * @param position its place among its neighbors there, 0 the very back; left out, right in front of all
 * @returns the recipe unchanged where it may not go there
 */
export function movedInto(recipe: Recipe, id: string, into: string | undefined, position = Infinity): Recipe {
  const part = partOf(recipe, id);
  const before = takerOf(recipe, id);
  if (!part || (into !== undefined && !mayEnter(recipe, id, into))) return recipe;
  if (before?.id === into) return restack(recipe, id, position);
  const from = outerOf(recipe, id);
  const target = into === undefined ? undefined : partOf(recipe, into);
  const to = target ? compose(outerOf(recipe, target.id), placing(target.place)) : IDENTITY;
  const back = invert(to);
  if (!back) return recipe;
  const map = compose(back, from);
  // What stands by another part goes where that goes; only its own way from there is turned and scaled.
  const stands = standsBy(part).some((leader) => recipe.parts.some((each) => each.id === leader));
  const place = placeAt(compose(stands ? { ...map, e: 0, f: 0 } : map, placing(part.place)));
  const parts = recipe.parts.map((each): Part => {
    if (each.id === id) return { ...part, place } as KnownPart;
    if (!isKnown(each) || !('members' in each)) return each;
    // Whoever drew it draws it no more, by whichever name.
    const without = mapReferences(each, (other, as) => (other === id && as === 'takes' ? undefined : other));
    return each.id === into ? withMembers(without, [...takenBy(without), id]) : takenBy(each).includes(id) ? without : each;
  });
  const moved = { ...recipe, parts };
  // A taker that draws nothing any more goes with its last member.
  const emptied = before && takenBy(partOf(moved, before.id) ?? before).length === 0 ? before.id : undefined;
  const left = emptied === undefined ? moved : removePart(moved, emptied);
  return restack(left, id, position);
}
