import {
  addPart,
  copyDeep,
  fail,
  membersDeep,
  ok,
  parseRecipe,
  topLevel,
  writeRecipe,
  type Affine,
  type Recipe,
  type Result,
} from '$core/index';

/** Says of a clipboard's text that it holds parts of ours. */
const MARK = 'lucky-thistle parts';

/** Where copied parts come from: the brand, which lends its pictures, and the mark, whose other parts they may go on following. */
export interface CopiedFrom {
  readonly brand: string;
  readonly mark: string;
}

/** Parts as text for the clipboard, with what they draw: a small recipe, so that other marks, brands and windows can read it. */
export function copied(recipe: Recipe, ids: readonly string[], { brand, mark }: CopiedFrom): string {
  const wanted = new Set(ids.flatMap((id) => [id, ...membersDeep(recipe, id)]));
  return JSON.stringify({
    holds: MARK,
    from: brand,
    mark,
    recipe: writeRecipe({ ...recipe, parts: recipe.parts.filter(({ id }) => wanted.has(id)) }),
  });
}

/**
 * The recipe with what the clipboard holds on top, and the ids of the pasted parts. They name each other as the originals did; other parts
 * they go on following only in the mark that they come from: elsewhere, a part that happens to be called alike is a stranger.
 * @returns nothing when the text holds no parts of ours
 */
export function pasted(
  recipe: Recipe,
  text: string,
  mark: string,
): Result<{ readonly recipe: Recipe; readonly ids: readonly string[] } | undefined> {
  let held: unknown;
  try {
    held = JSON.parse(text);
  } catch {
    return ok(undefined);
  }
  if (held === null || typeof held !== 'object' || (held as { holds?: unknown }).holds !== MARK) return ok(undefined);
  const read = parseRecipe((held as { recipe?: unknown }).recipe);
  if (!read.ok) return read;
  const home = (held as { mark?: unknown }).mark === mark;
  const stays = (id: string) => (home && recipe.parts.some((part) => part.id === id) ? id : undefined);
  const tops = topLevel(read.value).map(({ id }) => id);
  const copies = copyDeep(read.value, tops, ASIDE, recipe, stays);
  if (!copies || copies.ids.length === 0) return fail({ code: 'not-understood', message: 'What was copied is not understood here.' });
  let next = recipe;
  for (const part of copies.parts) {
    const added = addPart(next, part);
    if (added === next) return fail({ code: 'too-many-parts', message: 'This mark is full.' });
    next = added;
  }
  return ok({ recipe: next, ids: copies.ids });
}

/** The brand that a clipboard's text comes from. */
export function lenderOf(text: string): string | undefined {
  try {
    const { from } = JSON.parse(text) as { from?: unknown };
    return typeof from === 'string' ? from : undefined;
  } catch {
    return undefined;
  }
}

/** Pasted parts stand a little aside, so that they can be seen. */
const ASIDE: Affine = { a: 1, b: 0, c: 0, d: 1, e: 12, f: 12 };
