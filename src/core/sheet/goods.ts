import type { GoodsAtHand } from '../scenes/goods-desk';
import type { SceneFacts } from '../scenes/scene';
import type { TonePicture } from './facts';
import type { Sheet } from './sheet';

/** Goods on the sheet, unless others are chosen: so many of those that the designer dressed. */
const FIRST_GOODS = 6;

/** A mark on goods. */
export interface MarkOnGoods {
  readonly mark: string;
  readonly scene: SceneFacts;
}

/**
 * The goods that a sheet shows: those that were chosen, else the first that the designer dressed on the proof wall; without those that are gone.
 * @param marks ids of the marks that may be shown
 */
export function goodsOfSheet(
  { goods }: Pick<Sheet, 'goods'>,
  { scenes, desk }: GoodsAtHand,
  marks: ReadonlySet<string>,
): readonly MarkOnGoods[] {
  const dressed = Object.keys(desk.shown).map((key) => {
    const [mark = '', scene = ''] = key.split('/');
    return { mark, scene };
  });
  const there = (goods ?? dressed).flatMap(({ mark, scene }) => {
    const found = scenes.find(({ name }) => name === scene);
    return found && marks.has(mark) ? [{ mark, scene: found }] : [];
  });
  return goods ? there : there.slice(0, FIRST_GOODS);
}

/** What a picture of a mark on goods is on a sheet, at a width. @param sha256 the picture, or what stands for it */
export const goodsPicture = (
  sha256: string,
  markName: string,
  { label, widthPx: most, heightPx }: SceneFacts,
  wantedPx: number,
): TonePicture => {
  const widthPx = Math.min(wantedPx, most);
  return {
    sha256,
    name: label,
    caption: `${markName} on ${label.toLowerCase()}`,
    widthPx,
    heightPx: Math.round((heightPx * widthPx) / most),
  };
};
