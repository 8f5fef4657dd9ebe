import { distanceInside, opened } from '../geometry';

/** A place that is too thin: where, and how thick it is there. In cells of the mask. */
export interface ThinPlace {
  readonly x: number;
  readonly y: number;
  readonly thickness: number;
}

/** Corners are rounded off by any disk; what lies no farther than this share of the limit from what holds is a corner, not a thin place. */
const CORNER = 0.6;
/** Fewer cells than this are an uneven edge. */
const LEAST_CELLS = 6;
/** Below this a disk of cells is no disk. */
const LEAST_LIMIT = 4;

/**
 * A place that is thinner than a limit, or nothing: where a disk of that width does not reach. Limits below four cells cannot be told.
 * @param mask what is solid, a cell each @param limit in cells, at least 4 for a sure answer
 * @source mathematical morphology, "opening" (J. Serra, "Image Analysis and Mathematical Morphology", 1982); within about one cell
 */
export function thinPlace(mask: Uint8Array, columns: number, rows: number, limit: number): ThinPlace | undefined {
  if (limit < LEAST_LIMIT) return undefined;
  const inside = distanceInside(mask, columns, rows);
  const radius = limit / 2;
  const kept = opened(inside, columns, rows, radius - 0.5);
  const lost = new Uint8Array(mask.length);
  for (let cell = 0; cell < mask.length; cell++) lost[cell] = kept[cell] ? 0 : 1;
  const away = distanceInside(lost, columns, rows);
  let [count, worst] = [0, -1];
  for (let cell = 0; cell < mask.length; cell++) {
    if (!mask[cell] || kept[cell] || (away[cell] as number) <= radius * CORNER) continue;
    count++;
    if (worst < 0 || (inside[cell] as number) > (inside[worst] as number)) worst = cell;
  }
  if (count < LEAST_CELLS || worst < 0) return undefined;
  return { x: worst % columns, y: Math.floor(worst / columns), thickness: Math.max(1, 2 * (inside[worst] as number) - 1) };
}
