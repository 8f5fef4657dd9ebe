import { expect, recoverRecipe, type MarkRole, type Recipe } from '$core/index';

/** A mark as rooms show it. */
export interface ShownMark {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly role: MarkRole;
  readonly shelf: 'kept' | 'archived' | 'removed';
  readonly revision: number;
  readonly recipe: Recipe;
}

/** Marks as a page sent them, read once; the same row gives the same recipe again, so that nothing is drawn anew that has not changed. */
const kept = new Map<string, Recipe>();
export const readMarks = (rows: readonly (Omit<ShownMark, 'recipe'> & { readonly recipe: unknown })[]): readonly ShownMark[] =>
  rows.map((row) => {
    const key = `${row.id}/${row.revision}`;
    const recipe = kept.get(key) ?? expect(recoverRecipe(row.recipe));
    kept.set(key, recipe);
    return { ...row, recipe };
  });
