import { heightOf, widthOf } from '../geometry';
import type { ResolvedMark } from '../marks/drawing/resolve';

/** Heights of the capitals of all words that a mark shows, in mark pixels; single letters are pictures more than words. */
const capsOf = ({ parts }: ResolvedMark): readonly number[] =>
  parts.flatMap(({ lettering, ink, transform }) =>
    lettering && ink && lettering.letters.length > 1
      ? [lettering.capHeightPx * Math.sqrt(Math.abs(transform.a * transform.d - transform.b * transform.c))]
      : [],
  );

/** Height of the capitals of the smallest words of a mark, in mark pixels. */
export function smallestCapPx(mark: ResolvedMark): number | undefined {
  const caps = capsOf(mark);
  return caps.length === 0 ? undefined : Math.min(...caps);
}

/** The mark's own unit of clear space: the height of its largest capitals; an eighth of its shorter side where it has no words (common practice). */
export function clearSpacePx(mark: ResolvedMark): number {
  const caps = capsOf(mark);
  if (caps.length > 0) return Math.max(...caps);
  return mark.ink ? Math.min(widthOf(mark.ink), heightOf(mark.ink)) / 8 : 0;
}
