import { describe, expect, it, vi } from 'vitest';
import { readHyphenRules } from '$core/index';
import { drawnOn, fillsOf, letteringInput, partNamed } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';

const draw = drawnOn(await shelfOf('jost'));
const divided = (more: object = {}) =>
  letteringInput({
    text: 'Werkstatt',
    sizePx: 40,
    kerning: 'none',
    wrap: { widthPx: 120, heightPx: null, leastPercent: 100, stands: 'top', even: false, hyphens: 'german' },
    ...more,
  });
const column = (more: object = {}) => draw(divided(more));
await readHyphenRules(['german']);

it('until the rules of its language are read, nothing is divided, which is said; then it is', async () => {
  // Rules that were read stay read: this is asked of a core that nobody has used yet.
  vi.resetModules();
  const [unused, hand, shelves] = await Promise.all([
    import('$core/index'),
    import('../../../support/drawn-mark'),
    import('../../../support/fonts'),
  ]);
  const drawn = hand.drawnOn(await shelves.shelfOf('jost'));
  const codes = () => hand.partNamed(drawn(divided()), 'name').notices.map(({ code }) => code);
  expect([hand.fillsOf(drawn(divided()), 'name').length, codes()]).toEqual([9, ['not-divided', 'word-broken']]);
  await unused.readHyphenRules(['german']);
  expect([hand.fillsOf(drawn(divided()), 'name').length, codes()]).toEqual([10, []]);
});

describe('a word that is divided by a hyphen of ours', () => {
  it('has the letters that were typed, each once; the hyphen is drawn and is none of them', () => {
    const mark = column();
    expect(fillsOf(mark, 'name').length).toBe(10);
    expect(partNamed(mark, 'name').lettering?.letters.map(({ index, text }) => [index, text])).toEqual(
      [...'Werkstatt'].map((letter, index) => [index, letter]),
    );
  });
  it('stays as it is while the first letter of the next line, which stands at its place in the text, is raised, turned and painted', () => {
    const before = fillsOf(column(), 'name');
    const looks = [{ at: { index: 4, letter: 's' }, risePermille: 300, turnDeg: 20, paint: { role: 'accent' } }];
    const after = fillsOf(column({ letters: looks }), 'name');
    expect(after.length).toBe(10);
    expect([after[4]?.path, after[4]?.color]).toEqual([before[4]?.path, before[4]?.color]);
    expect([after[5]?.path, after[5]?.color]).not.toEqual([before[5]?.path, before[5]?.color]);
  });
  it('keeps its distance when the gap that it divides was set by hand', () => {
    const [before, after] = [column(), column({ gaps: [{ index: 3, left: 'k', right: 's', permille: 400 }] })].map((mark) =>
      fillsOf(mark, 'name'),
    );
    expect(after?.[4]?.path).toEqual(before?.[4]?.path);
    // Wide enough not to be divided, the same gap is as wide as it was set.
    const wide = { wrap: { widthPx: 900, heightPx: null, leastPercent: 100, stands: 'top', even: false, hyphens: 'german' } };
    expect(fillsOf(column({ ...wide, gaps: [{ index: 3, left: 'k', right: 's', permille: 400 }] }), 'name')[4]?.path).not.toEqual(
      fillsOf(column(wide), 'name')[4]?.path,
    );
  });
});
