import type { ResolvedMark } from '../marks/drawing/resolve';

/** Height of the capitals of the smallest words that a mark shows, in mark pixels; single letters are pictures more than words. */
export function smallestCapPx({ parts }: ResolvedMark): number | undefined {
  const caps = parts.flatMap(({ lettering, ink, transform }) =>
    lettering && ink && lettering.letters.length > 1
      ? [lettering.capHeightPx * Math.sqrt(Math.abs(transform.a * transform.d - transform.b * transform.c))]
      : [],
  );
  return caps.length === 0 ? undefined : Math.min(...caps);
}
