import type { Hex } from '../color/hex';
import { linearOf } from '../color/oklab';

export { LINEAR_OF_BYTE, linearOf } from '../color/oklab';

/** Linear light to 8-bit sRGB, held in its limits. */
export const byteOf = (light: number): number => {
  const held = Math.min(1, Math.max(0, light));
  return Math.round(255 * (held <= 0.0031308 ? held * 12.92 : 1.055 * held ** (1 / 2.4) - 0.055));
};
export const linearChannels = (hex: Hex): readonly [number, number, number] =>
  [1, 3, 5].map((at) => linearOf(parseInt(hex.slice(at, at + 2), 16) / 255)) as [number, number, number];
/** Relative luminance of linear light. @source W3C WCAG 2.2 */
export const luminanceOfLight = (r: number, g: number, b: number): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;
