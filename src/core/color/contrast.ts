import { channelsOf, type Hex } from './hex';

/** Linear light of one gamma-encoded sRGB channel in [0, 1]. @source IEC 61966-2-1 (threshold 0.04045) */
const linear = (channel: number): number => (channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4);

/** Relative luminance in [0, 1]. @source WCAG 2.2, "relative luminance" */
export function luminance(hex: Hex): number {
  const { red, green, blue } = channelsOf(hex);
  return 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);
}

/**
 * How far apart two colors are in lightness, as legibility rules measure it; the order does not matter.
 * @returns a ratio in [1, 21], without unit
 * @source WCAG 2.2, "contrast ratio"
 */
export function contrastRatio(one: Hex, other: Hex): number {
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}
