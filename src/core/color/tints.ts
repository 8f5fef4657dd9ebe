import type { Hex } from './hex';
import { mostChroma, oklchOf, shownColor } from './oklch';

/** Lightness of the palest tint and of the deepest shade, OKLCH. */
const PALEST = 0.97;
const DEEPEST = 0.2;

/**
 * Tints and shades of a color in even steps of lightness, palest first; hue kept, chroma kept in its share of what sRGB has.
 * @param count from 2
 */
export function tintsOf(hex: Hex, count = 9): readonly Hex[] {
  const { l, c, h } = oklchOf(hex);
  const edge = mostChroma(l, h);
  const share = edge === 0 ? 0 : Math.min(1, c / edge);
  return Array.from({ length: count }, (_, at) => {
    const lightness = PALEST + ((DEEPEST - PALEST) * at) / (count - 1);
    return shownColor({ space: 'oklch', l: lightness, c: Math.min(c, share * mostChroma(lightness, h)), h }).hex;
  });
}
