import { columns } from '../../pieces/layout';
import { cells, gridFor } from '../kit';
import type { SheetPage } from '../page';

/** Pictures that carry the tone, with what is taken from each, and the words to live up to beside them. */
export const tone: SheetPage = {
  title: 'In pictures',
  text: () => 'What the brand looks like around its marks.',
  there: ({ pictures }) => pictures.length > 0,
  draw: (kit, { body, unit }) => {
    const { pictures, keywords } = kit.facts;
    const beside = keywords.length > 0;
    const room = beside ? columns(body, 0, 0.76) : body;
    const { columns: across, rows } = gridFor(pictures.length, room);
    cells(room, across, rows, unit * 2).forEach((cell, at) => {
      const picture = pictures[at];
      if (!picture) return;
      const said = picture.caption !== '';
      kit.picture({ ...cell, bottom: cell.bottom - (said ? unit * 6 : 0) }, picture);
      kit.words({ ...cell, top: cell.bottom - unit * 5 }, picture.caption, { size: unit * 2 });
    });
    if (beside) kit.words(columns(body, 0.8, 1), keywords.join('\n'), { is: 'heading', size: unit * 5, stands: 'middle' });
  },
};
