import { expect } from '../../result/result';
import type { Lettering } from '../lettering/schema';
import type { Linked } from '../parts/linked';
import { createPart, EMPTY_RECIPE, type Recipe } from '../recipe/recipe';

/** An initial-only mark that follows the first letter, face and color of another mark's lettering. */
export function initialRecipe(sourceMarkId: string, name: Lettering): Recipe {
  const initial = expect(
    createPart({
      kind: 'linked',
      id: 'initial',
      name: 'Initial',
      from: { mark: sourceMarkId, part: name.id },
      take: 'initial',
      sizePx: 200,
      place: { x: 0, y: 70, turnDeg: 0 },
    }),
  ) as Linked;
  return { ...EMPTY_RECIPE, parts: [initial] };
}

/** A mark that follows all of another one. */
export function followingRecipe(sourceMarkId: string, name: string): Recipe {
  const all = expect(createPart({ kind: 'linked', id: 'all', name, from: { mark: sourceMarkId, part: null }, take: 'whole' }));
  return { ...EMPTY_RECIPE, parts: [all] };
}
