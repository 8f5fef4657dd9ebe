import { graphemesOf } from './graphemes';

export const LETTER_CASES = ['typed', 'upper', 'lower', 'title'] as const;
export type LetterCase = (typeof LETTER_CASES)[number];

const title = (text: string): string =>
  text
    .split(/(\s+)/)
    .map((word) => {
      const [first, ...rest] = graphemesOf(word);
      return first ? first.text.toUpperCase() + rest.map((grapheme) => grapheme.text.toLowerCase()).join('') : '';
    })
    .join('');

/** The text as a letter case shows it, by Unicode's full case mappings (ß becomes SS). The typed text is never changed by this. */
export function inCase(text: string, letterCase: LetterCase): string {
  if (letterCase === 'upper') return text.toUpperCase();
  if (letterCase === 'lower') return text.toLowerCase();
  return letterCase === 'title' ? title(text) : text;
}
