import type { EntityManager } from '@mikro-orm/postgresql';
import { ownScene, unpackTones, type GoodsAtHand, type GoodsDesk } from '$core/index';
import { findDocument } from '../stores/documents';
import { listPhotos } from '../stores/photos';
import { scenes } from './scenes';

/**
 * All goods of a brand: those that ship and its own photos; and what was chosen for them.
 * @param as numbers of documents as they stood at another moment
 */
export async function goodsAtHand(em: EntityManager, brandId: string, as?: Readonly<Record<string, number>>): Promise<GoodsAtHand> {
  const desk = (await findDocument(em, brandId, 'goods', as)).content as GoodsDesk;
  const own = Object.entries(desk.own);
  const photos = own.length === 0 ? [] : await listPhotos(em.fork(), brandId);
  return {
    desk,
    scenes: [
      ...scenes(),
      ...own.flatMap(([id, goods]) => {
        const photo = photos.find((each) => each.id === goods.photo);
        if (!photo) return [];
        const { columns, rows, base64 } = photo.tones;
        return [ownScene(id, goods, { ...photo, tones: unpackTones(columns, rows, Buffer.from(base64, 'base64')) })];
      }),
    ],
  };
}
