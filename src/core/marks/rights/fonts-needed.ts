import { readHyphenRules, type FontChoice } from '../../type';
import { derive, type Sources } from '../following/derive';
import type { Recipe } from '../recipe/recipe';
import { heardNow } from '../building/brought';
import { fontsOfBuilt } from '../building/registry';
import { fontsOf, isKnown, type KnownPart } from '../registry';

/** Every font that drawing a recipe may look at. */
export const fontsNeeded = (recipe: Recipe, sources: Sources): readonly FontChoice[] =>
  derive(recipe, sources).recipe.parts.flatMap((part) => (isKnown(part) ? [...fontsOf(part), ...heardBy(part, recipe, sources)] : []));

/** What a built group hears may have another face by now than when it was built. */
const heardBy = (part: KnownPart, recipe: Recipe, sources: Sources): readonly FontChoice[] =>
  part.kind === 'group' && part.built ? fontsOfBuilt({ ...part.built, heard: heardNow(part.built, recipe, sources) }) : [];

/** Opens whatever drawing a recipe may look at: its fonts, and the rules of the languages that its words are divided in. */
export async function openFor(
  recipe: Recipe,
  sources: Sources,
  loader: { readonly load: (choices: readonly FontChoice[]) => Promise<void> },
): Promise<void> {
  const languages = derive(recipe, sources).recipe.parts.flatMap((part) =>
    part.kind === 'lettering' && part.wrap?.hyphens ? [part.wrap.hyphens] : [],
  );
  await Promise.all([loader.load(fontsNeeded(recipe, sources)), readHyphenRules(languages)]);
}
