import { graphemesOf } from './graphemes';

/**
 * Articles, conjunctions and short prepositions, which lead on to the next word: they hang at no end of a row, and give no initial.
 * @source common practice of setting titles; English, French, Spanish, Portuguese, Italian, German, Dutch, Scandinavian, Polish, Russian, Ukrainian
 */
const LITTLE: ReadonlySet<string> = new Set(
  [
    'a an the and or of by at in on to for from with',
    'le la les un une des du de et au aux',
    'el los las del y e da do das dos di della il lo i gli ed',
    'der die das den dem und von vom zu zum zur im am für mit',
    'het een van en voor och og på till til',
    'w z u ze na do oraz dla',
    'и а в во на у с со к ко о об от из за под при по над для до та й із зі',
  ].flatMap((words) => words.split(' ')),
);

/** Whether a word is one of them; a single capital is a letter that somebody chose. */
export const isLittle = (word: string): boolean => (word.length > 1 || word === word.toLowerCase()) && LITTLE.has(word.toLowerCase());

/** Whether a word leads on to the next: a little one, a sign for “and”, or any of at most two letters. */
export const leadsOn = (word: string): boolean => graphemesOf(word).length <= 2 || isLittle(word);
