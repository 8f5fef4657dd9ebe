import LRUCache from 'lru-cache';
import { expect, recoverRecipe, type Recipe } from '$core/index';

/** So many characters of stored recipes are remembered with what they say; those not asked for longest are forgotten. */
const MOST_CHARACTERS = 4_000_000;
const read = new LRUCache<string, Recipe>({ maxSize: MOST_CHARACTERS, sizeCalculation: (_recipe, text) => text.length });

/**
 * A recipe that was stored, in today's version. What says the same is read once: every picture of a page asks for all marks of its brand, and
 * reading takes far longer than fetching.
 */
export function storedRecipe(stored: unknown): Recipe {
  const text = JSON.stringify(stored);
  const known = read.get(text);
  if (known) return known;
  const recipe = expect(recoverRecipe(stored));
  read.set(text, recipe);
  return recipe;
}
