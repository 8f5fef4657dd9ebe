import { notNought } from '../numeric/tolerances';
import { boundsOf, distanceInside, EMPTY_PATH, type CellGrid, type Region } from '../geometry';
import { coverageOf } from './coverage';
import { fieldOutline } from './field-outline';
import type { Texture } from './textures';

/** What is worn off an area. */
export interface Wear {
  readonly texture: Texture;
  /** Share of the area that is worn, in [0, 1]. */
  readonly amount: number;
  /** How large one grain is. */
  readonly grain: number;
  readonly turnDeg: number;
  readonly seed: number;
  /** Strokes and dots thinner than this stay whole. */
  readonly keep: number;
  /** Whether a quick picture is enough: a quarter of the cells. */
  readonly quick?: boolean;
}

/** Less than this share is not made good. */
const SHORT = 0.01;
const NOTHING: Region = { path: EMPTY_PATH, rule: 'nonzero' };

/** Most cells along the longer side: a screen cannot wait for more. */
const MOST_CELLS = 560;
/** Edges are held to so many cells; specks smaller than this many cells are left out. */
const [WITHIN_CELLS, SPECK_CELLS] = [0.12, 1.2];

/** Cells of what is nowhere thinner than a width: what is left when the area is shrunk by half of it and grown again. */
function sturdy(mask: Uint8Array, { columns, rows }: CellGrid, width: number): Uint8Array {
  const inside = distanceInside(mask, columns, rows);
  const outside = Uint8Array.from(inside, (away) => (away >= width / 2 ? 0 : 1));
  const back = distanceInside(outside, columns, rows);
  return Uint8Array.from(back, (away, cell) => (mask[cell] && away <= width / 2 + 0.5 ? 1 : 0));
}

/**
 * The region that wear takes from an area: the same again for the same seed, and of the share that is asked for, to a few in a hundred.
 * It may reach beyond the area; thin strokes are left alone.
 */
export function wornRegion(area: Region, { texture, amount, grain, turnDeg, seed, keep, quick = false }: Wear): Region {
  const box = boundsOf(area.path);
  if (!box || amount <= 0) return NOTHING;
  const { at, cells } = texture;
  const longest = notNought(Math.max(box.right - box.left, box.bottom - box.top));
  const cell = Math.max(grain / cells, longest / MOST_CELLS) * (quick ? 2 : 1);
  const grid: CellGrid = {
    columns: Math.ceil((box.right - box.left) / cell) + 2,
    rows: Math.ceil((box.bottom - box.top) / cell) + 2,
    left: box.left - cell,
    top: box.top - cell,
    cell,
  };
  const mask = Uint8Array.from(coverageOf(area, grid), (share) => (share >= 0.5 ? 1 : 0));
  const free = keep > 0 ? sturdy(mask, grid, keep / cell) : mask;
  const turn = (turnDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(turn) / grain, Math.sin(turn) / grain];
  const values = new Float32Array(grid.columns * grid.rows);
  for (let row = 0; row < grid.rows; row++)
    for (let column = 0; column < grid.columns; column++) {
      const [x, y] = [(column + 0.5) * cell, (row + 0.5) * cell];
      values[row * grid.columns + column] = at(x * c + y * s, -x * s + y * c, seed);
    }
  const within = values.filter((_, n) => free[n] === 1).sort();
  if (within.length === 0) return NOTHING;
  const all = mask.reduce((sum, set) => sum + set, 0);
  const low = within[0] as number;
  const outline = (share: number): Region => {
    // What is kept wears nothing: the rest takes its share as far as it can.
    const wanted = Math.min(within.length, Math.round(share * all));
    const level = within[Math.max(0, within.length - wanted)] as number;
    const kept = values.map((value, n) => (mask[n] && !free[n] ? Math.min(low, level) - 1 : value));
    return fieldOutline(kept, grid, WITHIN_CELLS, SPECK_CELLS, wanted >= within.length ? low - 0.5 : level);
  };
  const first = outline(amount);
  if (quick) return first;
  // Smooth outlines round small specks off; what that cost is asked for once more.
  const worn = coverageOf(first, grid).reduce((sum, share, n) => sum + (mask[n] ? share : 0), 0) / all;
  const short = Math.min(amount, within.length / all) - worn;
  return Math.abs(short) > SHORT && amount < 1 ? outline(Math.min(1, Math.max(0.002, amount + short))) : first;
}
