import { beforeAll, describe, expect, it } from 'vitest';
import { expect as valueOf, setLine, type Typeface } from '$core/index';
import { openTypeface } from '$core/shaping';
import { fontBytes, shipped } from '../support/fonts';
import { isWellKerned, kerningTrial, mayBeWellKerned, pairWeights, type KerningTrial } from '../support/kerning-trial';

// The reference is what the fonts' own designers did. No shipped family was used for tuning (see docs/optical-kerning.md).
const trials = new Map<string, KerningTrial>();
beforeAll(async () => {
  const weights = pairWeights();
  for (const { id, class: group, faces } of shipped) {
    if (!mayBeWellKerned(group) || !faces[0]) continue;
    const trial = kerningTrial(valueOf(openTypeface(id, await fontBytes(faces[0].file))), weights);
    if (isWellKerned(trial)) trials.set(id, trial);
  }
}, 300_000);
const all = () => [...trials.values()];
const median = (values: readonly number[]) => {
  const sorted = [...values].sort((a, b) => a - b);
  return ((sorted[Math.floor((sorted.length - 1) / 2)] ?? NaN) + (sorted[Math.ceil((sorted.length - 1) / 2)] ?? NaN)) / 2;
};

describe('optical kerning at its middle, against the designers of fonts it was not tuned on', () => {
  it('is judged by at least 20 well-kerned families', () => expect(trials.size).toBeGreaterThanOrEqual(20));
  it('has a median error of at most 0.72 of no kerning, 0.76 weighted by words', () => {
    expect(median(all().map(({ ratio }) => ratio))).toBeLessThanOrEqual(0.72);
    expect(median(all().map(({ weightedRatio }) => weightedRatio))).toBeLessThanOrEqual(0.76);
  });
  it('helps at least nine families of ten', () => {
    expect(all().filter(({ ratio }) => ratio < 1).length / trials.size).toBeGreaterThanOrEqual(0.9);
  });
  it('follows the designers’ own moves, and moves little that they left alone', () => {
    expect(median(all().map(({ correlation }) => correlation))).toBeGreaterThanOrEqual(0.78);
    expect(median(all().map(({ falseMoves }) => falseMoves))).toBeLessThanOrEqual(0.03);
  });
  it('makes the gaps of every family more even, by two rulers', () => {
    for (const [id, { spread }] of trials) {
      expect(spread.optical, id).toBeLessThan(1);
      expect(spread.blur, id).toBeLessThan(1);
    }
  });
  it('never makes letters touch that did not', () => {
    for (const [id, { madeToTouch }] of trials) expect(madeToTouch, id).toEqual([]);
  });
});

describe('what is not plain upright Latin', () => {
  const open = async (id: string, style = 'normal'): Promise<Typeface> => {
    const face = shipped.find((family) => family.id === id)?.faces.find((each) => each.style === style);
    return valueOf(openTypeface(id, await fontBytes(face?.file ?? '')));
  };
  const kerns = (face: Typeface, text: string, more: object = {}) =>
    setLine(face, text, { axes: {}, kerning: 'optical', trackingPermille: 0, ...more }).letters.map(
      ({ added }) => Math.round((added?.optical ?? 0) * 1000) + 0,
    );

  it('italics are judged along their slant: stems that lean alike count as parallel', async () => {
    const italic = await open('eb-garamond', 'italic');
    expect(kerns(italic, 'HNHH')).toEqual([0, 0, 0, 0]);
    expect(Math.min(...kerns(italic, 'AVA'))).toBeLessThan(-15);
  });
  it('digits are measured against digits', async () => {
    const face = await open('zilla-slab');
    expect(kerns(face, '0880')).toEqual([0, 0, 0, 0]);
    expect(Math.min(...kerns(face, '7474'))).toBeLessThan(0);
  });
  it('accents close no farther than their letters, and stay clear', async () => {
    const face = await open('zilla-slab');
    const [, plain = 0] = kerns(face, 'To');
    const [, accented = 0] = kerns(face, 'Tö');
    expect(plain).toBeLessThan(0);
    expect(accented).toBeGreaterThanOrEqual(plain);
    expect(accented).toBeLessThanOrEqual(0);
  });
  it('letters of two fonts are kerned with each other, each answering for its side', async () => {
    const [slab, deco] = [await open('zilla-slab'), await open('jost')];
    const mixed = kerns(slab, 'AVA', { letterStyle: (index: number) => (index === 1 ? { face: deco, axes: {} } : undefined) });
    expect(Math.min(...mixed)).toBeLessThan(-10);
  });
  it('scripts that join keep their own spacing', async () => {
    expect(kerns(await open('great-vibes'), 'nouveau').every((kern) => Math.abs(kern) < 40)).toBe(true);
  });
  it('goes from nothing over the designers’ way to full evenness', async () => {
    const face = await open('zilla-slab');
    const at = (opticalPercent: number) => kerns(face, 'LAVITA', { opticalPercent });
    expect(at(0)).toEqual([0, 0, 0, 0, 0, 0]);
    // Beyond the middle tight pairs open as well as open ones close.
    expect(Math.max(...at(50))).toBe(0);
    expect(Math.max(...at(100))).toBeGreaterThan(0);
  });
});
