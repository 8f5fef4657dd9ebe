import { plainCmyk } from '../../color/print';
import { channelsOf, type Hex } from '../../color/hex';
import { swatchesOf, type Palette } from '../../color/palette';

/** In which colors a PDF is written: those of screens, process inks, or process inks and the brand's spot colors. */
export const PDF_COLORS = ['rgb', 'cmyk', 'spot'] as const;
export type PdfColors = (typeof PDF_COLORS)[number];

/** A color as a PDF names it. Components in [0, 1]. @source ISO 32000-1, 8.6.4 and 8.6.6.4 */
export interface PdfInk {
  readonly space: 'rgb' | 'cmyk';
  readonly components: readonly number[];
  /** The name of the spot color that it is; its components are how it looks where there is no such ink. */
  readonly spot?: string;
}

/**
 * How colors are written: a swatch by the printer's own values where they are known, everything else by the plain rule.
 * In process inks black is `0 0 0 1`.
 */
export function inksOf(palette: Palette, colors: PdfColors): (hex: Hex) => PdfInk {
  const known = new Map<string, PdfInk>();
  if (colors !== 'rgb')
    for (const { key, hex } of swatchesOf(palette)) {
      const notes = palette.notes?.[key];
      const { c, m, y, k } = notes?.cmyk ?? plainCmyk(hex);
      const spot = colors === 'spot' ? notes?.spot : undefined;
      if (known.get(hex)?.spot && !spot) continue;
      known.set(hex, { space: 'cmyk', components: [c, m, y, k].map((percent) => percent / 100), ...(spot ? { spot } : {}) });
    }
  return (hex) => {
    const own = known.get(hex);
    if (own) return own;
    if (colors === 'rgb') {
      const { red, green, blue } = channelsOf(hex);
      return { space: 'rgb', components: [red, green, blue] };
    }
    const { c, m, y, k } = plainCmyk(hex);
    return { space: 'cmyk', components: [c, m, y, k].map((percent) => percent / 100) };
  };
}
