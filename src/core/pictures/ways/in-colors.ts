import { eachOf } from '../../numeric/tuples';
import { converter, parse } from 'culori';
import { pictureColors } from '../../color/picture-colors';
import { joinSpecks } from '../tones/specks';
import { smoothed } from '../tones/guided';
import { CLEAR, clearCrossing, inksOf, meanColor, SEEN, smallestPatch } from './areas';
import type { TracedPicture, TracingWay } from './way';

const toOklab = converter('oklab');
const toRgb = converter('rgb');
/** Pixels that colors are looked for in. */
const LOOKED_AT = 6000;
/** Reach of smoothing at full, as a share of the longer side; variance that is smoothed away. */
const [REACH, EPSILON] = [0.012, 0.0012];
/** Patches of colors are joined from this many times the size on at which tones are: color noise makes larger ones. */
const LARGER = 1.7;

interface Center {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}

type Planes = readonly [lightness: Float32Array, a: Float32Array, b: Float32Array];

/** The colors that stand for a picture's. */
function centersOf({ columns, rows, planes }: TracedPicture, soft: Planes, count: number): readonly Center[] {
  const step = Math.max(1, Math.floor((columns * rows) / LOOKED_AT));
  const rgb: number[] = [];
  const [l, a, b] = soft;
  for (let index = step >> 1; index < l.length; index += step) {
    if ((planes.alpha[index] as number) < SEEN) continue;
    const { r, g, b: blue } = toRgb({ mode: 'oklab', l: l[index] as number, a: a[index] as number, b: b[index] as number });
    rgb.push(...[r, g, blue].map((part) => Math.round(255 * Math.min(1, Math.max(0, part)))));
  }
  return pictureColors(Uint8Array.from(rgb), count).map(({ hex }) => {
    const { l: light, a: green, b: yellow } = toOklab(parse(hex)) ?? { l: 0, a: 0, b: 0 };
    return { l: light, a: green, b: yellow };
  });
}
/** The few colors that stand for a picture's. */
export const inColors: TracingWay = {
  label: 'Colors',
  says: 'Two to eight colors that stand for the picture’s, each a swatch to change.',
  uses: ['count', 'paper', 'smooth', 'specksPermille', 'closenessPx'],
  trace: (picture, tracing) => {
    const { columns, rows, planes } = picture;
    const reach = Math.max(1, Math.round(REACH * tracing.smooth * Math.max(columns, rows)));
    const soft: Planes = eachOf([planes.lightness, planes.a, planes.b], (plane) =>
      tracing.smooth > 0 ? smoothed(smoothed(plane, columns, rows, reach, EPSILON), columns, rows, reach, EPSILON) : plane,
    );
    const [l, a, b] = soft;
    const found = [...centersOf(picture, soft, tracing.count)].sort((one, other) => one.l - other.l);
    if (found.length === 0) return [];
    const away = (index: number, center: Center): number =>
      ((l[index] as number) - center.l) ** 2 + ((a[index] as number) - center.a) ** 2 + ((b[index] as number) - center.b) ** 2;
    // The lightest is the paper, but only where there is another one and nothing else is clear.
    const isPaper = (area: number): boolean => tracing.paper === 'clear' && found.length > 1 && area === found.length;
    const areas = new Int16Array(l.length);
    for (let index = 0; index < areas.length; index++) {
      if ((planes.alpha[index] as number) < SEEN) continue;
      let nearest = 1;
      for (let k = 1; k < found.length; k++)
        if (away(index, found[k] as Center) < away(index, found[nearest - 1] as Center)) nearest = k + 1;
      areas[index] = isPaper(nearest) ? CLEAR : nearest;
    }
    joinSpecks(areas, columns, rows, LARGER * smallestPatch(picture, tracing));
    const clear = clearCrossing(picture);
    const centerOf = (area: number): Center => found[(area === CLEAR ? found.length : area) - 1] as Center;
    const crossing = (first: number, second: number): number => {
      const atClear = clear(first, second);
      if (atClear !== undefined) return atClear;
      const [one, other] = [centerOf(areas[first] as number), centerOf(areas[second] as number)];
      // Along the way from pixel to pixel the difference of two squared distances is a straight line.
      const [before, after] = [away(first, one) - away(first, other), away(second, one) - away(second, other)];
      return before < 0 && after > 0 ? before / (before - after) : 0.5;
    };
    const inks = found.map((_, k) => k + 1).filter((area) => areas.includes(area));
    return inksOf(
      { columns, rows, areas, crossing },
      new Map(inks.map((area) => [area, meanColor(picture, areas, area)])),
      tracing,
      inks[0],
    );
  },
};
