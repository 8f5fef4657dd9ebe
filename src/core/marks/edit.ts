import { MOST_PARTS, type Recipe } from './recipe';
import type { KnownPart, Part } from './registry';

/** Fields to change in a part of a kind; each replaces the field of that name. */
export type PartChange<P extends KnownPart = KnownPart> = { readonly [K in keyof P]?: P[K] };

const withParts = (recipe: Recipe, parts: readonly Part[]): Recipe => ({ ...recipe, parts });

/** The recipe with one part changed; parts that are not understood are never touched. */
export const changePart = (recipe: Recipe, id: string, change: PartChange): Recipe =>
  withParts(
    recipe,
    recipe.parts.map((part) => (part.id === id && part.kind !== 'unknown' ? ({ ...part, ...change } as KnownPart) : part)),
  );

/** The recipe with a part on top, in front of all others; unchanged when it is full. */
export const addPart = (recipe: Recipe, part: KnownPart): Recipe =>
  recipe.parts.length >= MOST_PARTS ? recipe : withParts(recipe, [...recipe.parts, part]);

export const removePart = (recipe: Recipe, id: string): Recipe =>
  withParts(
    recipe,
    recipe.parts.filter((part) => part.id !== id),
  );

/** The recipe with a part at another place in the stack; 0 is the very back, and a place beyond the ends is the end. */
export function restack(recipe: Recipe, id: string, position: number): Recipe {
  const part = recipe.parts.find((candidate) => candidate.id === id);
  if (!part) return recipe;
  const others = recipe.parts.filter((candidate) => candidate.id !== id);
  const place = Math.min(Math.max(0, position), others.length);
  return withParts(recipe, [...others.slice(0, place), part, ...others.slice(place)]);
}

/** The first of `lettering-1`, `lettering-2` … that no part is called. */
export function freePartId(recipe: Recipe, kind: string): string {
  const taken = new Set(recipe.parts.map((part) => part.id));
  for (let n = 1; ; n++) if (!taken.has(`${kind}-${n}`)) return `${kind}-${n}`;
}

/** The recipe with a copy of a part right in front of it, a little aside so that it can be seen; the copy's id comes along. */
export function duplicatePart(recipe: Recipe, id: string): { readonly recipe: Recipe; readonly id: string } | undefined {
  const at = recipe.parts.findIndex((part) => part.id === id);
  const part = recipe.parts[at];
  if (!part || part.kind === 'unknown' || recipe.parts.length >= MOST_PARTS) return undefined;
  const copy = { ...part, id: freePartId(recipe, part.kind), place: { ...part.place, x: part.place.x + 12, y: part.place.y + 12 } };
  return { recipe: withParts(recipe, [...recipe.parts.slice(0, at + 1), copy, ...recipe.parts.slice(at + 1)]), id: copy.id };
}
