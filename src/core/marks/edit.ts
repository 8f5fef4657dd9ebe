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

/** The first of `lettering-1`, `lettering-2` … that no part is called. */
export function freePartId(recipe: Recipe, kind: string): string {
  const taken = new Set(recipe.parts.map((part) => part.id));
  for (let n = 1; ; n++) if (!taken.has(`${kind}-${n}`)) return `${kind}-${n}`;
}
