import { IDEA_WORDS, IDEAS } from './ideas';
import { MEANT } from './meant';
import { SYNONYMS } from './synonyms';

/** How a piece of art is drawn. */
export const ART_STYLES = ['filled', 'line', 'colored'] as const;
export type ArtStyle = (typeof ART_STYLES)[number];

/** One piece as the library lists it. */
export interface ArtEntry {
  /** The collection, then its name there. */
  readonly id: string;
  readonly words: readonly string[];
  readonly style: ArtStyle;
  /** How many colors it has. */
  readonly colors: number;
  /** Its typical stroke, in thousandths of its longer side, measured. */
  readonly weight: number;
}

export interface ArtQuery {
  readonly text: string;
  readonly style?: ArtStyle | undefined;
  readonly set?: string | undefined;
  /** How many colors at most. */
  readonly colorsTo?: number | undefined;
  /** Typical stroke at least and at most, in thousandths of the longer side. */
  readonly weightFrom?: number | undefined;
  readonly weightTo?: number | undefined;
  readonly limit: number;
}

export interface ArtFound {
  readonly entries: readonly ArtEntry[];
  /** How many there are in all. */
  readonly total: number;
  /** Things looked for because of an idea or of words alike. */
  readonly also: readonly string[];
}

/** How near a word of a piece is to what was asked: its very name, a word said of it, how a word begins, a word alike, a thing that stands for the idea. */
const NEAR = { name: 10, word: 7, begins: 4, alike: 3, idea: 2.5 } as const;

const wordsIn = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .split(/[^a-z0-9]+/)
    .filter((word) => word.length > 1);

/** The same word without the ending of a plural. */
const stem = (word: string): string => (word.length > 3 ? word.replace(/(?<=[^s])s$/, '') : word);

/** Searches a library by words, words alike, and ideas. */
export interface ArtIndex {
  readonly find: (query: ArtQuery) => ArtFound;
  readonly entries: readonly ArtEntry[];
}

/** Files a library once, so that every key typed is answered at once. */
export function createArtIndex(entries: readonly ArtEntry[]): ArtIndex {
  const byWord = new Map<string, number[]>();
  entries.forEach(({ words }, index) => {
    for (const word of new Set(words.map(stem))) {
      const list = byWord.get(word);
      if (list) list.push(index);
      else byWord.set(word, [index]);
    }
  });
  /** The words of a piece's own name. */
  const nameWords = entries.map(({ id }) =>
    wordsIn(id.slice(id.indexOf('/') + 1))
      .filter((word) => word !== 'fill')
      .map(stem),
  );
  const vocabulary = [...byWord.keys()].sort();
  /** The words that begin with what was typed. */
  const beginning = (start: string): readonly string[] => {
    let [low, high] = [0, vocabulary.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((vocabulary[middle] as string) < start) low = middle + 1;
      else high = middle;
    }
    const found: string[] = [];
    for (let at = low; at < vocabulary.length && (vocabulary[at] as string).startsWith(start); at++) found.push(vocabulary[at] as string);
    return found;
  };
  const alike = new Map<string, Set<string>>();
  for (const group of SYNONYMS)
    for (const word of group) {
      const others = alike.get(stem(word)) ?? new Set<string>();
      for (const other of group) if (other !== word) others.add(stem(other));
      alike.set(stem(word), others);
    }
  const meant = new Map(
    Object.entries(MEANT).map(
      ([phrase, things]) => [wordsIn(phrase).map(stem).join(' '), things.map((thing) => wordsIn(thing).map(stem))] as const,
    ),
  );
  const ideas = new Map(
    Object.entries(IDEAS).flatMap(([idea, things]) =>
      [idea, ...(IDEA_WORDS[idea] ?? [])].map((word) => [stem(word), things.map(stem)] as const),
    ),
  );

  /** Most pieces of one thing before the next thing has its turn. */
  const OF_ONE_THING = 3;
  /** The pieces that are meant by what was asked, whatever they are called: named just so before named among other words. */
  const meantBy = (asked: readonly string[], passes: (entry: ArtEntry) => boolean, also: Set<string>): readonly number[] => {
    const things = meant.get(asked.join(' '));
    if (!things) return [];
    const turns: { readonly index: number; readonly at: number }[] = [];
    const seen = new Set<number>();
    things.forEach((thing, rank) => {
      const holding = (byWord.get(thing[0] ?? '') ?? []).filter((index) => {
        const name = nameWords[index] as readonly string[];
        return thing.every((word) => name.includes(word)) && name.length <= thing.length + 1 && passes(entries[index] as ArtEntry);
      });
      holding
        .sort((one, other) => (nameWords[one] as readonly string[]).length - (nameWords[other] as readonly string[]).length || one - other)
        .forEach((index, place) => {
          if (seen.has(index)) return;
          seen.add(index);
          turns.push({ index, at: Math.floor(place / OF_ONE_THING) * 100 + rank });
        });
      also.add(thing.join(' '));
    });
    return turns.sort((one, other) => one.at - other.at).map(({ index }) => index);
  };

  const find = ({ text, style, set, colorsTo = Infinity, weightFrom = 0, weightTo = Infinity, limit }: ArtQuery): ArtFound => {
    const asked = wordsIn(text).map(stem);
    const also = new Set<string>();
    const passes = (entry: ArtEntry) =>
      (style === undefined || entry.style === style) &&
      (set === undefined || entry.id.startsWith(`${set}/`)) &&
      entry.colors <= colorsTo &&
      entry.weight >= weightFrom &&
      entry.weight <= weightTo;
    if (asked.length === 0) {
      const all = entries.filter(passes);
      return { entries: all.slice(0, limit), total: all.length, also: [] };
    }
    const total = new Float64Array(entries.length);
    const met = new Uint8Array(entries.length);
    /** Which thing an idea led to, so that its things take turns in the list. */
    const thingOf = new Int16Array(entries.length).fill(-1);
    const longest = wordsIn(text).at(-1);
    asked.forEach((word, place) => {
      const own = new Map<number, number>();
      const credit = (found: string, worth: number) => {
        for (const index of byWord.get(found) ?? []) own.set(index, Math.max(own.get(index) ?? 0, worth));
      };
      credit(word, NEAR.word);
      for (const index of byWord.get(word) ?? []) if ((nameWords[index] as readonly string[]).includes(word)) own.set(index, NEAR.name);
      // The word under the caret may not be whole yet.
      if (place === asked.length - 1 && longest)
        for (const found of beginning(longest)) credit(found, found === word ? NEAR.word : NEAR.begins);
      for (const other of alike.get(word) ?? []) {
        also.add(other);
        credit(other, NEAR.alike);
      }
      (ideas.get(word) ?? []).forEach((thing, rank) => {
        also.add(thing);
        for (const index of byWord.get(thing) ?? []) if (!own.has(index)) thingOf[index] = rank;
        credit(thing, NEAR.idea);
      });
      for (const [index, worth] of own) {
        total[index] = (total[index] as number) + worth;
        met[index] = (met[index] as number) + 1;
      }
    });
    const found: number[] = [];
    for (let index = 0; index < entries.length; index++)
      if (met[index] === asked.length && passes(entries[index] as ArtEntry)) found.push(index);
    // Pieces whose names say little else come first; of equals, the order of the library.
    const score = (index: number) => (total[index] as number) - 0.4 * (nameWords[index] as readonly string[]).length;
    found.sort((one, other) => score(other) - score(one) || one - other);
    const turns = new Map<number, number>();
    const turn = found.map((index) => {
      const thing = thingOf[index] as number;
      const before = turns.get(thing) ?? 0;
      turns.set(thing, before + 1);
      // What was named itself stands before what only stands for it.
      return { index, at: thing < 0 ? -1 : before * 100 + thing };
    });
    const listed = turn.sort((one, other) => one.at - other.at).map(({ index }) => index);
    const first = meantBy(asked, passes, also);
    const named = new Set(first);
    const all = first.length === 0 ? listed : [...first, ...listed.filter((index) => !named.has(index))];
    return {
      entries: all.slice(0, limit).map((index) => entries[index] as ArtEntry),
      total: all.length,
      also: [...also].filter((thing) => thing.split(' ').every((word) => byWord.has(word))),
    };
  };
  return { find, entries };
}
