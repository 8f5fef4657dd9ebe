const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** One letter as a reader sees it: a base with all its combining marks. `start` and `end` count UTF-16 units. */
export interface Grapheme {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/** The letters of a text in typing order. @source Unicode UAX 29, "extended grapheme clusters" */
export const graphemesOf = (text: string): readonly Grapheme[] =>
  Array.from(segmenter.segment(text), ({ segment, index }) => ({ text: segment, start: index, end: index + segment.length }));

/** The first letter that is not white space, or nothing. */
export const firstLetter = (text: string): string | undefined => graphemesOf(text).find((grapheme) => grapheme.text.trim() !== '')?.text;
