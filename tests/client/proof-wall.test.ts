import { describe, expect, it } from 'vitest';
import { contrastRatio, dressingsOf, STARTING_PALETTE, swatchesOf, type MarkChecks, type Palette } from '$core/index';
import { wallOf, wordsOn } from '../../src/lib/proof/wall';

const wide: Palette = { ...STARTING_PALETTE, more: [{ key: 's-kelp0001', name: 'Kelp', hex: '#335544' }] };
const tiles = wallOf(wide).flatMap(({ tiles: each }) => each);
const checks = (safePx: number, more: Partial<MarkChecks> = {}): MarkChecks => ({
  ...{ checks: [], safePx, isRound: false, sizes: [], grounds: [], makings: [{ making: 'print', smallestMm: 20 }] },
  ...more,
});
const tile = (id: string) => tiles.find((each) => each.id === id);

describe('the proof wall', () => {
  it('has every tile once, each in a colorway that the palette has', () => {
    expect(new Set(tiles.map(({ id }) => id)).size).toBe(tiles.length);
    const has = new Set(dressingsOf(wide));
    expect(tiles.filter(({ dressing }) => !has.has(dressing))).toEqual([]);
  });

  it('shows sizes from 16 to 512, both kinds of profile, every swatch as a ground, photos, print, and all three kinds of eyes', () => {
    expect(tiles.flatMap(({ longerPx }) => longerPx ?? [])).toEqual([16, 32, 64, 128, 256, 512]);
    for (const { key } of swatchesOf(wide)) expect(tile(`full-on-${key}`), key).toBeDefined();
    for (const id of [
      'round',
      'rounded',
      'tab',
      'photo-haze',
      'one-color',
      'black',
      'white',
      'gain',
      'gray',
      'far',
      'protan',
      'deutan',
      'tritan',
      'text',
    ])
      expect(tile(id), id).toBeDefined();
  });

  it('says that a mark is too small in a tab for what it holds, and in a profile not', () => {
    expect(tile('tab')?.finding(checks(16))?.finding.verdict).toBe('passes');
    expect(tile('tab')?.finding(checks(60))?.finding.verdict).toBe('fails');
    expect(tile('rounded')?.finding(checks(60))?.finding.verdict).toBe('passes');
    // A round mark fills a round place to its edge, another one lies inside of it.
    expect(tile('round')?.finding(checks(90))?.finding.verdict).toBe('look');
    expect(tile('round')?.finding(checks(90, { isRound: true }))?.finding.verdict).toBe('passes');
  });

  it('leads to the part that fails on a ground, and to the one that is lost in one color', () => {
    const faint = { verdict: 'fails', figure: '1.1 : 1', says: 'faint' } as const;
    expect(tile('full-on-lead')?.finding(checks(12, { grounds: [{ key: 'lead', part: 'pale', full: faint }] }))).toEqual({
      finding: faint,
      part: 'pale',
    });
    const lost = { id: 'one-color-vanishes', label: 'one color', finding: faint, part: 'gone' };
    expect(tile('one-color')?.finding(checks(12, { checks: [lost] }))).toEqual({ finding: faint, part: 'gone' });
  });

  it('judges dot gain by the smallest printed size', () => {
    const verdict = (smallestMm: number) =>
      tile('gain')?.finding(checks(12, { makings: [{ making: 'print', smallestMm }] }))?.finding.verdict;
    expect([verdict(8), verdict(20), verdict(60)]).toEqual(['passes', 'look', 'fails']);
  });

  it('writes beside a mark in what can be read on its ground', () => {
    for (const { ground } of tiles)
      if (typeof ground === 'string') expect(contrastRatio(wordsOn(wide, ground), ground)).toBeGreaterThan(2.5);
  });
});
