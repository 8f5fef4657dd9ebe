import { contrastRatio } from './contrast';
import type { Hex } from './hex';
import { oklchOf, shownColor, type Oklch } from './oklch';

/** What a pair of colors may be used for. @source W3C WCAG 2.2, SC 1.4.3 (text; large is 24 px, or 18.7 px bold) and 1.4.11 (graphics) */
export const LEGIBILITY = {
  text: { least: 4.5, label: 'text of any size' },
  large: { least: 3, label: 'marks, and text from 24 px' },
  none: { least: 1, label: 'not to be read' },
} as const;
export type Legibility = keyof typeof LEGIBILITY;

/** What a contrast ratio is enough for. */
export const legibility = (ratio: number): Legibility =>
  ratio >= LEGIBILITY.text.least ? 'text' : ratio >= LEGIBILITY.large.least ? 'large' : 'none';

export interface Suggestion {
  readonly hex: Hex;
  readonly ratio: number;
  /** Whether sRGB has the color's chroma at its new lightness; else chroma was lowered as little as it needs. */
  readonly keepsChroma: boolean;
}

/** Lightness is moved in steps of one 8-bit channel's worth. */
const STEP = 1 / 512;

/**
 * The nearest color that stands out enough from a ground: hue kept, chroma kept as far as sRGB has it, lightness moved just enough.
 * @param least contrast ratio in [1, 21]
 * @returns the color itself where it passes; nothing where no lightness does
 */
export function legibleNear(color: Hex, ground: Hex, least: number): Suggestion | undefined {
  const own = contrastRatio(color, ground);
  if (own >= least) return { hex: color, ratio: own, keepsChroma: true };
  const from = oklchOf(color);
  for (let move = STEP; move <= 1; move += STEP)
    for (const l of [from.l - move, from.l + move]) {
      if (l < 0 || l > 1) continue;
      const { hex, asAsked } = shownColor({ ...from, l });
      const ratio = contrastRatio(hex, ground);
      if (ratio >= least) return { ...sameHue(hex, from, ground, least), keepsChroma: asAsked };
    }
  return undefined;
}

/** A hue turned by less than this is the same to any eye. */
const CLOSE_DEG = 0.6;

/** Of a color and its neighbors by a few steps of a channel, the one of nearest hue that still passes: rounding to 8 bits turns the hue of dark colors. */
function sameHue(hex: Hex, wanted: Oklch, ground: Hex, least: number): { readonly hex: Hex; readonly ratio: number } {
  const channels = [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16));
  const turnOf = (one: Hex): number => {
    const { c, h } = oklchOf(one);
    const turn = Math.abs(((h - wanted.h + 540) % 360) - 180);
    return wanted.c < 0.01 ? c : turn;
  };
  let best = { hex, ratio: contrastRatio(hex, ground), turn: turnOf(hex) };
  // One step of a channel is mostly enough; of dark and grayish colors three.
  for (const reach of [1, 2, 3]) {
    if (best.turn < CLOSE_DEG) break;
    const side = 2 * reach + 1;
    for (let n = 0; n < side ** 3; n++) {
      const steps = [(n % side) - reach, (Math.floor(n / side) % side) - reach, Math.floor(n / (side * side)) - reach];
      const moved = channels.map((channel, at) => Math.min(255, Math.max(0, channel + (steps[at] ?? 0))));
      const other: Hex = `#${moved.map((channel) => channel.toString(16).padStart(2, '0')).join('')}`;
      const [ratio, turn] = [contrastRatio(other, ground), turnOf(other)];
      if (ratio >= least && turn < best.turn - 0.05) best = { hex: other, ratio, turn };
    }
  }
  return { hex: best.hex, ratio: best.ratio };
}
