import { converter, formatHex, parse } from 'culori';
import type { Hex } from './hex';

/** Hue in degrees in [0, 360), saturation and lightness in percent. @source W3C CSS Color 4, section 7 */
export interface Hsl {
  readonly space: 'hsl';
  readonly h: number;
  readonly s: number;
  readonly l: number;
}

const toHsl = converter('hsl');

export function hslOf(hex: Hex): Hsl {
  const { h = 0, s = 0, l = 0 } = toHsl(parse(hex)) ?? {};
  return { space: 'hsl', h, s: s * 100, l: l * 100 };
}

export const hexOfHsl = ({ h, s, l }: Hsl): Hex => formatHex({ mode: 'hsl', h, s: s / 100, l: l / 100 }) as Hex;
