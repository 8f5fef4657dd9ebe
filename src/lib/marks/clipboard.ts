import { addPart, freePartId, isKnown, ok, fail, parseRecipe, writeRecipe, type KnownPart, type Recipe, type Result } from '$core/index';

/** Says of a clipboard's text that it holds parts of ours. */
const MARK = 'lucky-thistle parts';

/** A part as text for the clipboard: a small recipe, so that other marks, brands and windows can read it. */
export const copied = (part: KnownPart): string => JSON.stringify({ holds: MARK, recipe: writeRecipe({ version: 1, parts: [part] }) });

/**
 * The recipe with what the clipboard holds on top, and the id of the pasted part. Links to parts that are not in this mark are let go.
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
  const [part] = read.value.parts;
  if (!part || !isKnown(part)) return fail({ code: 'not-understood', message: 'What was copied is not understood here.' });
  const id = freePartId(recipe, part.kind);
  const next = addPart(recipe, { ...ownOf(part, recipe), id, place: { ...part.place, x: part.place.x + 12, y: part.place.y + 12 } });
  return next === recipe ? fail({ code: 'too-many-parts', message: 'This mark is full.' }) : ok({ recipe: next, id });
}

function ownOf(part: KnownPart, recipe: Recipe): KnownPart {
  if (part.kind !== 'lettering') return part;
  const here = (id: string) => recipe.parts.some((other) => other.id === id);
  return {
    ...part,
    companion: part.companion && here(part.companion.part) ? part.companion : null,
    fit: part.fit && 'part' in part.fit.to && !here(part.fit.to.part) ? null : part.fit,
    line: part.line.shape === 'arc' && part.line.around && !here(part.line.around.part) ? { ...part.line, around: null } : part.line,
  };
}
