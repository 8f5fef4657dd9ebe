import { heightOf, widthOf } from '../../geometry';
import type { SheetPage } from '../page';

/** Room that is kept free around the mark, drawn from the mark's own unit. */
export const clearSpace: SheetPage = {
  title: 'Clear space',
  text: () => 'Nothing else stands nearer than one unit: the height of the mark’s own capitals.',
  there: ({ marks }) => marks.length > 0,
  draw: (kit, { body, unit }) => {
    const [mark] = kit.facts.marks;
    if (!mark) return;
    // The mark and one unit all around fit the room.
    const share = Math.max(0.02, mark.clearShare);
    const [roomX, roomY] = [widthOf(body), heightOf(body)];
    const wide = Math.min(roomX / (1 + 2 * share), roomY / (1 / mark.ratio + 2 * share)) * 0.92;
    const [high, clear] = [wide / mark.ratio, wide * share];
    const [x, y] = [(body.left + body.right) / 2, (body.top + body.bottom) / 2];
    const box = { left: x - wide / 2, right: x + wide / 2, top: y - high / 2, bottom: y + high / 2 };
    const outer = { left: box.left - clear, right: box.right + clear, top: box.top - clear, bottom: box.bottom + clear };
    const accent = { role: 'accent' } as const;
    for (const corner of [
      { left: outer.left, top: outer.top },
      { left: box.right, top: outer.top },
      { left: outer.left, top: box.bottom },
      { left: box.right, top: box.bottom },
    ])
      kit.panel({ ...corner, right: corner.left + clear, bottom: corner.top + clear }, accent);
    kit.line(outer, unit * 0.15);
    kit.line(box, unit * 0.1);
    kit.mark(box, mark.id);
    kit.words(
      { left: outer.left, right: outer.right, top: outer.bottom + unit, bottom: outer.bottom + unit * 5 },
      `1 unit = ${(share * 100).toFixed(0)} % of the mark’s width`,
      { size: unit * 1.9, align: 'center' },
    );
  },
};
