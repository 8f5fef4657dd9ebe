import { fittedColors } from '../../color/fitted';
import type { Hex } from '../../color/hex';
import { swatchColor, swatchesOf, type Palette } from '../../color/palette';
import type { Paint } from '../drawing/paint';
import { membersDeep } from '../gathering/gather';
import type { Recipe } from './recipe';
import { paintKey, paintsIn, repainted } from './repaint';

const hexOf = (paint: Paint, palette: Palette): Hex => ('role' in paint ? (swatchColor(palette, paint.role) ?? palette.ink) : paint.hex);

/** The part of a recipe that some of its parts make, with all that they draw; all of it where none is named. */
export function partsAlone(recipe: Recipe, ids: readonly string[] = []): Recipe {
  if (ids.length === 0) return recipe;
  const own = new Set(ids.flatMap((id) => [id, ...membersDeep(recipe, id)]));
  const { whole: _whole, ...rest } = recipe;
  return { ...rest, parts: recipe.parts.filter(({ id }) => own.has(id)) };
}

/**
 * A mark, or some of its parts, dressed in a palette: its colors are dealt anew, the largest area choosing first, by lightness.
 * The same object where every color stays.
 * @param areas how much each color covers; of the parts alone where only those are dressed
 * @param ids the parts that are dressed, with what they draw; the whole mark where there are none
 */
export function dealt(recipe: Recipe, areas: ReadonlyMap<string, number>, palette: Palette, ids: readonly string[] = []): Recipe {
  const alone = partsAlone(recipe, ids);
  const paints = paintsIn(alone);
  const swatches = swatchesOf(palette);
  const found = fittedColors(
    paints.map((paint) => ({ hex: hexOf(paint, palette), area: areas.get(hexOf(paint, palette)) ?? 0 })),
    swatches.map(({ hex }) => hex),
  );
  const to = new Map(
    paints.flatMap((paint, at): [string, Paint][] => {
      const next: Paint = { role: swatches[found[at] ?? 0]?.key ?? 'ink' };
      return paintKey(paint) === paintKey(next) ? [] : [[paintKey(paint), next]];
    }),
  );
  if (to.size === 0) return recipe;
  const next = repainted(alone, to);
  if (alone === recipe) return next;
  const dressed = new Map(next.parts.map((part) => [part.id, part]));
  return { ...recipe, parts: recipe.parts.map((part) => dressed.get(part.id) ?? part) };
}
