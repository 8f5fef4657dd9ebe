import { formatHex } from 'culori';
import type { Hex } from '../../color/hex';
import type { AreaMap } from '../trace/borders';
import { traceAreas } from '../trace/trace';
import { joinSpecks } from '../tones/specks';
import type { Tracing } from '../tracing';
import type { TracedArea, TracedPicture } from './way';

/** The area that is left clear; inks are counted from 1. */
export const CLEAR = 0;
/** A pixel less opaque than this is clear. */
export const SEEN = 0.5;

/** Smallest patch in pixels. @param specksPermille of the picture's area */
export const smallestPatch = ({ columns, rows }: TracedPicture, { specksPermille }: Tracing): number =>
  (specksPermille / 1000) * columns * rows;

/** Where the border runs between two pixels of which one is clear; nothing where both are seen. */
export function clearCrossing({ planes }: TracedPicture): (first: number, second: number) => number | undefined {
  const { alpha } = planes;
  return (first, second) => {
    const [a, b] = [alpha[first] as number, alpha[second] as number];
    return a < SEEN !== b < SEEN ? (SEEN - a) / (b - a) : undefined;
  };
}

/** The mean color of the pixels of an area. */
export function meanColor({ planes }: TracedPicture, areas: Int16Array, area: number): Hex {
  let [l, a, b, count] = [0, 0, 0, 0];
  for (let index = 0; index < areas.length; index++) {
    if (areas[index] !== area || (planes.alpha[index] as number) < SEEN) continue;
    l += planes.lightness[index] as number;
    a += planes.a[index] as number;
    b += planes.b[index] as number;
    count++;
  }
  const over = count || 1;
  return formatHex({ mode: 'oklab', l: l / over, a: a / over, b: b / over }) as Hex;
}

/** Pixels by which what lies under several inks is smaller than they are together, so that it is seen at no edge. */
const UNDER_PX = 1;

/** Where everything within so many pixels, corners among them, is seen: 1, else 0. Rows first, then columns. */
function shrunkBy(reach: number, areas: Int16Array, columns: number, rows: number): Int16Array {
  const across = new Uint8Array(areas.length);
  for (let y = 0; y < rows; y++) {
    // How many pixels in a row have been seen.
    for (let x = 0, run = 0; x < columns; x++) {
      run = areas[y * columns + x] === CLEAR ? 0 : run + 1;
      if (run > 2 * reach) across[y * columns + x - reach] = 1;
    }
  }
  const out = new Int16Array(areas.length);
  const runs = new Int32Array(columns);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const run = across[y * columns + x] === 1 ? (runs[x] as number) + 1 : 0;
      runs[x] = run;
      if (run > 2 * reach) out[(y - reach) * columns + x] = 1;
    }
  return out;
}

/**
 * The inks of a picture as outlines. Where several touch, the darkest lies under all, a little smaller: no hairline of the ground shows between
 * them, whatever draws them.
 * @param colors by area, from 1 on
 */
export function inksOf(map: AreaMap, colors: ReadonlyMap<number, Hex>, tracing: Tracing, under: number | undefined): readonly TracedArea[] {
  const paths = traceAreas(map, { withinPx: tracing.closenessPx });
  const inks = [...colors].flatMap(([area, color]): TracedArea[] => {
    const path = paths.get(area);
    return path && path.verbs !== '' ? [{ path, rule: 'evenodd', color }] : [];
  });
  const color = under === undefined ? undefined : colors.get(under);
  if (inks.length < 2 || !color) return inks;
  const { columns, rows, areas } = map;
  const silhouette = shrunkBy(UNDER_PX, areas, columns, rows);
  joinSpecks(silhouette, columns, rows, 16);
  const path = traceAreas({ columns, rows, areas: silhouette, crossing: () => 0.5 }, { withinPx: 0.8 }).get(1);
  return path ? [{ path, rule: 'evenodd', color }, ...inks] : inks;
}
