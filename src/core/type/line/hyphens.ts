import type { HyphenLanguage } from './hyphen-languages';

interface Rules {
  readonly hyphenateSync: (text: string, options: { readonly hyphenChar: string; readonly minWordLength: number }) => string;
}

/** Read when a text asks for them: the rules of one language weigh more than all that draws. @source TeX hyphenation patterns, through the package `hyphen` (Liang, 1983) */
const SHELF: Readonly<Record<HyphenLanguage, () => Promise<{ readonly default: Rules }>>> = {
  english: () => import('hyphen/en-gb/index.js'),
  german: () => import('hyphen/de/index.js'),
  french: () => import('hyphen/fr/index.js'),
  spanish: () => import('hyphen/es/index.js'),
  italian: () => import('hyphen/it/index.js'),
};
const read = new Map<HyphenLanguage, Rules>();

/** Reads the rules of languages that words are to be divided in; those that cannot be had are asked for anew the next time. */
export async function readHyphenRules(languages: readonly HyphenLanguage[]): Promise<void> {
  const missing = [...new Set(languages)].filter((language) => !read.has(language));
  await Promise.allSettled(missing.map(async (language) => read.set(language, (await SHELF[language]()).default)));
}

/** A noncharacter: nobody types it. @source The Unicode Standard, 23.7 */
const MARK = '\uFDD0';
/** Shorter words are not divided (common practice). */
const SHORTEST = 6;

/** A piece of text at the places where its words may be divided; put together, it is what it was. `undefined` until the language's rules are read. */
export function syllablesIn(language: HyphenLanguage): ((piece: string) => readonly string[]) | undefined {
  const rules = read.get(language);
  return (
    rules &&
    ((piece) => (piece.includes(MARK) ? [piece] : rules.hyphenateSync(piece, { hyphenChar: MARK, minWordLength: SHORTEST }).split(MARK)))
  );
}
