import { describe, expect, it } from 'vitest';
import { createGaps, createLooks, forgetWaiting, lettersOf, retext, waiting, type Lettering } from '$core/index';
import { letteringInput, partOf } from '../../../support/drawn-mark';
import fc from '../../../support/properties';

const lettering = (change: object = {}) => partOf(letteringInput(change)) as Lettering;
const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c', 'é', 'fi', ' '), minLength: 0, maxLength: 24 });

describe('what was done to letters', () => {
  const windrow = lettering({
    text: 'Windrow',
    letters: [
      { at: { index: 3, letter: 'd' }, turnDeg: 10 },
      { at: { every: 'w' }, risePermille: 30 },
    ],
    gaps: [{ index: 5, left: 'o', right: 'w', permille: -40 }],
    cuts: [{ id: 'c', at: { index: 5, letter: 'o' }, form: 'bar' }],
  });

  it('goes along when letters come and go before it', () => {
    const longer = retext(windrow, 'The Windrows');
    expect(longer.letters[0]?.at).toEqual({ index: 7, letter: 'd' });
    expect(longer.gaps[0]?.index).toBe(9);
    expect(longer.cuts[0]?.at).toEqual({ index: 9, letter: 'o' });
    expect(createLooks(longer)(10)?.risePermille).toBe(30);
    expect(createGaps(longer)(9)).toBe(-40);
  });

  it('waits while its letter is gone, says so, and comes back with it', () => {
    const cleared = retext(windrow, '');
    expect([...waiting(cleared)].sort()).toEqual(['d', 'o', 'ow']);
    const back = [...'Windrow'].reduce((part, letter) => retext(part, part.text + letter), cleared);
    expect(waiting(back)).toEqual([]);
    expect(back).toEqual(windrow);
    expect(forgetWaiting(cleared)).toMatchObject({ gaps: [], cuts: [], letters: [{ at: { every: 'w' } }] });
  });

  it('holds 100 hand adjustments on a text that is then shortened', () => {
    const text = 'windrow '.repeat(13);
    const letters = lettersOf(text);
    const gaps = Array.from({ length: 100 }, (_, index) => ({
      index,
      left: letters[index] ?? '',
      right: letters[index + 1] ?? '',
      permille: index - 50,
    }));
    const short = retext(lettering({ text, gaps }), 'windrow');
    expect(waiting(short).length).toBe(94);
    expect(createGaps(short)(5)).toBe(-45);
    expect(retext(short, text).gaps).toEqual(gaps);
  });

  it('never ends up on another letter, whatever is typed (property, 1,000 runs)', () => {
    fc.assert(
      fc.property(word, word, word, fc.nat(30), (before, between, after, at) => {
        const letters = lettersOf(before);
        if (letters.length === 0) return;
        const index = at % letters.length;
        const anchored = lettering({ text: before, letters: [{ at: { index, letter: letters[index] }, turnDeg: 5 }] });
        const changed = retext(retext(anchored, between), after);
        const look = changed.letters[0]?.at;
        const now = lettersOf(after);
        if (look && 'index' in look && createLooks(changed)(look.index)) expect(now[look.index]).toBe(letters[index]);
        expect(changed.letters.length).toBe(1);
      }),
      { numRuns: 1000 },
    );
  });

  it('keeps everything before and after the place where letters are put in or taken out (property)', () => {
    fc.assert(
      fc.property(word, word, word, (start, put, end) => {
        const before = lettersOf(start + end);
        const anchored = lettering({
          text: start + end,
          letters: before.map((letter, index) => ({ at: { index, letter }, sizePercent: 50 + index })),
        });
        // Marks could melt with their neighbors; the letters here do not.
        const after = retext(anchored, start + put + end);
        const sizes = lettersOf(after.text).map((_, index) => createLooks(after)(index)?.sizePercent);
        const first = lettersOf(start).length;
        expect(sizes.slice(0, first)).toEqual(before.slice(0, first).map((_, index) => 50 + index));
        const rest = lettersOf(end).length;
        if (rest > 0) expect(sizes.filter((size) => size !== undefined).length).toBe(before.length);
      }),
      { numRuns: 300 },
    );
  });
});
