import { wcagContrast } from 'culori';
import { describe, expect, it } from 'vitest';
import { contrastRatio, parseHex, type Hex } from '$core/index';
import fc from '../../support/properties';

const hexes = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);

describe('contrastRatio', () => {
  // W3C WCAG 2.2: black on white is 21:1; #767676 on white is the well-known lightest gray that passes 4.5:1 (W3C technique G18).
  it('gives the published extremes', () => {
    expect(contrastRatio('#000000', '#ffffff')).toBeCloseTo(21, 10);
    expect(contrastRatio('#767676', '#ffffff')).toBeGreaterThan(4.5);
    expect(contrastRatio('#777777', '#ffffff')).toBeLessThan(4.5);
  });

  it('agrees with a second library (culori) on any two colors', () => {
    // culori keeps the older threshold 0.03928 of WCAG 2.0; no 8-bit channel lies between the two.
    fc.assert(fc.property(hexes, hexes, (one, other) => Math.abs(contrastRatio(one, other) - wcagContrast(one, other)) < 1e-6));
  });

  it('does not mind the order', () => {
    fc.assert(fc.property(hexes, hexes, (one, other) => contrastRatio(one, other) === contrastRatio(other, one)));
  });
});

describe('parseHex', () => {
  it.each([
    ['#22302A', '#22302a'],
    [' 22302a ', '#22302a'],
    ['#abc', '#aabbcc'],
  ])('reads %j as %s', (typed, hex) => expect(parseHex(typed)).toEqual({ ok: true, value: hex }));

  it.each(['', '#12', 'red', '#12345g', '#11223344', 'rgb(0,0,0)'])('refuses %j', (typed) => expect(parseHex(typed).ok).toBe(false));
});
