import { mapPaints, type Paint } from '../drawing/paint';
import type { Part } from '../registry';
import type { Recipe } from './recipe';

/** A paint as a key: equal paints have equal keys. */
export const paintKey = (paint: Paint): string => ('role' in paint ? `role ${paint.role}` : `hex ${paint.hex}`);

/** Every paint that a recipe uses, in parts, letters, treatments and what is built, each once. */
export function paintsIn({ parts, whole }: Recipe): readonly Paint[] {
  const found = new Map<string, Paint>();
  mapPaints([parts.filter(({ kind }) => kind !== 'unknown'), whole], (paint) => {
    found.set(paintKey(paint), paint);
    return paint;
  });
  return [...found.values()];
}

/**
 * The recipe in other paints. Parts that are not understood stay as they are.
 * @param to by the key of the paint that is exchanged
 */
export function repainted(recipe: Recipe, to: ReadonlyMap<string, Paint>): Recipe {
  const visit = (paint: Paint): Paint => to.get(paintKey(paint)) ?? paint;
  const parts = recipe.parts.map((part): Part => (part.kind === 'unknown' ? part : mapPaints(part, visit)));
  const same = parts.every((part, at) => part === recipe.parts[at]);
  const whole = recipe.whole && mapPaints(recipe.whole, visit);
  if (same && whole === recipe.whole) return recipe;
  return { ...recipe, parts, ...(whole ? { whole } : {}) };
}
