const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** One letter as a reader sees it: a base with all its combining marks. `start` and `end` count UTF-16 units. */
export interface Grapheme {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/** Texts whose letters are remembered: what is on the table is asked for again and again. */
const KEPT = 200;
const known = new Map<string, readonly Grapheme[]>();

/** The letters of a text in typing order. @source Unicode UAX 29, "extended grapheme clusters" */
export function graphemesOf(text: string): readonly Grapheme[] {
  const kept = known.get(text);
  if (kept) return kept;
  const letters = Array.from(segmenter.segment(text), ({ segment, index }) => ({
    text: segment,
    start: index,
    end: index + segment.length,
  }));
  const oldest = known.keys().next();
  if (known.size >= KEPT && !oldest.done) known.delete(oldest.value);
  known.set(text, letters);
  return letters;
}

/** The first letter that is not white space, or nothing. */
export const firstLetter = (text: string): string | undefined => graphemesOf(text).find((grapheme) => grapheme.text.trim() !== '')?.text;
