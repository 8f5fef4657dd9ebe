import { plainCmyk, swatchesOf } from '../../color';
import { rgbWords } from '../facts';
import { cells, gridFor } from '../kit';
import type { SheetPage } from '../page';

/** The palette with its codes. */
export const colors: SheetPage = {
  title: 'Colors',
  text: () => 'Print values marked with * are computed from the screen color, not proofed: ask the printer.',
  there: () => true,
  draw: (kit, { body, unit }) => {
    const { palette } = kit.facts;
    const all = swatchesOf(palette).slice(0, 12);
    const { columns, rows } = gridFor(all.length, body);
    cells(body, columns, rows, unit * 2).forEach((cell, at) => {
      const swatch = all[at];
      if (!swatch) return;
      const notes = palette.notes?.[swatch.key];
      const foot = { ...cell, top: cell.bottom - Math.min(unit * 14, (cell.bottom - cell.top) * 0.6) };
      const panel = { ...cell, bottom: foot.top - unit };
      kit.panel(panel, { role: swatch.key });
      if (swatch.hex === palette[kit.on]) kit.line(panel, unit * 0.15);
      const { c, m, y, k } = notes?.cmyk ?? plainCmyk(swatch.hex);
      const inks = `C ${Math.round(c)} M ${Math.round(m)} Y ${Math.round(y)} K ${Math.round(k)}${notes?.cmyk ? '' : ' *'}`;
      kit.words(foot, [swatch.name, swatch.hex, `RGB ${rgbWords(swatch.hex)}`, inks, ...(notes?.spot ? [notes.spot] : [])].join('\n'), {
        size: unit * 1.9,
      });
    });
  },
};
