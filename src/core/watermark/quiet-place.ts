import type { PhotoArea } from './settings';
import type { PhotoTones } from './tones';

/** A place for a stamp, its middle as shares of the picture. */
export interface FoundPlace {
  readonly x: number;
  readonly y: number;
}

/** Mean of a value over a window around each cell, from one table of sums. */
function windowed(values: ArrayLike<number>, columns: number, rows: number, wide: number, high: number): (x: number, y: number) => number {
  const table = new Float64Array((columns + 1) * (rows + 1));
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++)
      table[(y + 1) * (columns + 1) + x + 1] =
        (values[y * columns + x] as number) +
        (table[y * (columns + 1) + x + 1] as number) +
        (table[(y + 1) * (columns + 1) + x] as number) -
        (table[y * (columns + 1) + x] as number);
  return (x, y) =>
    ((table[(y + high) * (columns + 1) + x + wide] as number) -
      (table[y * (columns + 1) + x + wide] as number) -
      (table[(y + high) * (columns + 1) + x] as number) +
      (table[y * (columns + 1) + x] as number)) /
    (wide * high);
}

/** How much of the picture's matter lies in each cell: unevenness within it and steps to its neighbors. */
function matter({ columns, rows, light, busy }: PhotoTones): Float32Array {
  const found = new Float32Array(columns * rows);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const at = y * columns + x;
      const [left, right] = [light[at - (x > 0 ? 1 : 0)] ?? 0, light[at + (x < columns - 1 ? 1 : 0)] ?? 0];
      const [up, down] = [light[at - (y > 0 ? columns : 0)] ?? 0, light[at + (y < rows - 1 ? columns : 0)] ?? 0];
      found[at] = (busy[at] ?? 0) + 0.5 * Math.hypot(right - left, down - up);
    }
  return found;
}

/** Room that is kept to the edges, as a share of the shorter side. */
const EDGE = 0.04;

function places(
  tones: PhotoTones,
  wide: number,
  high: number,
  score: (mean: number, x: number, y: number) => number,
  avoid?: PhotoArea,
): FoundPlace {
  const { columns, rows } = tones;
  const [w, h] = [Math.max(1, Math.min(columns, Math.round(wide * columns))), Math.max(1, Math.min(rows, Math.round(high * rows)))];
  const mean = windowed(matter(tones), columns, rows, w, h);
  const edge = Math.round(EDGE * Math.min(columns, rows));
  let best = { score: -Infinity, x: 0.5, y: 0.5 };
  const [lastX, lastY] = [Math.max(0, columns - w - edge), Math.max(0, rows - h - edge)];
  for (let y = Math.min(edge, lastY); y <= lastY; y++)
    for (let x = Math.min(edge, lastX); x <= lastX; x++) {
      const [middleX, middleY] = [(x + w / 2) / columns, (y + h / 2) / rows];
      if (
        avoid &&
        middleX + wide / 2 > avoid.left &&
        middleX - wide / 2 < avoid.right &&
        middleY + high / 2 > avoid.top &&
        middleY - high / 2 < avoid.bottom
      )
        continue;
      const value = score(mean(x, y), middleX, middleY);
      if (value > best.score) best = { score: value, x: middleX, y: middleY };
    }
  return { x: best.x, y: best.y };
}

/** How much a place in the middle of the picture counts as a part of its subject, against the calm of a corner (in steps of L*). */
const MIDDLE = 6;

/** The calmest place that a stamp of a size fits into, rather near an edge than over the middle. @param wide, high shares of the picture's sides */
export const quietPlace = (tones: PhotoTones, wide: number, high: number, avoid?: PhotoArea): FoundPlace =>
  places(tones, wide, high, (mean, x, y) => -mean - MIDDLE * Math.max(0, 1 - 2.2 * Math.hypot(x - 0.5, y - 0.5)), avoid);

/** Across what the picture is of: where most happens, rather in its middle: there a stamp cannot be cut off or painted over. */
export const unremovablePlace = (tones: PhotoTones, wide: number, high: number): FoundPlace =>
  places(tones, wide, high, (mean, x, y) => mean - 2 * MIDDLE * Math.hypot(x - 0.5, y - 0.5));
