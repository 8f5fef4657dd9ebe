import { fail, ok, type Result } from '../result/result';

/** A color of the sRGB space as `#rrggbb`, lower case; what recipes, palettes and files hold. */
export type Hex = `#${string}`;

/**
 * Reads a color code as people type or paste it: with or without `#`, three or six digits, any case, spaces around.
 * Codes with alpha are refused: a palette color is opaque, strength is a part's opacity.
 */
export function parseHex(typed: string): Result<Hex> {
  const digits = typed.trim().replace(/^#/, '').toLowerCase();
  if (/^[0-9a-f]{6}$/.test(digits)) return ok<Hex>(`#${digits}`);
  if (/^[0-9a-f]{3}$/.test(digits)) return ok<Hex>(`#${[...digits].map((digit) => digit + digit).join('')}`);
  const message = /^([0-9a-f]{4}|[0-9a-f]{8})$/.test(digits)
    ? `“${typed.trim()}” carries transparency; a palette color is opaque.`
    : `“${typed.trim()}” is not a color code.`;
  return fail({ code: 'not-a-color', message, fix: 'Type six digits 0–9 and a–f, such as #22302a.' });
}

/** The three channels, gamma-encoded, each in [0, 1]. */
export interface Channels {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
}

export const channelsOf = (hex: Hex): Channels => ({
  red: Number.parseInt(hex.slice(1, 3), 16) / 255,
  green: Number.parseInt(hex.slice(3, 5), 16) / 255,
  blue: Number.parseInt(hex.slice(5, 7), 16) / 255,
});
