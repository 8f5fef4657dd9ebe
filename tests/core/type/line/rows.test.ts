import { describe, expect, it } from 'vitest';
import { evenBreaks, inRows, leadsOn, rowsFor, startingRows } from '$core/index';
import fc from '../../../support/properties';

/** All ways there are, tried one by one: the independent route. */
function ways(words: number, rows: number): readonly (readonly number[])[] {
  if (rows === 1) return [[words]];
  return Array.from({ length: words - rows + 1 }, (_, at) => at + 1).flatMap((first) =>
    ways(words - first, rows - 1).map((rest) => [first, ...rest]),
  );
}

describe('rows of a name', () => {
  it('come out as even as the best of all ways (property, against trying every one)', () => {
    const word = fc.string({ unit: fc.constantFrom('n', 'o', 'w', 'ж'), minLength: 3, maxLength: 11 });
    fc.assert(
      fc.property(fc.array(word, { minLength: 1, maxLength: 9 }), fc.integer({ min: 1, max: 5 }), (words, rows) => {
        const width = (from: number, count: number) => words.slice(from, from + count).join(' ').length;
        const found = evenBreaks(words, rows, width);
        if (words.length < rows) {
          expect(found).toBeUndefined();
          return;
        }
        const widest = (counts: readonly number[]) => {
          let from = 0;
          return Math.max(...counts.map((count) => width((from += count) - count, count)));
        };
        const counts = found?.map(({ count }) => count) ?? [];
        expect(found?.flatMap(({ from, count }) => words.slice(from, from + count))).toEqual(words);
        expect(counts).toHaveLength(rows);
        expect(widest(counts)).toBe(Math.min(...ways(words.length, rows).map(widest)));
      }),
      { numRuns: 300 },
    );
  });

  it.each([
    ['Harrow & Teal Goods', 1],
    ['Gorsebank Rowing Club', 1],
    ['The Little Bindery by the Old Mill', 2],
    ['Маленькая переплётная мастерская у старой мельницы', 3],
    ['Donaudampfschifffahrtsgesellschaft', 1],
    ['', 1],
    ['Set by hand\nin two rows by whoever typed it', 1],
  ])('%j starts in %i', (name, rows) => {
    expect(rowsFor(name)).toBe(rows);
    if (!name.includes('\n')) expect(startingRows(name).split('\n')).toHaveLength(rows);
  });

  // Common practice of setting titles: an article or preposition does not hang at the end of a row.
  it.each([
    ['The Little Bindery by the Old Mill', 'The Little Bindery\nby the Old Mill'],
    ['Маленькая переплётная мастерская у старой мельницы', 'Маленькая переплётная\nмастерская\nу старой мельницы'],
    ['Salt & Rye Harbor Bakery and Tea Room', 'Salt & Rye Harbor\nBakery and Tea Room'],
  ])('of %j end with no word that leads on', (name, rows) => {
    expect(startingRows(name)).toBe(rows);
    for (const row of startingRows(name).split('\n').slice(0, -1)) expect(leadsOn(row.split(' ').at(-1) ?? '')).toBe(false);
  });

  it('are measured in whatever unit is at hand, and left alone where there are fewer words', () => {
    expect(inRows('iii WWW iii', 2, (text) => text.replace(/i/g, '').length)).toBe('iii\nWWW iii');
    expect(inRows('One', 3)).toBe('One');
  });
});
