import type { Point } from '../geometry';
import { MAKING_NAMES, MAKINGS, type Making } from './makings';
import { FADES_BELOW_PX, weaknesses, type Limits, type Silhouette } from './survival';

/**
 * What a mark is looked at for: strokes that are thinner, and gaps that are tighter, than shares of its longer side. Sizes on a screen and
 * ways of making come down to it, so that places need no size of their own.
 */
export interface WeakAt extends Limits {
  readonly way: 'screen' | Making;
}

/** A place where a mark gives way: the disk that fits into the stroke or the gap there, in the mark's own unit. */
export interface WeakPlace {
  readonly kind: 'stroke' | 'gap';
  readonly at: Point;
  readonly widthPx: number;
}

/** What fades and closes where the longer side is so many pixels of a screen. */
export const weakAtPx = (longerPx: number): WeakAt => ({
  way: 'screen',
  stroke: FADES_BELOW_PX / longerPx,
  gap: FADES_BELOW_PX / longerPx,
});

/** What is lost where the longer side is made so long. @param limits the thinnest stroke and the tightest gap that hold, in mm */
export const weakAtMm = (way: Making, longerMm: number, limits: Limits): WeakAt => ({
  way,
  stroke: limits.stroke / longerMm,
  gap: limits.gap / longerMm,
});

/** Where it gives way, thinnest first. */
export function weakPlaces(silhouette: Silhouette, { stroke, gap }: Limits): readonly WeakPlace[] {
  const { longer } = silhouette;
  const found = (kind: WeakPlace['kind'], share: number): readonly WeakPlace[] =>
    weaknesses(silhouette, kind, share * longer).map(({ at, thickness }) => ({ kind, at, widthPx: thickness }));
  return [...found('stroke', stroke), ...found('gap', gap)].sort((one, other) => one.widthPx - other.widthPx);
}

/** Where a size is meant, in words: “at 32 px”. */
export const weakAtText = ({ way, stroke }: WeakAt): string =>
  way === 'screen' ? `at ${Math.round(FADES_BELOW_PX / stroke)} px` : `in ${MAKINGS[way].label}, just below its smallest size`;

/** As it stands in an address. */
export const weakAtAddress = ({ way, stroke, gap }: WeakAt): string => [way, stroke.toPrecision(5), gap.toPrecision(5)].join('_');

/** Read from an address; nothing where it is none. */
export function weakAtFrom(address: string | null): WeakAt | undefined {
  const [way = '', ...numbers] = (address ?? '').split('_');
  const [stroke = NaN, gap = NaN] = numbers.map(Number);
  const isWay = way === 'screen' || MAKING_NAMES.includes(way as Making);
  const holds = (share: number) => share > 0 && share <= 1;
  return isWay && numbers.length === 2 && holds(stroke) && holds(gap) ? { way: way as WeakAt['way'], stroke, gap } : undefined;
}
