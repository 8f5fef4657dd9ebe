import { converter, formatHex, parse } from 'culori';
import type { Hex } from './hex';

/** A color by how it is seen: lightness in [0, 1], chroma from 0 (sRGB reaches about 0.32), hue in degrees in [0, 360). */
export interface Oklch {
  readonly space: 'oklch';
  readonly l: number;
  readonly c: number;
  readonly h: number;
}

const toOklch = converter('oklch');

/** @source B. Ottosson, "A perceptual color space for image processing", 2020; W3C CSS Color 4, section 9.2. A gray has hue 0. */
export function oklchOf(hex: Hex): Oklch {
  const { l = 0, c = 0, h = 0 } = toOklch(parse(hex)) ?? {};
  return { space: 'oklch', l, c, h: c < GRAY ? 0 : ((h % 360) + 360) % 360 };
}

/** Chroma below which a hue means nothing: less than one step of an 8-bit channel. */
const GRAY = 2e-4;

/** How far beyond its ends a channel may lie: an eighth of a step of 8 bits, which rounding takes away. */
const ROUNDED = 0.0005;
const toRgb = converter('rgb');
function isShown({ l, c, h }: Oklch, beyond = ROUNDED): boolean {
  const { r, g, b } = toRgb({ mode: 'oklch', l, c, h });
  return Math.min(r, g, b) >= -beyond && Math.max(r, g, b) <= 1 + beyond;
}

/** Steps of halving: chroma is found to within 0.4 / 2^18. */
const HALVINGS = 18;
/** More chroma than any sRGB color has. */
export const MOST_CHROMA = 0.4;

/**
 * The most chroma that sRGB has at a lightness and hue: the edge of what a screen shows.
 * @returns chroma within 2e-6
 */
export function mostChroma(l: number, h: number): number {
  if (l <= 0 || l >= 1) return 0;
  let [low, high] = [0, MOST_CHROMA];
  for (let n = 0; n < HALVINGS; n++) {
    const middle = (low + high) / 2;
    if (isShown({ space: 'oklch', l, c: middle, h }, 0)) low = middle;
    else high = middle;
  }
  return low;
}

export interface ShownColor {
  readonly hex: Hex;
  /** Whether sRGB has the color as it was asked for; else its chroma was lowered until it has. */
  readonly asAsked: boolean;
}

/** A color as a screen shows it: lightness and hue are kept, chroma is lowered to the edge of sRGB where it lies beyond. */
export function shownColor(color: Oklch): ShownColor {
  const l = Math.min(1, Math.max(0, color.l));
  const asAsked = isShown({ ...color, l });
  const c = asAsked ? color.c : Math.min(color.c, mostChroma(l, color.h));
  return { hex: formatHex({ mode: 'oklch', l, c: Math.max(0, c), h: color.h }) as Hex, asAsked };
}
