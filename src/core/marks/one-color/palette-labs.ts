import type { Palette } from '../../color/palette';
import { labOf, type Lab } from './units';

/** The ends of a mark's tones. */
export const labsOfPalette = (palette: Palette): { readonly paper: Lab; readonly ink: Lab } => {
  const [paper, ink] = [labOf(palette.paper), labOf(palette.ink)];
  // Where a palette has its light and dark the other way round, tone is still from light to dark.
  return paper.l >= ink.l ? { paper, ink } : { paper: ink, ink: paper };
};
