import Color from 'colorjs.io';
import { describe, expect, it } from 'vitest';
import { contrastRatio, legibility, legibleNear, oklchOf, type Hex } from '$core/index';
import fc from '../../support/properties';

const hexes = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);
const turn = (one: number, other: number): number => Math.abs(((one - other + 540) % 360) - 180);

describe('a color that stands out enough', () => {
  it('passes by the published formula (a second library’s: colorjs.io), and keeps its hue within 1°', () => {
    let moved = 0;
    fc.assert(
      fc.property(hexes, hexes, fc.constantFrom(3, 4.5, 7), (color, ground, least) => {
        const found = legibleNear(color, ground, least);
        if (!found) {
          // Neither black nor white would do on such a ground.
          expect(Math.max(contrastRatio('#000000', ground), contrastRatio('#ffffff', ground))).toBeLessThan(least + 0.05);
          return;
        }
        expect(new Color(found.hex).contrast(new Color(ground), 'WCAG21')).toBeGreaterThanOrEqual(least - 0.005); // its luminance has more digits than WCAG’s
        if (found.hex !== color) moved++;
        const [before, after] = [oklchOf(color), oklchOf(found.hex)];
        // Eight bits a channel cannot tell hues of grayish and nearly black colors to a degree.
        if (after.c > 0.04 && before.c > 0.04 && after.l > 0.25) expect(turn(before.h, after.h)).toBeLessThan(1);
        if (found.keepsChroma && after.l > 0.25) expect(Math.abs(after.c - before.c)).toBeLessThan(0.03);
      }),
      { numRuns: 600, seed: 41 },
    );
    expect(moved).toBeGreaterThan(100);
  });

  it('is moved no farther than it needs: half a step less would not pass', () => {
    const found = legibleNear('#7aa5d8', '#ffffff', 4.5);
    expect(found?.ratio).toBeGreaterThanOrEqual(4.5);
    expect(found?.ratio).toBeLessThan(4.6);
  });

  it('says what a ratio is enough for', () => {
    expect([legibility(4.5), legibility(4.49), legibility(3), legibility(2.99)]).toEqual(['text', 'large', 'large', 'none']);
  });
});
