import type { Part, Recipe } from '$core/index';

const written = new WeakMap<Part, string>();

/** The parts of a recipe as the drawing worker reads them; parts are never changed, so that each is written once. */
export const writtenParts = (recipe: Recipe): readonly string[] =>
  recipe.parts.map((part) => {
    const kept = written.get(part) ?? JSON.stringify(part);
    written.set(part, kept);
    return kept;
  });
