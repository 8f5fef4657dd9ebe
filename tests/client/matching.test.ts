import { describe, expect, it } from 'vitest';
import { matching } from '$lib/marks/table/matching';

const ALL = [
  { label: 'Spindle', words: ['line', 'divider'] },
  { label: 'Scroll', words: ['banner', 'ribbon'] },
  { label: 'Folded ribbon', words: ['banner', 'shape', 'scroll'] },
  { label: 'Ring', words: ['circle', 'shape'] },
  { label: 'Ring text', words: ['circle', 'badge'] },
  { label: 'Equal gaps across', words: [] },
];
const found = (typed: string) => matching(ALL, typed).map(({ label }) => label);

describe('what is found by typed words', () => {
  it.each([
    ['ring', ['Ring', 'Ring text']],
    ['text ring', ['Ring text']],
    ['scroll banner', ['Scroll', 'Folded ribbon']],
    ['BANNER', ['Scroll', 'Folded ribbon']],
    ['pin', []],
    ['banner scroll', ['Scroll', 'Folded ribbon']],
    ['gap eq', ['Equal gaps across']],
    ['circle', ['Ring', 'Ring text']],
    ['nonsense', []],
    ['ring nonsense', []],
    ['  ', ALL.map(({ label }) => label)],
    ['"ring".', ['Ring', 'Ring text']],
  ])('“%s”: every word begins one of its words, the nearest first', (typed, labels) => {
    expect(found(typed)).toEqual(labels);
  });
});
