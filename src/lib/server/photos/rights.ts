import { rightsLines, rightsOf } from '$core/index';
import { shippedFamilies } from '../fonts';
import type { Standing } from '../handover/subjects';

/** Where the fonts and the art of marks come from, one line each, as files carry them. */
export function rightsOfMarks(standing: Standing, marks: readonly string[]): readonly string[] {
  const families = [...shippedFamilies(), ...standing.ownFamilies];
  const lines = marks.flatMap((mark) => {
    const recipe = standing.recipes.get(mark);
    return recipe
      ? rightsLines(
          rightsOf(recipe, standing.recipes, { family: (id) => families.find((family) => family.id === id), drawnFrom: () => undefined }),
        )
      : [];
  });
  return [...new Set(lines)];
}
