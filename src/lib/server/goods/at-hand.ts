import type { EntityManager } from '@mikro-orm/postgresql';
import { ownScene, unpackTones, type GoodsAtHand, type GoodsDesk } from '$core/index';
import { findDocument } from '../stores/documents';
import { listPhotos } from '../stores/photos';
import { scenes } from './scenes';

/** All goods of a brand: those that ship and its own photos; and what was chosen for them. */
export async function goodsAtHand(em: EntityManager, brandId: string): Promise<GoodsAtHand> {
  const desk = (await findDocument(em, brandId, 'goods')).content as GoodsDesk;
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
