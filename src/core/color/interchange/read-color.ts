import { displayable, formatHex, parse, toGamut } from 'culori';
import type { Hex } from '../hex';

/** A color that was read from somewhere. */
export interface ReadColor {
  readonly name: string;
  readonly hex: Hex;
  /** Whether it lies outside what a screen of the sRGB kind shows, and was brought to its edge. */
  readonly broughtIn: boolean;
}

const nearest = toGamut('rgb', 'oklch');

/** Longest notation of one color. */
const MOST_TEXT = 200;
function parsed(text: string) {
  if (text.length > MOST_TEXT) return undefined;
  try {
    return parse(text);
  } catch {
    // The parser throws at some texts that are no color, such as “/0A”.
    return undefined;
  }
}

/**
 * Reads one color in any notation of CSS: hex, a name, rgb(), hsl(), hwb(), lab(), lch(), oklab(), oklch(), color().
 * @returns nothing where it is none, or is partly transparent
 * @source W3C CSS Color 4; brought into gamut as in its section 13.2
 */
export function readCssColor(text: string, name = ''): ReadColor | undefined {
  const color = parsed(text.trim());
  if (!color || (color.alpha ?? 1) < 1) return undefined;
  const shown = displayable(color);
  return { name, hex: formatHex(shown ? color : nearest(color)) as Hex, broughtIn: !shown };
}

/** What became of reading a text: its colors in their order, and what was passed over. */
export interface ReadColors {
  readonly colors: readonly ReadColor[];
  readonly skipped: readonly string[];
}

/** Names as people read them: “brand-lead_dark” is “brand lead dark”. */
export const plainName = (name: string): string =>
  name
    .replace(/[-_./]+/g, ' ')
    .trim()
    .slice(0, 40);
