import type { GlyphSheet } from './glyph-sheet';

/** Height of lower-case letters without extenders: the top of x, which is flat, in 1/1000 em. @source sxHeight, ISO/IEC 14496-22, 5.2.7 "OS/2": "the height of lowercase letters", approximated by x */
export const xHeight = (sheet: GlyphSheet): number | undefined => sheet.glyph('x')?.box.top;

/** Height of capitals: the top of H, in 1/1000 em. @source sCapHeight, the same place, approximated by H */
export const capHeight = (sheet: GlyphSheet): number | undefined => sheet.glyph('H')?.box.top;

/** Highest ink of ascending letters, in 1/1000 em. */
export const ascenderHeight = (sheet: GlyphSheet): number | undefined => sheet.glyph('d')?.box.top ?? sheet.glyph('l')?.box.top;

/** Depth of descending letters below the baseline, positive, in 1/1000 em. */
export const descenderDepth = (sheet: GlyphSheet): number | undefined => {
  const letter = sheet.glyph('p');
  return letter && Math.max(0, -letter.box.bottom);
};

/** Whether lower case is drawn as capitals: x stands as high as H within 4 %, or a is a scaled A. */
export function capitalsOnly(sheet: GlyphSheet): boolean {
  const [x, H, d, l] = [sheet.glyph('x'), sheet.glyph('H'), sheet.glyph('d'), sheet.glyph('l')];
  if (!x || !H) return true;
  if (x.box.top > 0.96 * H.box.top) return true;
  // Small capitals have no ascenders: d and l stop where x does.
  return d !== undefined && l !== undefined && Math.max(d.box.top, l.box.top) < x.box.top * 1.06;
}
