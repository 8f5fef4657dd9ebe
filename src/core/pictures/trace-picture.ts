import { labPlanes, type Pixels } from './pixels';
import { balanced, type Balance } from './tones/balanced';
import { smoothed } from './tones/guided';
import type { Tracing } from './tracing';
import { TRACING_WAYS } from './ways/registry';
import type { TracedArea, TracedPicture } from './ways/way';

/** Reach of smoothing at a half, as a share of the longer side, and the variance that it smooths away. */
const [REACH, EPSILON] = [0.006, 0.003];

/** The picture as all ways look at it. Smoothed twice: once leaves a rim of grain along edges. */
export function asTraced(pixels: Pixels, { smooth, ...balance }: Pick<Tracing, 'smooth'> & Balance): TracedPicture {
  const { columns, rows } = pixels;
  const read = labPlanes(pixels);
  const planes = { ...read, lightness: balanced(read.lightness, columns, rows, balance) };
  const reach = Math.max(1, Math.round(2 * smooth * REACH * Math.max(columns, rows)));
  const epsilon = EPSILON * 2 * smooth;
  const softened = (): Float32Array =>
    smooth > 0 ? smoothed(smoothed(planes.lightness, columns, rows, reach, epsilon), columns, rows, reach, epsilon) : planes.lightness;
  let gray: Float32Array | undefined;
  return {
    ...{ columns, rows, planes },
    // Ways that look at colors never ask for it.
    get gray() {
      return (gray ??= softened());
    },
  };
}

export interface TracedOutcome {
  readonly columns: number;
  readonly rows: number;
  /** Back to front, in the picture's pixels. */
  readonly areas: readonly TracedArea[];
  /** The thresholds that were used, found or set. */
  readonly thresholds: readonly number[];
}

/**
 * A picture as outlines. @param pixels at most about 1,000 pixels wide and high: more make it slower, not better
 */
export function tracePicture(pixels: Pixels, tracing: Tracing): TracedOutcome {
  const picture = asTraced(pixels, tracing);
  const way = TRACING_WAYS[tracing.way];
  const thresholds = tracing.thresholds ?? way.thresholds?.(picture, tracing) ?? [];
  const set = way.thresholds ? { ...tracing, thresholds: [...thresholds] } : tracing;
  return { columns: pixels.columns, rows: pixels.rows, areas: way.trace(picture, set), thresholds };
}
