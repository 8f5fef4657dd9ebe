import type { DressedMark, Recipe } from '../marks';
import type { Watermark } from './settings';
import { leadingFamily, veilLine } from './veil-line';
import type { WatermarkSource } from './watermark-drawing';

/**
 * The marks of a watermark as it takes them: in one color with true alpha, and in their own colors. The veil's line stands under `veil`.
 * Marks that are gone or draw nothing are left out.
 * @param draw resolves and dresses a recipe
 */
export async function watermarkSources(
  watermark: Watermark,
  recipes: ReadonlyMap<string, Recipe>,
  draw: (recipe: Recipe, dressing: 'white' | 'full') => Promise<DressedMark>,
): Promise<ReadonlyMap<string, WatermarkSource>> {
  const found = new Map<string, WatermarkSource>();
  const add = async (key: string, recipe: Recipe | undefined) => {
    if (!recipe || found.has(key)) return;
    const [one, full] = [await draw(recipe, 'white'), await draw(recipe, 'full')];
    if (one.ink) found.set(key, { oneColor: one.drawing, full: full.drawing, ink: one.ink });
  };
  for (const { mark } of watermark.stamps) await add(mark, recipes.get(mark));
  const { veil } = watermark;
  if (veil?.text) await add('veil', veilLine(veil.text, leadingFamily(recipes.values())));
  else if (veil?.mark) await add(veil.mark, recipes.get(veil.mark));
  return found;
}
