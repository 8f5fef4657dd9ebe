import { cssProperties } from './css-properties';
import { designTokens } from './design-tokens';
import type { ReadColors } from './read-color';
import { hexList } from './hex-list';
import type { PaletteFormat } from './palette-format';
import { svgSwatches } from './svg-swatches';

export type { ReadColor, ReadColors } from './read-color';
export { readCssColor } from './read-color';
export type { PaletteFormat } from './palette-format';

/** The forms that palettes are written in and read from; a new one is one file and one row. The last one reads anything. */
export const paletteFormats = { tokens: designTokens, svg: svgSwatches, css: cssProperties, list: hexList } as const satisfies Readonly<
  Record<string, PaletteFormat>
>;
export type PaletteFormatName = keyof typeof paletteFormats;

/** Longest text that is looked through, in characters. */
export const MOST_COLOR_TEXT = 500_000;

/** The colors in any text that somebody brings: a file of one of these forms, or words with color codes among them. */
export function readColors(text: string): ReadColors {
  const within = text.slice(0, MOST_COLOR_TEXT);
  const format: PaletteFormat | undefined = Object.values(paletteFormats).find(({ reads }) => reads(within));
  const read = format?.read(within) ?? { colors: [], skipped: [] };
  // What only looks like one of the forms may still hold codes.
  return read.colors.length > 0 || format === hexList ? read : hexList.read(within);
}
