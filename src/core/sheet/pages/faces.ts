import { cells } from '../kit';
import type { SheetPage } from '../page';

const SAMPLE = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ abcdefghijklmnopqrstuvwxyz 0123456789';

/** Faces with their roles, sample lines and licenses. */
export const faces: SheetPage = {
  title: 'Type',
  text: () => 'Faces under an open license may be passed on; all others are bought by whoever sets with them.',
  there: ({ faces: list }) => list.length > 0,
  draw: (kit, { body, unit }) => {
    const list = kit.facts.faces.slice(0, 4);
    cells(body, 1, list.length, unit * 3).forEach((cell, at) => {
      const face = list[at];
      if (!face) return;
      const split = cell.left + (cell.right - cell.left) * 0.3;
      kit.line({ left: cell.left, right: cell.right, top: cell.top, bottom: cell.top }, unit * 0.15);
      kit.words(
        { ...cell, top: cell.top + unit * 2, right: split - unit * 2 },
        [face.name, face.is, face.license, face.freeInItsPlace ? `Free in its place: ${face.freeInItsPlace}` : '']
          .filter((line) => line !== '')
          .join('\n'),
        {
          size: unit * 2,
        },
      );
      kit.add({
        ...{
          kind: 'lettering',
          text: `${kit.facts.promise || kit.facts.name}\n${SAMPLE}`,
          font: face.font,
          sizePx: unit * 4.4,
          align: 'start',
          leadingPermille: 320,
          paint: { role: kit.ink },
        },
        wrap: { widthPx: cell.right - split, heightPx: cell.bottom - cell.top - unit * 2, leastPercent: 25, stands: 'top', even: false },
        place: { x: split, y: cell.top + unit * 2, turnDeg: 0 },
      } as never);
    });
  },
};
