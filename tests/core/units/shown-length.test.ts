import { describe, expect, it } from 'vitest';
import { fromUnit, inUnit, lengthText, parseAmount, SHOWN_UNITS, expect as valueOf, type ShownUnit } from '$core/index';
import fc from '../../support/properties';

const UNITS = Object.keys(SHOWN_UNITS) as readonly ShownUnit[];

describe('shown lengths', () => {
  // @source W3C CSS Values 4, "absolute lengths": 1in = 96px = 25.4mm
  it.each([
    [96, 'in', 1],
    [96, 'mm', 25.4],
    [1, 'px', 1],
    [-48, 'mm', -12.7],
  ] as const)('%s px are %s: %s', (px, unit, length) => expect(inUnit(px, unit)).toBeCloseTo(length, 12));

  it('are read as they are written', () => {
    expect(UNITS.map((unit) => lengthText(24, unit))).toEqual(['24.0 px', '6.35 mm', '0.250 in']);
  });

  it('come back as what was typed, in every unit (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), fc.constantFrom(...UNITS), (px, unit) => {
        expect(fromUnit(inUnit(px, unit), unit)).toBeCloseTo(px, 6);
        const typed = inUnit(px, unit).toFixed(6);
        expect(valueOf(parseAmount(typed, { lengths: true, bare: unit }))).toBeCloseTo(fromUnit(Number(typed), unit), 6);
      }),
    );
  });

  it.each([
    ['10', 'mm', 10 * (96 / 25.4)],
    ['3*8', 'mm', 24 * (96 / 25.4)],
    ['(1 + 2) / 2', 'in', 144],
    // A unit that is named counts, whatever is shown; a number beside it is a factor, or pixels.
    ['12mm', 'in', 12 * (96 / 25.4)],
    ['2 * 1in', 'mm', 192],
    ['1in + 4', 'mm', 100],
    ['-5', 'px', -5],
  ] as const)('%s, typed where %s are shown, is %s px', (typed, bare, px) =>
    expect(valueOf(parseAmount(typed, { lengths: true, bare }))).toBeCloseTo(px, 9),
  );

  it('hold for lengths only', () => expect(valueOf(parseAmount('10', { bare: 'mm' }))).toBe(10));
});
