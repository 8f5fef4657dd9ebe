import type { FontChoice } from '../../type';
import { derive, type Sources } from '../following/derive';
import type { Recipe } from '../recipe/recipe';
import { fontsOf, isKnown } from '../registry';

/** Every font that drawing a recipe may look at, so that all can be opened beforehand. */
export const fontsNeeded = (recipe: Recipe, sources: Sources): readonly FontChoice[] =>
  derive(recipe, sources).recipe.parts.flatMap((part) => (isKnown(part) ? fontsOf(part) : []));
