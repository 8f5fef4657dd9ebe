import { eachOf } from '../../numeric/tuples';
import { LINEAR_OF_BYTE, linearOf } from '../../color/oklab';

/** Linear sRGB, channels in 0 to 1. */
export type LinearColor = readonly [red: number, green: number, blue: number];

/** @param hex `#rrggbb` */
export function fromRgb(hex: string): LinearColor {
  const value = Number.parseInt(hex.slice(1), 16);
  return eachOf([value >> 16, (value >> 8) & 255, value & 255], (byte) => LINEAR_OF_BYTE[byte] ?? linearOf(byte / 255));
}

/** @returns a byte of gamma-encoded sRGB; what is out of range is clipped. @source IEC 61966-2-1 */
export const byteOf = (linear: number): number => {
  const part = Math.min(1, Math.max(0, linear));
  return Math.round(255 * (part <= 0.0031308 ? part * 12.92 : 1.055 * part ** (1 / 2.4) - 0.055));
};

export const mix = (one: LinearColor, other: LinearColor, share: number): LinearColor => [
  one[0] + (other[0] - one[0]) * share,
  one[1] + (other[1] - one[1]) * share,
  one[2] + (other[2] - one[2]) * share,
];
