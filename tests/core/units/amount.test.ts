import { describe, expect, it } from 'vitest';
import { parseAmount } from '$core/index';

const valueOf = (typed: string, lengths = false) => {
  const amount = parseAmount(typed, { lengths });
  return amount.ok ? amount.value : amount.problems[0]?.message;
};

describe('parseAmount', () => {
  it.each([
    ['12', 12],
    [' 3*8 ', 24],
    ['2+3*4', 14],
    ['(2+3)*4', 20],
    ['-7.5', -7.5],
    ['1,5', 1.5],
    ['.5 - -1', 1.5],
    ['90°', 90],
    ['20 ‰', 20],
    ['10 ÷ 4', 2.5],
  ])('reads %j as %d', (typed, value) => expect(valueOf(typed)).toBe(value));

  // One inch is 25.4 mm exactly (ISO 80000-3) and 96 CSS pixels (W3C CSS Values 4, "absolute lengths").
  it.each([
    ['25.4mm', 96],
    ['1in', 96],
    ['72pt', 96],
    ['2.54 cm + 4px', 100],
  ])('reads the length %j as %d px', (typed, value) => expect(valueOf(typed, true)).toBeCloseTo(value, 9));

  it.each(['', 'NaN', 'Infinity', '1e9', '3*', '(2', '2)', '5 5', '12mm', '1/0', 'alert(1)'])('refuses %j with a sentence', (typed) => {
    expect(valueOf(typed)).toMatch(/is not a number:/);
  });
});
