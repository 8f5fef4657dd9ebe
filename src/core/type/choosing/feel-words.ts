import type { CatalogueEntry } from '../measure';
import { FEEL_SYNONYMS } from './feel-synonyms';
import type { Quality, Qualities } from './qualities';

/** A face as filters see it. */
export interface FilterSubject {
  readonly entry: CatalogueEntry;
  readonly qualities: Qualities;
  readonly name: string;
  readonly group: string;
}

type Rule = (subject: FilterSubject) => boolean;
const above =
  (quality: Quality, least: number): Rule =>
  ({ qualities }) =>
    qualities[quality] >= least;
const below =
  (quality: Quality, most: number): Rule =>
  ({ qualities }) =>
    qualities[quality] <= most;
const all =
  (...rules: Rule[]): Rule =>
  (subject) =>
    rules.every((rule) => rule(subject));
const any =
  (...rules: Rule[]): Rule =>
  (subject) =>
    rules.some((rule) => rule(subject));
const not =
  (rule: Rule): Rule =>
  (subject) =>
    !rule(subject);
const script: Rule = ({ entry }) => entry.measures.joining >= 0.5;
const serif: Rule = ({ entry }) => entry.measures.serif;

/** Words for a feel, and what is measured when somebody types one. −1 to 1 is the range of a quality; 0 is the middle of the library. */
export const FEEL_WORDS: Readonly<Record<string, { readonly means: string; readonly rule: Rule }>> = {
  bold: { means: 'stems in the heaviest third', rule: above('weight', 0.33) },
  light: { means: 'stems in the lightest third', rule: below('weight', -0.33) },
  hairline: { means: 'thin strokes in the finest fifth', rule: below('hairline', -0.6) },
  wide: { means: 'among the widest third', rule: above('width', 0.33) },
  narrow: { means: 'among the narrowest quarter', rule: below('width', -0.5) },
  script: { means: 'letters that join', rule: script },
  serif: { means: 'feet beyond the stem', rule: serif },
  sans: { means: 'no feet, not joined', rule: all(not(serif), not(script)) },
  slab: { means: 'serifs with little contrast', rule: all(serif, ({ entry }) => entry.measures.contrast <= 1.9) },
  elegant: { means: 'high contrast, not heavy', rule: all(above('contrast', 0.4), below('weight', 0.2)) },
  geometric: {
    means: 'even strokes, no serifs, upright stress',
    rule: all(not(serif), not(script), ({ entry }) => entry.measures.contrast <= 1.35, below('roughness', 0.2)),
  },
  round: { means: 'round stroke ends', rule: above('roundness', 0.1) },
  rough: { means: 'outlines with the most points', rule: above('roughness', 0.75) },
  'hand-made': {
    means: 'leaning, joined or rough, in a lively rhythm',
    rule: (subject) =>
      [script, above('slant', 0), above('roughness', 0.75)].some((rule) => rule(subject)) && below('evenness', 0.2)(subject),
  },
  open: { means: 'light and wide', rule: all(below('weight', 0), above('width', -0.1)) },
  airy: { means: 'light, with white around the letters', rule: all(below('weight', -0.2), ({ entry }) => entry.measures.color < 0.4) },
  sturdy: { means: 'thin strokes in the strongest third', rule: above('hairline', 0.33) },
  ornate: { means: 'the most outline in each letter', rule: above('ornament', 0.6) },
  plain: { means: 'the least outline in each letter', rule: below('ornament', -0.2) },
  classic: {
    means: 'serifs with slanted stress or high contrast',
    rule: all(serif, (subject) => above('stress', -0.4)(subject) || above('contrast', 0.4)(subject)),
  },
  capitals: { means: 'no lower case of its own', rule: ({ entry }) => entry.measures.capitalsOnly },
  luxury: {
    means: 'fine thin strokes, high contrast, not heavy',
    rule: all(above('contrast', 0.3), below('hairline', -0.2), below('weight', 0.4)),
  },
  rustic: {
    means: 'rough outlines, or serifs and joins in a lively rhythm',
    rule: any(above('roughness', 0.6), all(any(serif, script), below('evenness', -0.1), above('weight', -0.3))),
  },
  modern: { means: 'no serifs, even strokes, plain', rule: all(not(serif), not(script), below('ornament', 0.3), below('roughness', 0.4)) },
  vintage: {
    means: 'serifs, ornament or joins, with a small or uneven body',
    rule: all(any(serif, script, above('ornament', 0.4)), any(above('contrast', 0.2), above('ornament', 0.3), below('evenness', -0.2))),
  },
  friendly: {
    means: 'round or soft, not formal: little contrast, large small letters or round ends',
    rule: all(below('contrast', 0.3), any(above('roundness', 0.05), above('xHeight', 0.2), script)),
  },
  warm: {
    means: 'slanted stress, round ends or a written hand',
    rule: any(above('roundness', 0.1), above('stress', 0), all(script, below('contrast', 0.6))),
  },
  cool: { means: 'upright stress, even rhythm, no round ends', rule: all(below('roundness', 0), above('evenness', 0.1), not(script)) },
  playful: {
    means: 'round, leaning or uneven, not fine',
    rule: all(above('hairline', -0.4), any(above('roundness', 0.1), below('evenness', -0.3), above('ornament', 0.5))),
  },
  quirky: { means: 'in the most uneven third, or among the most ornamented', rule: any(below('evenness', -0.33), above('ornament', 0.6)) },
  feminine: { means: 'light, fine or flowing', rule: all(below('weight', 0.1), any(script, below('hairline', -0.2), above('slant', 0.1))) },
  romantic: {
    means: 'joined or leaning, with fine strokes',
    rule: all(
      any(script, ({ entry }) => Math.abs(entry.measures.slantDeg) >= 5),
      below('weight', 0.4),
    ),
  },
  masculine: {
    means: 'heavy, upright, not joined',
    rule: all(above('weight', 0.2), not(script), ({ entry }) => Math.abs(entry.measures.slantDeg) < 5),
  },
  calm: { means: 'even rhythm, not heavy, not ornamented', rule: all(above('evenness', 0), below('weight', 0.3), below('ornament', 0.2)) },
  formal: {
    means: 'high contrast or fine scripts, upright or joined',
    rule: all(above('contrast', 0.2), below('roughness', 0.5), any(serif, script)),
  },
  serious: {
    means: 'even rhythm, plain, no round ends, not joined',
    rule: all(above('evenness', 0), below('ornament', 0.2), below('roundness', 0.05), not(script)),
  },
  technical: {
    means: 'even strokes on a strict build, no serifs or all of one width',
    rule: all(not(script), below('contrast', -0.1), above('evenness', -0.2), below('roughness', 0.3)),
  },
  sporty: {
    means: 'heavy and narrow, or leaning',
    rule: all(
      not(script),
      any(all(above('weight', 0.2), below('width', 0)), ({ entry }) => Math.abs(entry.measures.slantDeg) >= 5),
    ),
  },
  italic: { means: 'leaning by 5° or more', rule: ({ entry }) => Math.abs(entry.measures.slantDeg) >= 5 },
};

/** The feel that a word asks for, by its own name or one that means the same. */
const FEEL_OF: ReadonlyMap<string, string> = new Map([
  ...Object.entries(FEEL_SYNONYMS).flatMap(([feel, words]) => words.map((word) => [word, feel] as const)),
  ...Object.keys(FEEL_WORDS).map((feel) => [feel, feel] as const),
]);
/** Every word that is understood. */
export const KNOWN_FEELS: readonly string[] = [...FEEL_OF.keys()];

/** Endings that make another word of the same feel: “roundness”, “boldly”, “rustically”. */
const ENDINGS = ['ically', 'iness', 'ness', 'ally', 'ly', 'ish', 'ier', 'iest', 'er', 'est', 'ity', 'ed', 'ing', 's', 'y'];
const stemsOf = (word: string): readonly string[] =>
  ENDINGS.flatMap((ending) => {
    if (!word.endsWith(ending) || word.length - ending.length < 3) return [];
    const stem = word.slice(0, -ending.length);
    return [stem, `${stem}e`, `${stem}y`, `${stem}ic`, stem.replace(/(.)\1$/, '$1')];
  });

/** How many letters must be put in, taken out, exchanged or swapped. @source F. Damerau, CACM 7(3), 1964, neighboring swaps */
function lettersApart(one: string, other: string): number {
  const rows: number[][] = [Array.from({ length: other.length + 1 }, (_, at) => at)];
  for (let i = 1; i <= one.length; i++) {
    const row = [i];
    for (let j = 1; j <= other.length; j++) {
      const same = one[i - 1] === other[j - 1] ? 0 : 1;
      let least = Math.min((rows[i - 1]?.[j] ?? 0) + 1, (row[j - 1] ?? 0) + 1, (rows[i - 1]?.[j - 1] ?? 0) + same);
      if (i > 1 && j > 1 && one[i - 1] === other[j - 2] && one[i - 2] === other[j - 1])
        least = Math.min(least, (rows[i - 2]?.[j - 2] ?? 0) + 1);
      row.push(least);
    }
    rows.push(row);
  }
  return rows[one.length]?.[other.length] ?? 0;
}

/** The known words nearest in spelling, nearest first. */
export const nearFeels = (word: string, most = 3): readonly string[] =>
  KNOWN_FEELS.map((known) => ({ known, apart: lettersApart(word, known) }))
    .sort((a, b) => a.apart - b.apart || a.known.localeCompare(b.known))
    .slice(0, most)
    .map(({ known }) => known);

/** The feel that a typed word asks for: the word itself, one that means the same, another form of it, or one misspelled by a letter or two. */
export function feelOf(word: string): string | undefined {
  const exact = FEEL_OF.get(word);
  if (exact) return exact;
  for (const stem of stemsOf(word)) {
    const known = FEEL_OF.get(stem);
    if (known) return known;
  }
  if (word.length < 4) return undefined;
  const [near] = nearFeels(word, 1);
  return near !== undefined && lettersApart(word, near) <= (word.length < 7 ? 1 : 2) ? FEEL_OF.get(near) : undefined;
}

export interface UnknownWord {
  readonly word: string;
  /** Known words that are spelled most like it. */
  readonly near: readonly string[];
}
export interface FeelFilter {
  /** The feels that were understood, by the words that are measured. */
  readonly understood: readonly string[];
  /** Words that are no feel, and stand in no face's name or class: they keep nothing out. */
  readonly unknown: readonly UnknownWord[];
  readonly keeps: Rule;
}

/**
 * Reads a line of words: feels become measures, all of which must hold; a word that stands in a face's name or class keeps those.
 * @param isNamed whether any face has the word in its name or class
 */
export function feelFilter(typed: string, isNamed: (word: string) => boolean = () => true): FeelFilter {
  const words = typed
    .toLowerCase()
    .split(/[\s,;]+/)
    .filter(Boolean);
  const understood = new Set<string>();
  const unknown: UnknownWord[] = [];
  const rules: Rule[] = [];
  for (const word of words) {
    // A face's own name comes before a feel that is spelled nearly like it.
    const feel = FEEL_OF.get(word) ?? (isNamed(word) && word.length > 2 ? undefined : feelOf(word));
    const rule = feel === undefined ? undefined : FEEL_WORDS[feel]?.rule;
    if (feel !== undefined && rule) {
      understood.add(feel);
      rules.push(rule);
    } else if (isNamed(word)) rules.push(({ name, group }) => `${name} ${group}`.toLowerCase().includes(word));
    else unknown.push({ word, near: nearFeels(word) });
  }
  return { understood: [...understood], unknown, keeps: all(...rules) };
}
