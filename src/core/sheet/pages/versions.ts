import { inset } from '../../pieces/layout';
import { cells, gridFor } from '../kit';
import type { SheetPage } from '../page';

/** Most marks that one page shows. */
const MOST = 9;
const ratioWords = (ratio: number): string => (ratio >= 1 ? `${ratio.toFixed(2)} : 1` : `1 : ${(1 / ratio).toFixed(2)}`);

/** Every version of the mark, with how wide it is against its height. */
export const versions: SheetPage = {
  title: 'Versions',
  text: ({ marks }) =>
    `${marks.length === 1 ? 'One mark' : `${marks.length} marks of one family`}: choose by the room that there is, never by stretching one.`,
  there: ({ marks }) => marks.length > 0,
  draw: (kit, { body, unit }) => {
    const marks = kit.facts.marks.slice(0, MOST);
    const { columns, rows } = gridFor(marks.length, body);
    cells(body, columns, rows, unit * 3).forEach((cell, at) => {
      const mark = marks[at];
      if (!mark) return;
      const foot = { ...cell, top: cell.bottom - unit * 5 };
      kit.line({ ...cell, bottom: foot.top - unit }, unit * 0.15);
      kit.mark(inset({ ...cell, bottom: foot.top - unit }, unit * 4), mark.id);
      kit.words(foot, `${mark.name} · ${ratioWords(mark.ratio)}`, { size: unit * 2.1 });
    });
  },
};
