import type { CatalogueEntry } from '../measure';
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
  italic: { means: 'leaning by 5° or more', rule: ({ entry }) => Math.abs(entry.measures.slantDeg) >= 5 },
};

export interface FeelFilter {
  /** The words that were understood as feels. */
  readonly understood: readonly string[];
  readonly keeps: Rule;
}

/** Reads a line of words: feels become measures, all of which must hold; any other word must stand in the face's name or class. */
export function feelFilter(typed: string): FeelFilter {
  const words = typed
    .toLowerCase()
    .split(/[\s,;]+/)
    .filter(Boolean);
  const understood = words.filter((word) => word in FEEL_WORDS);
  const rules = words.map((word): Rule => FEEL_WORDS[word]?.rule ?? (({ name, group }) => `${name} ${group}`.toLowerCase().includes(word)));
  return { understood, keeps: all(...rules) };
}
