import { describe, expect, it } from 'vitest';
import { nearestSwatchOf, ROLES, STARTING_PALETTE, swatchColor, type Hex, type Palette } from '$core/index';
import fc from '../../support/properties';

const channel = fc.nat(255);
const hex = fc.tuple(channel, channel, channel).map((rgb) => `#${rgb.map((value) => value.toString(16).padStart(2, '0')).join('')}` as Hex);

/** OKLab by its author's own numbers. @source B. Ottosson, "A perceptual color space for image processing", 2020 */
function oklab(color: Hex): readonly [number, number, number] {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const value = parseInt(color.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  });
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}
const apart = (one: Hex, other: Hex): number => Math.hypot(...oklab(one).map((value, at) => value - (oklab(other)[at] ?? 0)));

const colorNearestTo = (color: Hex, palette: Palette) => swatchColor(palette, nearestSwatchOf(color, palette));

describe('the nearest swatch', () => {
  it('of a role’s own color is that role', () => {
    for (const role of ROLES) expect(colorNearestTo(STARTING_PALETTE[role], STARTING_PALETTE)).toBe(STARTING_PALETTE[role]);
  });

  it('is at no greater distance in OKLab than any other (property, by the space’s published formula)', () => {
    fc.assert(
      fc.property(hex, fc.tuple(hex, hex, hex, hex, hex), (color, colors) => {
        const palette = Object.fromEntries(ROLES.map((role, index) => [role, colors[index] ?? colors[0]])) as unknown as Palette;
        const found = apart(color, colorNearestTo(color, palette) as Hex);
        for (const role of ROLES) expect(found).toBeLessThanOrEqual(apart(color, palette[role]) + 1e-6);
      }),
      { seed: 9, numRuns: 300 },
    );
  });
});
