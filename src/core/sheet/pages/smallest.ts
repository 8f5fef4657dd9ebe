import { MM_PER_INCH, PX_PER_INCH } from '../../units/length';
import { cells } from '../kit';
import type { SheetPage } from '../page';

const MOST = 6;

/** Smallest sizes, each mark as large as that. */
export const smallest: SheetPage = {
  title: 'Smallest sizes',
  text: () => 'Measured: below these, strokes are lost or words cannot be read. Take a smaller member of the family instead.',
  there: ({ marks }) => marks.some(({ safePx }) => safePx > 0),
  draw: (kit, { body, unit }) => {
    const marks = kit.facts.marks.filter(({ safePx }) => safePx > 0).slice(0, MOST);
    cells(body, Math.min(3, marks.length), Math.ceil(marks.length / 3), unit * 3).forEach((cell, at) => {
      const mark = marks[at];
      if (!mark) return;
      // At its true size on the page: a px is 1/96 inch there as it is in the brand’s other measures.
      const [wide, high] = mark.ratio >= 1 ? [mark.safePx, mark.safePx / mark.ratio] : [mark.safePx * mark.ratio, mark.safePx];
      const box = {
        left: cell.left,
        top: cell.top + unit * 2,
        right: cell.left + Math.min(wide, cell.right - cell.left),
        bottom: cell.top + unit * 2 + Math.min(high, (cell.bottom - cell.top) * 0.55),
      };
      kit.mark(box, mark.id, { anchor: 'top-left' });
      const mm = ((mark.safePx / PX_PER_INCH) * MM_PER_INCH).toFixed(0);
      kit.words(
        { ...cell, top: box.bottom + unit * 2 },
        `${mark.name}\n${mark.ratio >= 1 ? 'at least' : 'at least, in height,'} ${mark.safePx} px · ${mm} mm`,
        { size: unit * 2.1 },
      );
    });
  },
};
