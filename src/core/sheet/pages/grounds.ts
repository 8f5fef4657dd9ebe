import { contrastRatio, legibleOn, ROLES } from '../../color';
import { inset } from '../../pieces/layout';
import { cells } from '../kit';
import type { SheetPage } from '../page';

/** The mark on every ground of the palette, with how much its color stands out there. */
export const grounds: SheetPage = {
  title: 'Grounds',
  text: () =>
    'On paper it stands in its colors; on dark and strong grounds it turns around, and what would hardly be seen is drawn in ink. The number is its contrast there.',
  there: ({ marks }) => marks.length > 0,
  draw: (kit, { body, unit }) => {
    const [mark] = kit.facts.marks;
    if (!mark) return;
    const { palette } = kit.facts;
    cells(body, 3, 2, unit * 2).forEach((cell, at) => {
      const role = ROLES[at];
      if (!role) return;
      const panel = { ...cell, bottom: cell.bottom - unit * 5 };
      kit.panel(panel, { role });
      if (role === kit.on) kit.line(panel, unit * 0.15);
      kit.mark(inset(panel, unit * 4), mark.id, { ground: role });
      const best = contrastRatio(legibleOn(palette, palette[role]), palette[role]);
      kit.words({ ...cell, top: cell.bottom - unit * 4 }, `on ${palette.notes?.[role]?.name ?? role} · ${best.toFixed(1)} : 1`, {
        size: unit * 2,
      });
    });
  },
};
