import { widthOf, heightOf, type Bounds } from '../../geometry';
import type { SheetPage } from '../page';

/**
 * Pictures in their order in rows of one height each, none cut, as large as a box lets them be.
 * @param ratios width through height of each picture
 * @param gap between them, and what stands under each
 */
export function inRows(ratios: readonly number[], box: Bounds, gap: number, under: number): readonly Bounds[] {
  let best: { readonly area: number; readonly cells: readonly Bounds[] } = { area: -1, cells: [] };
  for (let rows = 1; rows <= ratios.length; rows++) {
    const each = Math.ceil(ratios.length / rows);
    if (Math.ceil(ratios.length / each) !== rows) continue;
    const lines = Array.from({ length: rows }, (_, row) => ratios.slice(row * each, (row + 1) * each));
    const most = (heightOf(box) - gap * (rows - 1)) / rows - under;
    const heights = lines.map((line) =>
      Math.min(most, (widthOf(box) - gap * (line.length - 1)) / line.reduce((sum, ratio) => sum + ratio, 0)),
    );
    // All rows are as high as the lowest: things of one kind look alike.
    const high = Math.max(0, Math.min(...heights));
    const area = high ** 2 * ratios.reduce((sum, ratio) => sum + ratio, 0);
    if (area <= best.area) continue;
    const cells = lines.flatMap((line, row) => {
      const top = box.top + row * (high + under + gap);
      let left = box.left;
      return line.map((ratio) => {
        const cell = { left, top, right: left + high * ratio, bottom: top + high };
        left = cell.right + gap;
        return cell;
      });
    });
    best = { area, cells };
  }
  return best.cells;
}

/** Marks on goods, as far as any were dressed or chosen. */
export const onGoods: SheetPage = {
  title: 'On goods',
  text: () => 'The marks where they will be met, in the light that falls on them.',
  there: ({ goods }) => goods.length > 0,
  draw: (kit, { body, unit }) => {
    const { goods } = kit.facts;
    const ratios = goods.map(({ widthPx, heightPx }) => widthPx / heightPx);
    inRows(ratios, body, unit * 2.5, unit * 4.5).forEach((cell, at) => {
      const shown = goods[at];
      if (!shown) return;
      kit.picture(cell, shown);
      kit.words({ ...cell, top: cell.bottom + unit * 1.2, bottom: cell.bottom + unit * 4.2 }, shown.caption, { size: unit * 2 });
    });
  },
};
