import { inset } from '../../pieces/layout';
import { cells, gridFor } from '../kit';
import type { SheetPage } from '../page';

const MOST = 8;

/** Pieces as far as they exist. */
export const inUse: SheetPage = {
  title: 'In use',
  text: () => 'Pieces made of these marks, faces and colors.',
  there: ({ pieces }) => pieces.length > 0,
  draw: (kit, { body, unit }) => {
    const pieces = kit.facts.pieces.slice(0, MOST);
    const { columns, rows } = gridFor(pieces.length, body);
    cells(body, columns, rows, unit * 3).forEach((cell, at) => {
      const piece = pieces[at];
      if (!piece) return;
      const frame = { ...cell, bottom: cell.bottom - unit * 5 };
      kit.line(frame, unit * 0.1);
      kit.mark(inset(frame, unit * 2), piece.id, { repaint: [] });
      kit.words({ ...cell, top: cell.bottom - unit * 4 }, piece.name, { size: unit * 2, align: 'center' });
    });
  },
};
