import Color from 'colorjs.io';
import { describe, expect, it } from 'vitest';
import { hexOfHsl, hslOf, mostChroma, oklchOf, seenWith, shownColor, VISION_MATRIX, VISION_NAMES, type Hex } from '$core/index';
import fc from '../../support/properties';

const hexes = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);
const turn = (one: number, other: number): number => Math.abs(((one - other + 540) % 360) - 180);

describe('numbers of a color', () => {
  it('OKLCH and HSL agree with a second library (colorjs.io) on any color, and lead back to it', () => {
    fc.assert(
      fc.property(hexes, (hex) => {
        const [l, c, h] = new Color(hex).to('oklch').coords.map((value) => value ?? 0) as [number, number, number];
        const own = oklchOf(hex);
        expect(own.l).toBeCloseTo(l, 4);
        expect(own.c).toBeCloseTo(c, 4);
        // Hues of near grays are noise in both.
        if (c > 0.005) expect(turn(own.h, h)).toBeLessThan(0.1);
        const [hue, saturation, lightness] = new Color(hex).to('hsl').coords.map((value) => value ?? 0) as [number, number, number];
        const hsl = hslOf(hex);
        if (saturation > 1) expect(turn(hsl.h, hue)).toBeLessThan(0.01);
        expect(hsl.s).toBeCloseTo(saturation, 4);
        expect(hsl.l).toBeCloseTo(lightness, 4);
        expect(shownColor(own).hex).toBe(hex);
        expect(hexOfHsl(hsl)).toBe(hex);
      }),
      { numRuns: 1000 },
    );
  });

  it('the edge of sRGB is where a second library (colorjs.io) sees it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 0.97, noNaN: true }), fc.double({ min: 0, max: 359, noNaN: true }), (l, h) => {
        const edge = mostChroma(l, h);
        const inside = (c: number) => new Color('oklch', [l, c, h]).inGamut('srgb', { epsilon: 0.001 });
        expect(inside(edge * 0.99)).toBe(true);
        expect(inside(edge + 0.004)).toBe(false);
      }),
      { numRuns: 200 },
    );
  });

  it('a color beyond sRGB keeps its lightness and hue, and is said not to be as asked', () => {
    const shown = shownColor({ space: 'oklch', l: 0.7, c: 0.39, h: 150 });
    expect(shown.asAsked).toBe(false);
    const { l, h } = oklchOf(shown.hex);
    expect(l).toBeCloseTo(0.7, 2);
    expect(turn(h, 150)).toBeLessThan(1);
  });
});

describe('color vision', () => {
  it('is the published matrix on linear light, by a second library’s conversions (colorjs.io)', () => {
    fc.assert(
      fc.property(hexes, fc.constantFrom(...VISION_NAMES), (hex, vision) => {
        const linear = new Color(hex).to('srgb-linear').coords as [number, number, number];
        const m = VISION_MATRIX[vision];
        const seen = [0, 3, 6].map((row) =>
          Math.min(
            1,
            Math.max(
              0,
              [0, 1, 2].reduce((sum, k) => sum + (m[row + k] as number) * linear[k as 0 | 1 | 2], 0),
            ),
          ),
        ) as [number, number, number];
        const expected = new Color('srgb-linear', seen).to('srgb').toString({ format: 'hex', collapse: false });
        expect(seenWith(hex, vision)).toBe(expected);
      }),
    );
  });

  it('leaves grays gray, and its matrices keep white (rows sum to 1)', () => {
    for (const vision of VISION_NAMES) {
      expect(seenWith('#808080', vision)).toBe('#808080');
      const m = VISION_MATRIX[vision];
      for (const row of [0, 3, 6]) expect((m[row] as number) + (m[row + 1] as number) + (m[row + 2] as number)).toBeCloseTo(1, 5);
    }
  });

  // Common knowledge of color vision: red and green of one lightness are confused without red or green cones, blue and yellow never are.
  it('brings a red and a green together that are far apart to others', () => {
    const [red, green] = ['#b5533c', '#6f7a2c'] as const;
    const apart = (one: Hex, other: Hex) => turn(oklchOf(one).h, oklchOf(other).h);
    expect(apart(red, green)).toBeGreaterThan(60);
    expect(apart(seenWith(red, 'deutan'), seenWith(green, 'deutan'))).toBeLessThan(25);
  });
});
