import type { EntityManager } from '@mikro-orm/postgresql';
import { START_GOODS_SIZE, type Palette, type WantedFile } from '$core/index';
import { groundColor } from '../http/file-answer';
import { ownOrder } from './own-order';
import type { GoodsOrder } from './shown-on';

/** A picture of goods as a pack wants it. */
export async function goodsOrder(
  em: EntityManager,
  brandSlug: string,
  { canvas }: Pick<WantedFile, 'canvas'>,
  { scene, shown, own }: NonNullable<WantedFile['goods']>,
  palette: Palette,
): Promise<GoodsOrder> {
  const { tint, way, area = 0, x = 0.5, y = 0.5, size = START_GOODS_SIZE, turn = 0 } = shown;
  return {
    ...{ scene, widthPx: canvas.width ?? 1, area, x, y, size, turnDeg: turn },
    ...(way ? { way } : {}),
    ...(tint === undefined ? {} : { tint: groundColor(palette, tint) }),
    ...(own ? { own: await ownOrder(em.fork(), brandSlug, own, palette) } : {}),
  };
}
