import type { Recipe } from '../recipe/recipe';
import { isKnown } from '../registry';
import type { State } from './decide';
import type { OneColorPart } from './one-color';
import type { OneColorWish } from './wishes';

const WISH_OF: Readonly<Record<State, OneColorWish>> = {
  ink: 'ink',
  clear: 'clear',
  hatched: 'hatched',
  counterchanged: 'counterchanged',
};

/**
 * The recipe with what was decided written into its parts, so that it does not change when something near them moves. A part whose colors were
 * decided differently keeps being decided; what the designer chose stays.
 */
export function pinDecisions(recipe: Recipe, decided: readonly OneColorPart[]): Recipe {
  const states = new Map(decided.map((each) => [each.part, each.states]));
  const parts = recipe.parts.map((part) => {
    const [first, ...rest] = states.get(part.id) ?? [];
    return isKnown(part) && part.oneColor === undefined && first && rest.every((state) => state === first)
      ? { ...part, oneColor: WISH_OF[first] }
      : part;
  });
  return parts.some((part, index) => part !== recipe.parts[index]) ? { ...recipe, parts } : recipe;
}
