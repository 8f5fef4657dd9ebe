import type { Recipe } from './recipe';

/** Whether a mark is shown in ink alone, its colors not turned on yet. */
export const standsInInk = ({ whole }: Recipe): boolean => whole?.inInk === true;

/** The mark standing in ink, or with its colors turned on; nothing else of it changes, so that one leads back to the other. */
export function standing(recipe: Recipe, inInk: boolean): Recipe {
  const { whole, ...rest } = recipe;
  const { inInk: _before, ...others } = whole ?? { treatments: [] };
  if (inInk) return { ...rest, whole: { ...others, inInk } };
  return others.treatments.length === 0 && !others.light ? rest : { ...rest, whole: others };
}
