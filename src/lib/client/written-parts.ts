import type { Part, Recipe } from '$core/index';

/** Parts are never changed, so that each is written once in each way. */
function writer(write: (part: Part) => string): (part: Part) => string {
  const written = new WeakMap<Part, string>();
  return (part) => {
    const text = written.get(part) ?? write(part);
    written.set(part, text);
    return text;
  };
}
const forWorker = writer((part) => JSON.stringify(part));
/** A part that is not understood is stored exactly as it came. */
const forStorage = writer((part) => JSON.stringify(part.kind === 'unknown' ? part.original : part));

/** The parts of a recipe as the drawing worker reads them. */
export const writtenParts = (recipe: Recipe): readonly string[] => recipe.parts.map(forWorker);

const writtenWhole = ({ whole }: Recipe): string => (whole ? `,"whole":${JSON.stringify(whole)}` : '');

/** A recipe as the JSON text that is stored and sent; an edit of one part writes that part alone. */
export const writtenRecipe = (recipe: Recipe): string =>
  `{"version":${recipe.version},"parts":[${recipe.parts.map(forStorage).join()}]${writtenWhole(recipe)}}`;

/**
 * What tells a recipe from the one before it, as JSON text that the server reads as changes; parts that both hold are the same objects, so that
 * an edit of one part writes that part alone.
 */
export function writtenChanges(before: Recipe, after: Recipe): string {
  const held = new Map(before.parts.map((part) => [part.id, part]));
  const isAsBefore = (part: Part): boolean => {
    const old = held.get(part.id);
    return old === part || (old !== undefined && forStorage(old) === forStorage(part));
  };
  const changed = after.parts.filter((part) => !isAsBefore(part));
  const order = JSON.stringify(after.parts.map(({ id }) => id));
  return `{"version":${after.version},"order":${order},"parts":[${changed.map(forStorage).join()}]${writtenWhole(after)}}`;
}
