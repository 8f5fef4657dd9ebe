import type { Combination, Part, Recipe } from '$core/index';

/** The weave that a part is, or that a built group holds; nothing where there is none. */
export function wovenIn(part: Part, recipe: Recipe): Combination | undefined {
  if (part.kind === 'combination') return part.how === 'weave' ? part : undefined;
  if (part.kind !== 'group' || !part.built) return undefined;
  return recipe.parts.find(
    (each): each is Combination => each.kind === 'combination' && each.how === 'weave' && part.members.includes(each.id),
  );
}

/** The crossings at which over and under are exchanged, with one of them turned about. */
export const switchedAt = ({ switched = [] }: Combination, index: number): number[] =>
  switched.includes(index) ? switched.filter((each) => each !== index) : [...switched, index].sort((one, other) => one - other);
