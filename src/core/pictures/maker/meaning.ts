import { ok, fail, type Result } from '../../result/result';
import { MOTIF_NAMES, motifOf, type MotifName } from './motifs';

/** What words ask for, as far as the picture maker understands them. */
export interface Meaning {
  readonly motif: MotifName;
  /** A color that the words name, for the motif. */
  readonly color?: string;
  /** Words that were not understood. */
  readonly left: readonly string[];
}

/** Colors that people name; plain English. */
const COLOR_WORDS: Readonly<Record<string, string>> = {
  ...{ red: '#a83232', blue: '#2f4a7a', green: '#3f6b3a', yellow: '#d9b13a', orange: '#c8702b', purple: '#6a4a7a', violet: '#6a4a7a' },
  ...{ pink: '#cf8a9a', brown: '#6b4423', black: '#2b2b2e', white: '#e9e6dd', gray: '#8f9296', grey: '#8f9296', gold: '#b98a2e' },
  ...{ golden: '#b98a2e', teal: '#2f6b6b', turquoise: '#3f8f8f', beige: '#d4c3a0', navy: '#24365a', crimson: '#8f2338' },
};
/** Words that say nothing of what is to be seen. */
const FILLING = new Set(
  'a an the of in on at with and or for to from by our my your its his her one two some picture photo image drawing plain busy simple background ground small large big little old new'.split(
    ' ',
  ),
);

/** Words in their base form, as far as a plain rule goes. */
const single = (word: string): string =>
  /(lea|loa|wol)ves$/.test(word)
    ? word.replace(/ves$/, 'f')
    : word.endsWith('ies') && word.length > 4
      ? `${word.slice(0, -3)}y`
      : /(s|x|ch|sh)es$/.test(word)
        ? word.slice(0, -2)
        : word.endsWith('s') && !word.endsWith('ss') && word.length > 3
          ? word.slice(0, -1)
          : word;

const named = new Map<string, MotifName>(
  MOTIF_NAMES.flatMap((name) => [...motifOf(name).words, motifOf(name).label].map((word) => [word.toLowerCase(), name] as const)),
);

/**
 * Reads what is asked for: the longest run of words that names a motif counts, then the first.
 * @param words as they were typed, any length up to a few hundred letters
 */
export function meaningOf(words: string): Result<Meaning> {
  const all = words
    .normalize('NFC')
    .toLowerCase()
    .split(/[^\p{L}\p{M}]+/u)
    .filter((word) => word !== '');
  const base = all.map(single);
  for (let long = Math.min(4, all.length); long >= 1; long--)
    for (let at = 0; at + long <= all.length; at++) {
      const motif = named.get(all.slice(at, at + long).join(' ')) ?? named.get(base.slice(at, at + long).join(' '));
      if (!motif) continue;
      const color = all.find((word, index) => (index < at || index >= at + long) && Object.hasOwn(COLOR_WORDS, word));
      const left = all.filter((word, index) => (index < at || index >= at + long) && word !== color && !FILLING.has(word));
      return ok({ motif, left: [...new Set(left)], ...(color ? { color: COLOR_WORDS[color] as string } : {}) });
    }
  const known = MOTIF_NAMES.map((name) => motifOf(name).label.toLowerCase());
  return fail({
    code: 'motif-unknown',
    message:
      all.length === 0
        ? 'There are no words that say what is to be seen.'
        : `The stand-in knows no picture of “${words.trim().slice(0, 80)}”.`,
    fix: `It draws ${known.slice(0, -1).join(', ')} and ${known.at(-1)}.`,
  });
}
