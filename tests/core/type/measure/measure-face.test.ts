import { describe, expect, it } from 'vitest';
import { measureFace } from '$core/index';
import { drawnFace } from '../../../support/drawn-face';

// Letters made of bars: stem 90, bar 40, x-height 500, cap height 700; every answer is known.
const letters = {
  H: [
    [50, 0, 140, 700],
    [410, 0, 500, 700],
    [50, 330, 500, 370],
  ],
  I: [[50, 0, 140, 700]],
  l: [[50, 0, 140, 740]],
  i: [[50, 0, 140, 500]],
  x: [[50, 0, 400, 500]],
  n: [
    [50, 0, 140, 500],
    [310, 0, 400, 500],
    [50, 460, 400, 500],
  ],
  r: [[50, 0, 140, 500]],
  h: [
    [50, 0, 140, 740],
    [310, 0, 400, 500],
  ],
  o: [
    [50, 0, 140, 500],
    [310, 0, 400, 500],
    [50, 460, 400, 500],
    [50, 0, 400, 40],
  ],
  O: [
    [50, 0, 140, 700],
    [510, 0, 600, 700],
    [50, 660, 600, 700],
    [50, 0, 600, 40],
  ],
  d: [[50, 0, 140, 740]],
  p: [[50, -200, 140, 500]],
} as const;
const footed = Object.fromEntries(
  Object.entries(letters).map(([letter, bars]) => [
    letter,
    [...bars, ...bars.filter(([l, b, r]) => r - l === 90 && b <= 0).map(([l, b, r]) => [l - 45, b, r + 45, b + 30] as const)],
  ]),
);

describe('measureFace', () => {
  const { measures } = measureFace(drawnFace(letters));

  it('reads heights, stems and thin strokes of drawn bars', () => {
    expect(measures).toMatchObject({
      xHeight: 500,
      capHeight: 700,
      ascender: 740,
      descender: 200,
      stem: 90,
      capitalStem: 90,
      hairline: 40,
    });
    expect(measures.contrast).toBeCloseTo(90 / 40, 3);
    expect(measures.weight).toBeCloseTo(90 / 500, 3);
  });

  it('sees square ends without serifs, upright', () => {
    expect(measures).toMatchObject({ slantDeg: 0, serif: false, serifReach: 0, roundness: 0, capitalsOnly: false });
  });

  it('sees feet beyond the stem as serifs: 45 on both sides of 90 is a reach of 1', () => {
    const { serif, serifReach } = measureFace(drawnFace(footed)).measures;
    expect(serif).toBe(true);
    expect(serifReach).toBeCloseTo(1, 2);
  });

  it.each([-12, -20, 7])('measures a lean of %i° within 0.05°, and the stem square to it within 2 %%', (lean) => {
    const leaning = measureFace(drawnFace(letters, lean)).measures;
    expect(Math.abs(leaning.slantDeg - lean)).toBeLessThan(0.05);
    expect(Math.abs(leaning.stem / (90 * Math.cos((lean * Math.PI) / 180)) - 1)).toBeLessThan(0.02);
  });

  it('says which measures could not be read', () => {
    const { unread, measures: poor } = measureFace(drawnFace({ H: letters.H }));
    expect(unread).toContain('xHeight');
    expect(poor.capHeight).toBe(700);
    expect(Object.values(poor).every((value) => typeof value === 'boolean' || Number.isFinite(value))).toBe(true);
  });
});
