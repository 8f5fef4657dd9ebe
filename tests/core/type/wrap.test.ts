import { describe, expect, it } from 'vitest';
import { graphemesOf, HYPHEN_LANGUAGES, readHyphenRules, syllablesIn, wrapText } from '$core/index';
import { random } from '../../support/random';

/** Every letter one wide. */
const letters = (piece: string): number => graphemesOf(piece).length;
const lines = (text: string, width: number) => wrapText(text, letters, width).lines.map((line) => line.text);

await readHyphenRules(HYPHEN_LANGUAGES);

describe('a text in a column', () => {
  it('is filled line by line, without the spaces at their ends', () => {
    expect(lines('made by hand, flown for years', 12)).toEqual(['made by', 'hand, flown', 'for years']);
    expect(lines('made by hand', 100)).toEqual(['made by hand']);
    expect(lines('a  b', 1)).toEqual(['a', 'b']);
  });

  // Rules of UAX 14 by their names, examples made here; its own test file is gone through in tests/reference/line-breaks.test.ts.
  it.each([
    ['LB4: after a hard break', 'one\ntwo', 9, ['one', 'two']],
    ['LB5: CR LF is one break', 'one\r\ntwo', 9, ['one', 'two']],
    ['LB6: an empty line stays', 'one\n\ntwo', 9, ['one', '', 'two']],
    ['LB11: a word joiner holds together', 'ab\u2060cd ef', 4, ['ab\u2060c', 'd ef']],
    ['LB12: a hard space holds together', '12\u00a0mm of it', 5, ['12\u00a0mm', 'of it']],
    ['LB13: no break before a comma', 'hand , ok', 6, ['hand ,', 'ok']],
    ['LB14: none after an opening parenthesis', 'see (this)', 6, ['see', '(this)']],
    ['LB21: after a hyphen', 'hand-made kites', 6, ['hand-', 'made', 'kites']],
    ['LB25: numbers stay whole', 'costs 1,234.50 now', 9, ['costs', '1,234.50', 'now']],
    ['LB30b: between ideographs', '東京堂印刷', 2, ['東京', '堂印', '刷']],
    ['LB13: ideographic full stop', '東京。堂', 3, ['東京。', '堂']],
  ])('%s', (_rule, text, width, wanted) => {
    expect(lines(text, width)).toEqual(wanted);
  });

  it('a word that is wider than the column is broken between letters, and told; marks stay with their letters', () => {
    const { lines: found, broken } = wrapText('Donaudampf fahrt', letters, 4);
    expect(found.map(({ text }) => text)).toEqual(['Dona', 'udam', 'pf', 'fahr', 't']);
    expect(broken).toEqual(['Donaudampf', 'fahrt']);
    expect(lines('e\u0301e\u0301e\u0301', 2)).toEqual(['e\u0301e\u0301', 'e\u0301']);
  });

  it('loses no letter and counts every one, whatever is typed and however narrow the column is', () => {
    const pieces = ['kite', 'a', ' ', '  ', '\n', '-', 'Ä', 'é', '東', 'ل', '👩‍👩‍👧', ',', '(', ')', '12.5', '\u00a0'];
    for (let seed = 1; seed <= 300; seed++) {
      const next = random(seed);
      const text = Array.from({ length: Math.floor(next() * 30) }, () => pieces[Math.floor(next() * pieces.length)]).join('');
      const width = 1 + Math.floor(next() * 12);
      const all = graphemesOf(text).map((grapheme) => grapheme.text);
      const wrapped = wrapText(text, letters, width);
      for (const line of wrapped.lines) {
        const own = graphemesOf(line.text).map((grapheme) => grapheme.text);
        expect(all.slice(line.first, line.first + own.length), `${seed} ${JSON.stringify(text)}`).toEqual(own);
        expect(letters(line.text)).toBeLessThanOrEqual(width);
      }
      expect(wrapped.lines.map((line) => line.text.replace(/\s/g, '')).join('')).toBe(text.replace(/\s/g, ''));
    }
  });

  // Divisions as dictionaries print them: Duden for German, Oxford for English (from memory).
  it.each([
    ['german', 'Donaudampfschifffahrt', 'Do|nau|dampf|schiff|fahrt'],
    ['german', 'Werkstatt', 'Werk|statt'],
    ['english', 'workshop', 'work|shop'],
    ['english', 'kites', 'kites'],
    ['french', 'restaurant', 'res|tau|rant'],
    ['spanish', 'panadería', 'pa|na|de|ría'],
    ['italian', 'ceramiche', 'ce|ra|mi|che'],
  ] as const)('words are divided where the language allows: %s, %s', (language, word, wanted) => {
    expect(syllablesIn(language)?.(word).join('|')).toBe(wanted);
  });

  it('a word is divided with a hyphen where that fills the line, no more than two lines on end, and only where its language allows', () => {
    const divided = (text: string, width: number) => wrapText(text, letters, width, syllablesIn('german')).lines.map((line) => line.text);
    expect(divided('Eine Werkstatt', 10)).toEqual(['Eine Werk-', 'statt']);
    expect(divided('Eine Werkstatt', 9)).toEqual(['Eine', 'Werkstatt']);
    expect(divided('Donaudampfschifffahrt', 12)).toEqual(['Donaudampf-', 'schifffahrt']);
    const ladder = divided('Donaudampfschifffahrtsgesellschaftskapitän', 7);
    expect(ladder.slice(0, 3).map((line) => line.endsWith('-'))).toEqual([true, true, false]);
  });

  it('divided, no letter is lost or counted twice, whatever is typed', () => {
    const words = ['Donaudampfschifffahrt', 'Werkstatt', 'an', 'der', 'Küste', 'hand-gemacht', '\n', '12.5', '(Segeltuch)', 'Øre', 'أليف'];
    for (let seed = 1; seed <= 200; seed++) {
      const next = random(seed);
      const text = Array.from({ length: 1 + Math.floor(next() * 9) }, () => words[Math.floor(next() * words.length)]).join(' ');
      const width = 2 + Math.floor(next() * 20);
      const all = graphemesOf(text).map((grapheme) => grapheme.text);
      const { lines: found } = wrapText(text, letters, width, syllablesIn('german'));
      let count = 0;
      for (const [at, line] of found.entries()) {
        expect(letters(line.text), `${seed} ${line.text}`).toBeLessThanOrEqual(width);
        const own = graphemesOf(line.text).map((grapheme) => grapheme.text);
        // A hyphen of ours is no letter of the text.
        const typed = own.every((letter, index) => all[line.first + index] === letter) ? own : own.slice(0, -1);
        expect(all.slice(line.first, line.first + typed.length), `${seed} ${JSON.stringify(text)}`).toEqual(typed);
        count += typed.filter((letter) => letter.trim() !== '').length;
        expect(found[at + 1]?.first ?? Infinity).toBeGreaterThanOrEqual(line.first + typed.length);
      }
      expect(count).toBe(all.filter((letter) => letter.trim() !== '').length);
    }
  });
});
