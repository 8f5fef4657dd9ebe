import type { Sources } from '../following/derive';
import { derive } from '../following/derive';
import type { Lettering } from '../lettering/schema';
import { MOST_PARTS, type Recipe } from '../recipe/recipe';
import type { BuildContext } from './builder';
import type { Built, Heard } from './built';
import { hearsTheSame, rebuilt } from './build';

const isBuilt = (recipe: Recipe): boolean => recipe.parts.some((part) => part.kind === 'group' && part.built?.follows);

/** What a lettering says to builders. */
export function heardFrom({ id, text, font }: Pick<Lettering, 'id' | 'text' | 'font'>, recipe: Recipe | undefined): Heard {
  const others = (recipe?.parts ?? []).filter(
    (part): part is Lettering => part.kind === 'lettering' && part.id !== id && part.text.trim() !== '',
  );
  const made = new Set(recipe?.parts.flatMap((part) => (part.kind === 'group' && part.built ? Object.values(part.built.slots) : [])));
  const loose = others.filter((part) => !made.has(part.id));
  // What stands by the name is its second line; where nothing does, the only other line is.
  const second = loose.find(({ companion }) => companion?.part === id) ?? (loose.length === 1 ? loose[0] : undefined);
  return { text, font, ...(second ? { second: second.text } : {}) };
}

/** What a built group hears now: the lettering it follows, through links; what it heard last where that is gone. */
export function heardNow(built: Built, recipe: Recipe, sources: Pick<Sources, 'get'>): Heard {
  if (!built.follows) return built.heard;
  const home = built.follows.mark === null ? recipe : sources.get(built.follows.mark);
  const { part: id } = built.follows;
  let found = home?.parts.find((part) => part.id === id);
  if (found?.kind === 'linked' && home) found = derive(home, sources as Sources).recipe.parts.find((part) => part.id === id);
  return found?.kind === 'lettering' ? heardFrom(found, home) : built.heard;
}

const known = new WeakMap<Recipe, { readonly heard: readonly Heard[]; readonly fresh: Recipe }>();

/**
 * A recipe whose built groups have heard of every change of the words and the face they follow. The same object where none has to be built anew, and
 * for the same recipe and the same words again.
 */
export function brought(recipe: Recipe, sources: Pick<Sources, 'get'>, context: Omit<BuildContext, 'heard'>): Recipe {
  if (!isBuilt(recipe)) return recipe;
  const groups = recipe.parts.flatMap((part) => (part.kind === 'group' && part.built ? [{ id: part.id, built: part.built }] : []));
  const heard = groups.map(({ built }) => heardNow(built, recipe, sources));
  const before = known.get(recipe);
  if (before && before.heard.every((each, index) => hearsTheSame(each, heard[index] as Heard))) return before.fresh;
  const fresh = groups.reduce((now, { id, built }, index) => {
    const hears = heard[index] as Heard;
    if (hearsTheSame(hears, built.heard)) return now;
    const next = rebuilt(now, id, { numbers: built.numbers, heard: hears }, context);
    return next && next.parts.length <= MOST_PARTS ? next : now;
  }, recipe);
  known.set(recipe, { heard, fresh });
  return fresh;
}
