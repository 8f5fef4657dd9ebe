import { notNought } from '../numeric/tolerances';
import type { InkCells } from './ink-cells';
import type { PhotoTones } from './tones';
import { lightnessOf, luminanceOf } from './tones';

/** How well a watermark protects a picture. */
export interface Protection {
  readonly columns: number;
  readonly rows: number;
  /** How plainly ink is seen in each cell: 1 is just seen by somebody who looks for it, 3 at a glance. */
  readonly seen: Float32Array;
  /** Share of the picture, in [0, 1], from which no piece can be cut without visible ink in it. */
  readonly share: number;
  /** The largest upright piece without visible ink, as shares of the picture. */
  readonly free: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number; readonly share: number };
  /** Mean change of lightness over the whole picture, in steps of L*. */
  readonly disturbs: number;
}

/** Steps of L* that are just seen side by side on a flat ground (from memory: about one to two; taken as 2 for thin strokes). */
const JUST_SEEN = 2;
/** How much the picture's own unevenness hides: part of its deviation that a stroke must exceed (contrast masking; common practice in watermark measures). */
const MASKING = 0.55;
/** A cell is protected where visible ink is at most this far away, in cells: crops smaller than that show nothing. */
const REACH = 4;

/**
 * Measures a watermark cell by cell.
 * @param inks ink of one tone each, and that tone's relative luminance; opacity is part of the ink's cover
 */
export function protectionOf(
  tones: PhotoTones,
  inks: readonly { readonly ink: InkCells; readonly luminance: number; readonly strokes: number }[],
): Protection {
  const { columns, rows } = tones;
  const seen = new Float32Array(columns * rows);
  let change = 0;
  for (let at = 0; at < seen.length; at++) {
    const ground = tones.light[at] ?? 0;
    const luminance = luminanceOf(ground);
    for (const { ink, luminance: own, strokes } of inks) {
      const cover = ink.cover[at] as number;
      if (cover <= 0) continue;
      // Cover tells area times opacity; a stroke itself is as strong as its opacity.
      const stroke = Math.abs(lightnessOf(luminance + (own - luminance) * strokes) - ground);
      const area = Math.min(1, (cover / notNought(strokes)) * 6);
      seen[at] = Math.max(seen[at] as number, (stroke * area) / (JUST_SEEN + MASKING * (tones.busy[at] ?? 0)));
      change += Math.abs(lightnessOf(luminance + (own - luminance) * cover) - ground);
    }
  }
  const marked = Uint8Array.from(seen, (value) => (value >= 1 ? 1 : 0));
  return {
    columns,
    rows,
    seen,
    share: nearShare(marked, columns, rows, REACH),
    free: largestFree(marked, columns, rows),
    disturbs: change / seen.length,
  };
}

/** Share of the cells that have a marked one within reach. */
function nearShare(marked: Uint8Array, columns: number, rows: number, reach: number): number {
  let count = 0;
  // Sums over rectangles from one table. @source F. Crow, "Summed-area tables for texture mapping", 1984
  const table = new Int32Array((columns + 1) * (rows + 1));
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++)
      table[(y + 1) * (columns + 1) + x + 1] =
        (marked[y * columns + x] as number) +
        (table[y * (columns + 1) + x + 1] as number) +
        (table[(y + 1) * (columns + 1) + x] as number) -
        (table[y * (columns + 1) + x] as number);
  const sum = (x0: number, y0: number, x1: number, y1: number) =>
    (table[y1 * (columns + 1) + x1] as number) -
    (table[y0 * (columns + 1) + x1] as number) -
    (table[y1 * (columns + 1) + x0] as number) +
    (table[y0 * (columns + 1) + x0] as number);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++)
      if (sum(Math.max(0, x - reach), Math.max(0, y - reach), Math.min(columns, x + reach + 1), Math.min(rows, y + reach + 1)) > 0) count++;
  return count / (columns * rows);
}

/** The largest rectangle of cells that are not marked. @source the largest rectangle under a histogram, row by row, with a stack */
export function largestFree(marked: Uint8Array, columns: number, rows: number): Protection['free'] {
  const heights = new Int32Array(columns + 1);
  let best = { area: 0, left: 0, top: 0, right: 0, bottom: 0 };
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < columns; x++) heights[x] = marked[y * columns + x] ? 0 : (heights[x] as number) + 1;
    const open: number[] = [];
    for (let x = 0; x <= columns; x++) {
      const here = x === columns ? 0 : (heights[x] as number);
      while (open.length > 0 && (heights[open.at(-1) as number] as number) >= here) {
        const high = heights[open.pop() as number] as number;
        const left = open.length > 0 ? (open.at(-1) as number) + 1 : 0;
        const area = high * (x - left);
        if (area > best.area) best = { area, left, top: y + 1 - high, right: x, bottom: y + 1 };
      }
      open.push(x);
    }
  }
  return {
    left: best.left / columns,
    top: best.top / rows,
    right: best.right / columns,
    bottom: best.bottom / rows,
    share: best.area / (columns * rows),
  };
}
