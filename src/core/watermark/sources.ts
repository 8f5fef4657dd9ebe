import type { Dressing } from '../color/dressings';
import type { Drawing, DressedMark, Recipe } from '../marks';
import type { Stamp, Watermark } from './settings';
import { leadingFamily, veilLine } from './veil-line';
import type { WatermarkSource } from './watermark-drawing';

/** The colorway that a stamp shows its mark in, where it is not toned. */
export const ownDressing = ({ tone, dressing }: Stamp): readonly Dressing[] => (tone === 'full' ? [dressing] : []);

/**
 * The marks of a watermark as it takes them: in one color with true alpha, and in the colorways that stamps show them in. The veil's line stands under `veil`.
 * Marks that are gone or draw nothing are left out.
 * @param draw resolves and dresses a recipe
 */
export async function watermarkSources(
  watermark: Watermark,
  recipes: ReadonlyMap<string, Recipe>,
  draw: (recipe: Recipe, dressing: Dressing) => Promise<DressedMark>,
): Promise<ReadonlyMap<string, WatermarkSource>> {
  const found = new Map<string, WatermarkSource>();
  const add = async (key: string, recipe: Recipe | undefined, dressings: ReadonlySet<Dressing> = new Set()) => {
    if (!recipe || found.has(key)) return;
    const one = await draw(recipe, 'white');
    const own = new Map<Dressing, Drawing>();
    for (const dressing of dressings) own.set(dressing, (await draw(recipe, dressing)).drawing);
    if (one.ink) found.set(key, { oneColor: one.drawing, own, ink: one.ink });
  };
  for (const { mark } of watermark.stamps)
    await add(mark, recipes.get(mark), new Set(watermark.stamps.flatMap((stamp) => (stamp.mark === mark ? ownDressing(stamp) : []))));
  const { veil } = watermark;
  if (veil?.text) await add('veil', veilLine(veil.text, leadingFamily(recipes.values())));
  else if (veil?.mark) await add(veil.mark, recipes.get(veil.mark));
  return found;
}
