import { graphemesOf } from './graphemes';

/** `small-caps` shows the typed letters in the font's own small capitals. */
export const LETTER_CASES = ['typed', 'upper', 'lower', 'title', 'small-caps'] as const;
export type LetterCase = (typeof LETTER_CASES)[number];

/**
 * The letters of a text as a case shows them, one entry for every typed letter, by Unicode's full case mappings (ß becomes SS).
 * The typed text is never changed by this, so that what was done to a letter stays with it.
 */
export function casedLetters(text: string, letterCase: LetterCase): readonly string[] {
  const letters = graphemesOf(text).map((grapheme) => grapheme.text);
  if (letterCase === 'upper') return letters.map((letter) => letter.toUpperCase());
  if (letterCase !== 'lower' && letterCase !== 'title') return letters;
  // Lower case looks around itself (a final sigma differs), so the whole text is mapped and then divided again.
  const lower = text.toLowerCase();
  const lengths = letters.map((letter) => letter.toLowerCase().length);
  const whole = lengths.reduce((sum, length) => sum + length, 0) === lower.length;
  let start = 0;
  return letters.map((letter, index) => {
    const small = whole ? lower.slice(start, start + (lengths[index] as number)) : letter.toLowerCase();
    start += lengths[index] as number;
    const begins = letterCase === 'title' && letter.trim() !== '' && (letters[index - 1] ?? ' ').trim() === '';
    return begins ? letter.toUpperCase() : small;
  });
}

/** The text as a letter case shows it. */
export const inCase = (text: string, letterCase: LetterCase): string => casedLetters(text, letterCase).join('');
