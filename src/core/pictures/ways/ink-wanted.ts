import type { FillRule, Path } from '../../geometry';
import { histogramOf } from '../tones/thresholds';
import type { Tracing } from '../tracing';
import { meanColor, SEEN } from './areas';
import type { TracedArea, TracedPicture } from './way';

/** Shares of a picture's pixels that may become full ink or none: what lies between is spread over all tones. */
const [DARKEST, LIGHTEST] = [0.03, 0.97];
/** Paper scatters light under the dots, which look darker than they are large. */
const DOT_GAIN = 1.25;

/** How much ink each pixel wants, 0 to 1. What is clear wants none. */
export function inkWanted({ gray, planes }: TracedPicture, { ink }: Tracing): (index: number) => number {
  const histogram = histogramOf(gray, (index) => (planes.alpha[index] as number) >= SEEN);
  const total = histogram.reduce((sum, count) => sum + count, 0);
  const at = (share: number): number => {
    let sum = 0;
    return histogram.findIndex((count) => (sum += count) >= share * total) / histogram.length;
  };
  const [low, high] = [at(DARKEST), at(LIGHTEST)];
  const span = Math.max(0.05, high - low);
  return (index) => {
    if ((planes.alpha[index] as number) < SEEN) return 0;
    const light = Math.min(1, Math.max(0, ((gray[index] as number) - low) / span));
    return (ink === 'dark' ? 1 - light : light) ** DOT_GAIN;
  };
}

const inkColor = (picture: TracedPicture, tracing: Tracing) => {
  const wanted = inkWanted(picture, tracing);
  const areas = Int16Array.from(picture.gray, (_, index) => (wanted(index) > 0.5 ? 1 : 0));
  return meanColor(picture, areas, 1);
};

/** Outlines in the mean color of where most ink is wanted; nothing where there are none. */
export const asInk = (picture: TracedPicture, tracing: Tracing, path: Path, rule: FillRule): readonly TracedArea[] =>
  path.verbs === '' ? [] : [{ path, rule, color: inkColor(picture, tracing) }];
