import type { EntityManager } from '@mikro-orm/postgresql';
import type { OwnGoods, Palette } from '$core/index';
import { groundColor } from '../http/file-answer';
import { findBrand } from '../stores/brands';
import { photoRow } from '../stores/photos';
import type { OwnOrder } from './own-photo';

/** One's own goods with all that is needed to show them. @throws a refusal where the brand has no such photo or color */
export async function ownOrder(em: EntityManager, brandSlug: string, goods: OwnGoods, palette: Palette): Promise<OwnOrder> {
  const brand = await findBrand(em, brandSlug);
  const { facts, sha256, preview } = await photoRow(em.fork(), brand.id, goods.photo);
  return {
    goods,
    ...(goods.cloth ? { cloth: groundColor(palette, goods.cloth.color) } : {}),
    photo: { widthPx: facts.widthPx, heightPx: facts.heightPx, sha256, preview },
  };
}
