import { derive, type Sources } from './derive';
import { freePartId } from '../recipe/edit';
import { MOST_PARTS, type Recipe } from '../recipe/recipe';
import { renamed } from './references';
import { isKnown, type KnownPart, type Part } from '../registry';

/**
 * The recipe with a linked part become what it shows: ordinary parts, which follow nobody any more and stand where it stood.
 * @returns nothing where it shows nothing, or the recipe would be too full
 */
export function brokenAway(recipe: Recipe, id: string, sources: Sources): Recipe | undefined {
  const link = recipe.parts.find((part) => part.id === id);
  if (link?.kind !== 'linked') return undefined;
  const derived = derive(recipe, sources).recipe.parts.filter(
    (part): part is KnownPart => isKnown(part) && (part.id === id || part.id.startsWith(`${id}.`)),
  );
  if (!derived.some((part) => part.id === id && part.kind !== 'linked')) return undefined;
  if (recipe.parts.length + derived.length - 1 > MOST_PARTS) return undefined;
  const names = new Map<string, string>();
  let taken = recipe;
  for (const part of derived) {
    // Derived members bear names that no stored part can have.
    const name = part.id === id ? id : freePartId(taken, part.kind);
    names.set(part.id, name);
    taken = { ...taken, parts: [...taken.parts, { kind: 'unknown', id: name, original: {} }] };
  }
  const free = derived.map((part) => renamed(part, names));
  return { ...recipe, parts: recipe.parts.flatMap((part): readonly Part[] => (part.id === id ? free : [part])) };
}
