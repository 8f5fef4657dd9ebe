import { notNought } from '../numeric/tolerances';
import type { CellGrid, Region } from '../geometry';
import { fieldOutline } from './field-outline';

/** Outlines may leave a field’s true level by this much, in cells; specks smaller than this many cells are left out. */
const [WITHIN_CELLS, SPECK_CELLS] = [0.1, 0.6];

/** One area of a soft tone: painted over all that came before it. */
export interface Level {
  readonly region: Region;
  readonly opacity: number;
}

/**
 * A soft tone as areas that lie in one another, for files that hold outlines alone: painted one over the other in one paint they are as opaque
 * as the field, to half a level.
 * @param values in [0, 1]
 * @param count how many areas; the tone is off by at most `opacity ÷ 2 count`
 * @param opacity of the tone where the field is 1
 */
export function levelsOf(values: Float32Array, grid: CellGrid, count: number, opacity: number): readonly Level[] {
  const levels: Level[] = [];
  let before = 0;
  for (let n = 0; n < count; n++) {
    const region = fieldOutline(values, grid, WITHIN_CELLS, SPECK_CELLS, (n + 0.5) / count);
    if (region.path.verbs === '') break;
    const wanted = ((n + 1) / count) * opacity;
    // What lies under it lets it be this opaque: 1 − (1 − before)(1 − own) = wanted.
    levels.push({ region, opacity: before >= 1 ? 0 : 1 - (1 - wanted) / (1 - before) });
    before = wanted;
  }
  return levels;
}

/**
 * A grid for a tone that is softened: cells a little over half as wide as its standard deviation, within what a screen can wait for.
 * @param coarser how many times as wide the cells are, where a quick picture is enough
 */
export function softGrid(
  box: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number },
  sigma: number,
  coarser = 1,
): CellGrid {
  const longest = notNought(Math.max(box.right - box.left, box.bottom - box.top));
  const cell = notNought(Math.max(sigma / 1.8, longest / MOST_CELLS)) * coarser;
  return {
    columns: Math.ceil((box.right - box.left) / cell) + 2,
    rows: Math.ceil((box.bottom - box.top) / cell) + 2,
    left: box.left - cell,
    top: box.top - cell,
    cell,
  };
}
const MOST_CELLS = 420;
