import { joinSpecks } from '../tones/specks';
import { histogramOf, otsu } from '../tones/thresholds';
import { CLEAR, clearCrossing, inksOf, meanColor, SEEN, smallestPatch } from './areas';
import type { TracingWay } from './way';

/** A few tones from dark to light. */
export const inTones: TracingWay = {
  label: 'Tones',
  says: 'Three to six tones from dark to light, each in a color of its own.',
  uses: ['count', 'thresholds', 'paper', 'smooth', 'specksPermille', 'closenessPx'],
  thresholds: ({ gray, planes }, { count }) =>
    otsu(
      histogramOf(gray, (index) => (planes.alpha[index] as number) >= SEEN),
      count - 1,
    ),
  trace: (picture, tracing) => {
    const { columns, rows, gray, planes } = picture;
    const cuts = tracing.thresholds ?? inTones.thresholds?.(picture, tracing) ?? [0.5];
    const areas = new Int16Array(gray.length);
    for (let index = 0; index < areas.length; index++) {
      let tone = 1;
      for (const cut of cuts) if ((gray[index] as number) >= cut) tone++;
      const paper = tracing.paper === 'clear' && tone === cuts.length + 1;
      areas[index] = (planes.alpha[index] as number) < SEEN || paper ? CLEAR : tone;
    }
    joinSpecks(areas, columns, rows, smallestPatch(picture, tracing));
    const clear = clearCrossing(picture);
    const crossing = (first: number, second: number): number => {
      const atClear = clear(first, second);
      if (atClear !== undefined) return atClear;
      const [a, b] = [gray[first] as number, gray[second] as number];
      // The thresholds between the two; of several the middle one.
      const between = cuts.filter((cut) => a < cut !== b < cut);
      const cut = between[between.length >> 1];
      return cut === undefined ? 0.5 : (cut - a) / (b - a);
    };
    const inks = Array.from({ length: cuts.length + 1 }, (_, tone) => tone + 1).filter((tone) => areas.includes(tone));
    return inksOf(
      { columns, rows, areas, crossing },
      new Map(inks.map((tone) => [tone, meanColor(picture, areas, tone)])),
      tracing,
      inks[0],
    );
  },
};
