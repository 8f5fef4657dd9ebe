import {
  addPart,
  brokenAway,
  copyDeep,
  fail,
  mapPaints,
  membersDeep,
  ok,
  parseRecipe,
  topLevel,
  wearing,
  writeRecipe,
  type Affine,
  type KnownPart,
  type Palette,
  type Recipe,
  type Result,
  type Sources,
} from '$core/index';
import { ownSwatches } from './own-swatches';

/** Says of a clipboard's text that it holds parts of ours. */
const MARK = 'lucky-thistle parts';

/** Where copied parts come from: the brand, which lends its pictures, and the mark, whose other parts they may go on following. */
export interface CopiedFrom {
  readonly brand: string;
  readonly mark: string;
  readonly palette: Palette;
  /** The recipes that linked parts follow. */
  readonly sources: Sources;
}

/** Parts as text for the clipboard, with what they draw: a small recipe, so that other marks, brands and windows can read it. */
export function copied(recipe: Recipe, ids: readonly string[], { brand, mark, palette, sources }: CopiedFrom): string {
  const wanted = new Set(ids.flatMap((id) => [id, ...membersDeep(recipe, id)]));
  // In another brand nothing can be followed: there, linked parts are what they show here.
  // Looks of the brand are worn there no more than links are: their treatments become the parts' own.
  const apart = wearing(
    [...wanted].reduce((next, id) => brokenAway(next, id, sources) ?? next, recipe),
    palette,
  );
  const also = new Set([...wanted, ...ids.flatMap((id) => membersDeep(apart, id))]);
  return JSON.stringify({
    holds: MARK,
    from: brand,
    mark,
    swatches: palette.more ?? [],
    recipe: writeRecipe({ ...recipe, parts: recipe.parts.filter(({ id }) => wanted.has(id)) }),
    ...(apart === recipe ? {} : { apart: writeRecipe({ ...apart, parts: apart.parts.filter(({ id }) => also.has(id)) }) }),
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
  { mark, brand, palette }: Omit<CopiedFrom, 'sources'>,
): Result<{ readonly recipe: Recipe; readonly ids: readonly string[] } | undefined> {
  let held: unknown;
  try {
    held = JSON.parse(text);
  } catch {
    return ok(undefined);
  }
  if (held === null || typeof held !== 'object' || (held as { holds?: unknown }).holds !== MARK) return ok(undefined);
  const { recipe: sent, apart, from, mark: cameFrom } = held as { readonly [K in 'recipe' | 'apart' | 'from' | 'mark']?: unknown };
  const read = parseRecipe(from !== brand && apart !== undefined ? apart : sent);
  if (!read.ok) return read;
  const home = cameFrom === mark;
  const stays = (id: string) => (home && recipe.parts.some((part) => part.id === id) ? id : undefined);
  const tops = topLevel(read.value).map(({ id }) => id);
  const copies = copyDeep(read.value, tops, ASIDE, recipe, stays);
  if (!copies || copies.ids.length === 0) return fail({ code: 'not-understood', message: 'What was copied is not understood here.' });
  let next = recipe;
  const own = ownSwatches((held as { swatches?: unknown }).swatches, palette);
  for (const part of copies.parts) {
    const added = addPart(next, mapPaints(home ? part : followingFrom(part, cameFrom), own));
    if (added === next) return fail({ code: 'too-many-parts', message: 'This mark is full.' });
    next = added;
  }
  return ok({ recipe: next, ids: copies.ids });
}

/** A part that follows another one of its own mark goes on following it from a mark beside it. */
const followingFrom = (part: KnownPart, mark: unknown): KnownPart =>
  part.kind === 'linked' && part.from.mark === null && typeof mark === 'string' ? { ...part, from: { ...part.from, mark } } : part;

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
