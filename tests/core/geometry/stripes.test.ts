import { describe, expect, it } from 'vitest';
import { flatten, type Bounds } from '$core/index';
import { stripeCount, stripes } from '../../../src/core/geometry';
import { areaOf } from '../../support/drawn-mark';
import { paths } from '../../support/resolver';

const box: Bounds = { left: -150, top: -80, right: 170, bottom: 120 };
const boxRegion = { path: { verbs: 'MLLLZ', coords: [-150, -80, 170, -80, 170, 120, -150, 120] }, rule: 'nonzero' as const };

describe('stripes', () => {
  it('ink thickness ÷ pitch of any box, whatever their angle', () => {
    for (const angleDeg of [0, 17, 45, 90, 123]) {
      const inked = areaOf([paths.combine('intersect', boxRegion, stripes({ angleDeg, pitch: 5, thickness: 1.5 }, box))]);
      // At the ends of the box up to half of a line more or less is met.
      expect(Math.abs(inked / (320 * 200) - 0.3)).toBeLessThan(0.006);
    }
  });

  it('keep pitch, angle and thickness within 0.5 %', () => {
    const [pitch, thickness, turn] = [7, 2.2, (31 * Math.PI) / 180];
    const lines = flatten(stripes({ angleDeg: 31, pitch, thickness }, box).path);
    const across = lines.map((line) => line.map(({ x, y }) => -x * Math.sin(turn) + y * Math.cos(turn)));
    const middles = across.map((line) => (Math.min(...line) + Math.max(...line)) / 2).sort((a, b) => a - b);
    for (const line of across) expect((Math.max(...line) - Math.min(...line)) / thickness).toBeCloseTo(1, 6);
    for (const [index, middle] of middles.entries())
      if (index > 0) expect((middle - (middles[index - 1] as number)) / pitch).toBeCloseTo(1, 6);
  });

  it('in waves stay within 1 % of the swing of a sine, and go on in one another over different boxes', () => {
    const wave = { angleDeg: 0, pitch: 50, thickness: 2, swing: 6, waveLength: 40 };
    const upper = (over: Bounds) =>
      flatten(stripes(wave, over).path, 0.001)
        .flat()
        .filter(({ x, y }) => Math.abs(y + 1 - 6 * Math.sin((x * Math.PI) / 20)) < 1 && x > -60 && x < 60);
    const found = upper({ left: -60, right: 60, top: -1, bottom: 1 });
    expect(found.length).toBeGreaterThan(50);
    for (const { x, y } of found) expect(Math.abs(y + 1 - 6 * Math.sin((x * Math.PI) / 20))).toBeLessThan(0.06);
    const elsewhere = upper({ left: -51, right: 77, top: -1, bottom: 1 });
    for (const { x, y } of elsewhere) expect(Math.abs(y + 1 - 6 * Math.sin((x * Math.PI) / 20))).toBeLessThan(0.06);
  });

  it('that would be too many are none', () => {
    expect(stripeCount({ angleDeg: 0, pitch: 0.01 }, box)).toBe(20_000);
    expect(stripes({ angleDeg: 0, pitch: 0.01, thickness: 0.005 }, box).path.verbs).toBe('');
  });
});
