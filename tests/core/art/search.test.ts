import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { createArtIndex, IDEA_WORDS, IDEAS, MEANT, SYNONYMS, type ArtEntry } from '$core/index';

const entries = JSON.parse(readFileSync('art/catalogue.json', 'utf8')) as readonly ArtEntry[];
const library = createArtIndex(entries);
const find = (text: string, more: object = {}) => library.find({ text, limit: 60, ...more });
const names = (text: string, more: object = {}) => find(text, more).entries.map(({ id }) => id.split('/')[1] ?? '');

describe('the art library', () => {
  it('holds thousands of pieces, each measured, each under some words, none twice', () => {
    expect(entries.length).toBeGreaterThan(9000);
    expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length);
    expect(entries.every(({ weight, words, colors }) => weight > 0 && weight < 1000 && words.length > 0 && colors > 0)).toBe(true);
    expect(entries.some(({ words }) => words.some((word) => /^(brand|logo)s?$/.test(word)))).toBe(false);
  });

  it('finds things by their name first, whole words before beginnings', () => {
    expect(names('lion')[0]).toBe('lion');
    expect(names('anch').some((name) => name.includes('anchor'))).toBe(true);
    expect(names('anchors')[0]).toContain('anchor');
    expect(names('oak leaf')[0]).toContain('oak');
  });

  it('finds words alike', () => {
    const boats = find('vessel');
    expect(boats.also).toContain('ship');
    expect(boats.entries.some(({ words }) => words.includes('ship') || words.includes('boat'))).toBe(true);
  });

  it('finds things for ideas and moods, its things in turns', () => {
    const brave = find('courage');
    const things = IDEAS['courage'] ?? [];
    expect(brave.total).toBeGreaterThan(30);
    const met = things.filter((thing) => brave.entries.slice(0, 12).some(({ words }) => words.includes(thing)));
    expect(met.length).toBeGreaterThanOrEqual(4);
  });

  it('finds the same for the words a brief says instead of the idea’s name', () => {
    const of = Object.keys(IDEA_WORDS);
    expect(of.filter((idea) => !(idea in IDEAS))).toEqual([]);
    // Each word belongs to one idea, and is none itself.
    const words = Object.values(IDEA_WORDS).flat();
    expect(words.filter((word, at) => words.indexOf(word) !== at || word in IDEAS)).toEqual([]);
    for (const word of words) expect(find(word).total, word).toBeGreaterThan(5);
    for (const [word, piece] of [
      ['voyage', 'ship'],
      ['welcome', 'door'],
      ['honest', 'mirror'],
      ['handmade', 'needle'],
    ] as const)
      expect(
        find(word)
          .entries.slice(0, 12)
          .some(({ words: said }) => said.includes(piece)),
        word,
      ).toBe(true);
  });

  it('every idea leads somewhere, and words alike are words', () => {
    for (const idea of Object.keys(IDEAS)) expect(find(idea).total, idea).toBeGreaterThan(5);
    for (const group of SYNONYMS) expect(group.every((word) => /^[a-z-]+$/.test(word))).toBe(true);
  });

  it('keeps to style, collection and stroke, so that a mark stays in one hand', () => {
    for (const style of ['filled', 'line', 'colored'] as const)
      expect(find('star', { style }).entries.every((entry) => entry.style === style)).toBe(true);
    expect(find('star', { set: 'tabler' }).entries.every(({ id }) => id.startsWith('tabler/'))).toBe(true);
    const few = find('', { style: 'colored', colorsTo: 3 });
    expect(few.total).toBeGreaterThan(20);
    expect(few.total).toBeLessThan(find('', { style: 'colored' }).total);
    expect(few.entries.every(({ colors }) => colors >= 2 && colors <= 3)).toBe(true);
    expect(find('', { weightFrom: 110 }).entries.every(({ weight }) => weight >= 110)).toBe(true);
    expect(find('zzzqqq')).toMatchObject({ entries: [], total: 0 });
    expect(find('lion zzzqqq').total).toBe(0);
    expect(find('  ').total).toBe(entries.length);
  });
});

describe('what is meant', () => {
  it('by a trade, a place, a way to get in touch or a mood stands first, by the names of the pieces, and is more than one piece', () => {
    const off = Object.entries(MEANT).flatMap(([phrase, things]) => {
      const { entries } = library.find({ text: phrase, limit: 6 });
      const [first] = entries;
      const fits = things.some((thing) => thing.split(' ').every((word) => first?.id.includes(word.replace(/s$/, ''))));
      return entries.length >= 3 && fits ? [] : [`${phrase}: ${entries.map(({ id }) => id).join(' ')}`];
    });
    expect(off).toEqual([]);
    expect(Object.keys(MEANT).length).toBeGreaterThan(120);
  });
  it('never hides a piece that is named so', () => {
    expect(library.find({ text: 'web', limit: 200 }).entries.some(({ id }) => id.endsWith('/spider-web'))).toBe(true);
  });
});
