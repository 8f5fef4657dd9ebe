import { dress, paintsOf, type Dressing } from '../../color/dressings';
import type { Palette } from '../../color/palette';
import type { PathAlgebra } from '../../geometry';
import { membersDeep } from '../gathering/gather';
import type { Recipe } from '../recipe/recipe';
import { standsInInk } from '../recipe/standing';
import { isKnown } from '../registry';
import type { ResolvedMark } from '../drawing/resolve';
import { oneColor, paintedOnce, type OneColor, type OneColorRequest } from './one-color';
import type { OneColorWish } from './wishes';

/** Results remembered: the colorways of a mark share one, and a mark that comes back is not decided anew. */
const KEPT = 60;

/** A mark as it is shown in one of its colorways. */
export interface DressedMark extends ResolvedMark {
  /** What was decided for one color; nothing in full color. */
  readonly oneColor?: OneColor;
}
export type Dresser = (mark: ResolvedMark, recipe: Recipe, palette: Palette, dressing: Dressing) => DressedMark;

/**
 * The parts that are to be decided anew where the sheet is dark: by the designer's word, else those that hold light and dark side by side by
 * themselves (portraits), and not what does so by its treatments: letters stay ink, whatever stands behind them.
 */
function decidedAnew(recipe: Recipe, portraits: readonly string[]): ReadonlySet<string> {
  const own = recipe.parts.flatMap((part) => (isKnown(part) ? [part] : []));
  const asked = own.filter(({ reversedAs }) => reversedAs === 'anew').flatMap(({ id }) => [id, ...membersDeep(recipe, id)]);
  const light = portraits.filter((id) => {
    const part = own.find((each) => each.id === id);
    return (part?.reversedAs ?? (part?.treatments ? 'same' : 'anew')) === 'anew';
  });
  return new Set([...asked, ...light]);
}

/** What the designer decided, by part; what draws other parts decides for those of them that say nothing of their own. */
function wishesIn(recipe: Recipe): ReadonlyMap<string, OneColorWish> {
  const own = recipe.parts.flatMap((part) => (isKnown(part) && part.oneColor ? [[part.id, part.oneColor] as const] : []));
  // The innermost says it last: a group within a group has fewer members than the one around it.
  const byReach = own
    .map(([id, wish]) => ({ wish, members: [...membersDeep(recipe, id)] }))
    .sort((a, b) => b.members.length - a.members.length);
  return new Map([...byReach.flatMap(({ wish, members }) => members.map((id) => [id, wish] as const)), ...own]);
}

/**
 * Dresses marks that were resolved in full color. All colorways of one paint share one outline: what was decided once holds for the whole brand.
 * @param sure path algebra for what the first one got wrong
 */
export function createDresser(paths: PathAlgebra, sure: PathAlgebra): Dresser {
  const serials = new WeakMap<object, number>();
  let serial = 0;
  const named = (thing: object): number => {
    const kept = serials.get(thing) ?? ++serial;
    serials.set(thing, kept);
    return kept;
  };
  const kept = new Map<string, OneColor>();
  return (mark, recipe, palette, dressing) => {
    // A piece stands on a ground of its own, in its own colors.
    if (recipe.whole?.canvas) return mark;
    // Black first: what stands in ink is in one color wherever it would be in all of its own.
    const inks = paintsOf(palette, dressing === 'full' && standsInInk(recipe) ? 'one-color' : dressing);
    if (inks === undefined) return mark;
    const [paint, second] = inks;
    const wishes = wishesIn(recipe);
    const content = JSON.stringify([
      dress(palette, 'full').colors,
      second,
      [...wishes],
      mark.drawing.groups.map(({ id, children, transform, opacity }) => [id, named(children), transform, opacity]),
    ]);
    const solved = (onDark?: OneColorRequest['onDark']): OneColor => {
      const key = `${onDark ? [...onDark.anew].join() : ''} ${content}`;
      const known = kept.get(key);
      if (known) return known;
      const made = oneColor({ ...{ mark, palette, paths, sure, wishes, second }, ...(onDark ? { onDark } : {}) });
      const oldest = kept.keys().next();
      if (kept.size >= KEPT && !oldest.done) kept.delete(oldest.value);
      kept.set(key, made);
      return made;
    };
    const same = solved();
    // What was decided once holds for the whole brand; only what would become a negative is decided anew for what is light on dark.
    const anew = paint === palette.paper || paint === '#ffffff' ? decidedAnew(recipe, same.portraits) : undefined;
    const made = anew && anew.size > 0 ? solved({ anew, before: same }) : same;
    return { ...mark, drawing: paintedOnce(made, inks), oneColor: made };
  };
}
