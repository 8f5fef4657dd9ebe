import type { EntityManager } from '@mikro-orm/postgresql';
import type { OwnGoods, Palette } from '$core/index';
import { groundColor } from '../http/file-answer';
import { findBrand } from '../stores/brands';
import { photoRow } from '../stores/photos';
import type { OwnOrder } from './own-photo';

/** One's own goods with all that is needed to show them. @throws a refusal where the brand has no such photo or color */
export async function ownOrder(em: EntityManager, brandSlug: string, goods: OwnGoods, palette: Palette): Promise<OwnOrder> {
  const brand = await findBrand(em, brandSlug);
  const { facts, sha256, preview, page } = await photoRow(em.fork(), brand.id, goods.photo);
  return {
    goods,
    // Of a page of a PDF its copy is all that is in pixels.
    ...(goods.cloth ? { cloth: groundColor(palette, goods.cloth.color) } : {}),
    photo: { widthPx: facts.widthPx, heightPx: facts.heightPx, sha256: page > 0 ? preview : sha256, preview },
  };
}
