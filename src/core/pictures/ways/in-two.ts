import { surroundings } from '../tones/guided';
import { joinSpecks } from '../tones/specks';
import { histogramOf, otsu } from '../tones/thresholds';
import type { Tracing } from '../tracing';
import { CLEAR, clearCrossing, inksOf, meanColor, SEEN, smallestPatch } from './areas';
import type { TracedArea, TracedPicture, TracingWay } from './way';

/** The window that the light around a pixel is looked at in: a share of the longer side; and how strongly unevenness there counts. */
const [WINDOW, UNEVEN] = [0.25, 0.12];
/** Where the surroundings differ less than this they say nothing: a deviation of lightness. */
const TELLS = 0.1;

const opaque =
  ({ planes }: TracedPicture) =>
  (index: number) =>
    (planes.alpha[index] as number) >= SEEN;

/** The threshold at every pixel: one for all, mixed with what the surroundings of each say. @source N. Sauvola, M. Pietikäinen, Pattern Recognition 33(2), 2000 */
export function thresholdPlane({ columns, rows }: TracedPicture, gray: Float32Array, whole: number, local: number): Float32Array {
  if (local <= 0) return new Float32Array(gray.length).fill(whole);
  const reach = Math.round((WINDOW * Math.max(columns, rows)) / 2);
  const [mean, deviations] = surroundings(gray, columns, rows, reach, Math.max(1, Math.floor(reach / 16)));
  return gray.map((_, index) => {
    const [here, deviation] = [mean[index] as number, deviations[index] as number];
    const around = here * (1 + UNEVEN * (deviation / 0.5 - 1));
    const weight = local * Math.min(1, deviation / TELLS);
    return whole + (around - whole) * weight;
  });
}

/** Cuts a plane at a threshold of its own at every pixel, and traces the darker or the lighter side. */
export function cutInTwo(picture: TracedPicture, gray: Float32Array, thresholds: Float32Array, tracing: Tracing): readonly TracedArea[] {
  const { columns, rows } = picture;
  const seen = opaque(picture);
  const dark = tracing.ink === 'dark';
  const areas = new Int16Array(gray.length);
  for (let index = 0; index < areas.length; index++)
    areas[index] = seen(index) && (gray[index] as number) < (thresholds[index] as number) === dark ? 1 : CLEAR;
  joinSpecks(areas, columns, rows, smallestPatch(picture, tracing));
  const clear = clearCrossing(picture);
  const crossing = (first: number, second: number): number => {
    const atClear = clear(first, second);
    if (atClear !== undefined) return atClear;
    const [a, b] = [(gray[first] as number) - (thresholds[first] as number), (gray[second] as number) - (thresholds[second] as number)];
    return a < 0 !== b < 0 ? a / (a - b) : 0.5;
  };
  return inksOf({ columns, rows, areas, crossing }, new Map([[1, meanColor(picture, areas, 1)]]), tracing, undefined);
}

/** Dark and light, where each begins told half by the whole picture and half by its surroundings. */
export const inTwo: TracingWay = {
  label: 'Two tones',
  says: 'Dark on clear: for drawings, symbols and calm photos.',
  uses: ['thresholds', 'ink', 'local', 'smooth', 'specksPermille', 'closenessPx'],
  thresholds: (picture) => otsu(histogramOf(picture.gray, opaque(picture)), 1),
  trace: (picture, tracing) => {
    const [whole = 0.5] = tracing.thresholds ?? inTwo.thresholds?.(picture, tracing) ?? [];
    return cutInTwo(picture, picture.gray, thresholdPlane(picture, picture.gray, whole, tracing.local), tracing);
  },
};
