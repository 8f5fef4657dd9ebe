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
  type KnownPart,
  type Recipe,
  type Result,
} from '$core/index';

/** Says of a clipboard's text that it holds parts of ours. */
const MARK = 'lucky-thistle parts';

/**
 * Parts as text for the clipboard, with what they draw: a small recipe, so that other marks, brands and windows can read it.
 * @param from address of the brand, which lends its pictures
 */
export function copied(recipe: Recipe, ids: readonly string[], from: string): string {
  const wanted = new Set(ids.flatMap((id) => [id, ...membersDeep(recipe, id)]));
  return JSON.stringify({ holds: MARK, from, recipe: writeRecipe({ ...recipe, parts: recipe.parts.filter(({ id }) => wanted.has(id)) }) });
}

/**
 * The recipe with what the clipboard holds on top, and the id of the last pasted part. Links to parts that are not in this mark are let go.
 * @returns nothing when the text holds no parts of ours
 */
export function pasted(recipe: Recipe, text: string): Result<{ readonly recipe: Recipe; readonly id: string } | undefined> {
  let held: unknown;
  try {
    held = JSON.parse(text);
  } catch {
    return ok(undefined);
  }
  if (held === null || typeof held !== 'object' || (held as { holds?: unknown }).holds !== MARK) return ok(undefined);
  const read = parseRecipe((held as { recipe?: unknown }).recipe);
  if (!read.ok) return read;
  let next = recipe;
  let last: string | undefined;
  for (const { id } of topLevel(read.value)) {
    const copy = copyDeep(read.value, id, ASIDE, next);
    if (!copy) return fail({ code: 'not-understood', message: 'What was copied is not understood here.' });
    for (const part of copy.parts) {
      const added = addPart(next, ownOf(part, next));
      if (added === next) return fail({ code: 'too-many-parts', message: 'This mark is full.' });
      next = added;
    }
    last = copy.id;
  }
  return last === undefined
    ? fail({ code: 'not-understood', message: 'What was copied is not understood here.' })
    : ok({ recipe: next, id: last });
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

function ownOf(part: KnownPart, recipe: Recipe): KnownPart {
  if (part.kind !== 'lettering') return part;
  const here = (id: string) => recipe.parts.some((other) => other.id === id);
  return {
    ...part,
    companion: part.companion && here(part.companion.part) ? part.companion : null,
    fit: part.fit && 'part' in part.fit.to && !here(part.fit.to.part) ? null : part.fit,
    line:
      part.line.shape === 'arc' && part.line.around && !here(part.line.around.part)
        ? { ...part.line, around: null }
        : part.line.shape === 'curve' && part.line.along && !here(part.line.along.part)
          ? { ...part.line, along: null }
          : part.line,
  };
}
