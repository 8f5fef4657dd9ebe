import german from 'hyphen/de/index.js';
import english from 'hyphen/en-gb/index.js';
import spanish from 'hyphen/es/index.js';
import french from 'hyphen/fr/index.js';
import italian from 'hyphen/it/index.js';
import type { HyphenLanguage } from './hyphen-languages';

/** @source TeX hyphenation patterns, through the package `hyphen` (Liang, 1983) */
const RULES = { english, german, french, spanish, italian } satisfies Record<HyphenLanguage, unknown>;

/** A noncharacter: nobody types it. @source The Unicode Standard, 23.7 */
const MARK = '\uFDD0';
/** Shorter words are not divided (common practice). */
const SHORTEST = 6;

/** A piece of text at the places where its words may be divided; put together, it is what it was. */
export const syllables = (piece: string, language: HyphenLanguage): readonly string[] =>
  piece.includes(MARK) ? [piece] : RULES[language].hyphenateSync(piece, { hyphenChar: MARK, minWordLength: SHORTEST }).split(MARK);
