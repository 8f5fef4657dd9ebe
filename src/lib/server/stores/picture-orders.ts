import type { EntityManager } from '@mikro-orm/postgresql';
import type { Problem } from '$core/index';
import { PictureOrder, type FileState } from '../database/entities';
import { tellMoved } from '../events';
import { notFound, refuse } from '../http/problem-error';
import { PICTURE_ORDERS, sendFiles, takeBack } from '../jobs/queue';
import { pictureService, type WordedPicture } from '../picture-services';

/** A picture that was asked for in words, as pages show it. */
export interface PictureOrderView extends WordedPicture {
  readonly id: string;
  readonly service: string;
  readonly state: FileState;
  readonly done: number;
  readonly of: number;
  readonly picture: { readonly sha256: string; readonly widthPx: number; readonly heightPx: number } | null;
  readonly reason: readonly Problem[] | null;
}
/** Who makes pictures here, and what it was asked for lately, the newest first. */
export interface PictureOrdersView {
  readonly service: { readonly name: string; readonly isStandIn: boolean; readonly knows: readonly string[] | null };
  readonly orders: readonly PictureOrderView[];
}

const MOST_SHOWN = 24;
/** A brand may have so many under way. */
const MOST_OPEN = 8;
const OPEN: readonly FileState[] = ['waiting', 'making'];

export async function listPictureOrders(em: EntityManager, brandId: string): Promise<PictureOrdersView> {
  const rows = await em.find(
    PictureOrder,
    { brand: brandId, removedAt: null },
    { orderBy: { createdAt: 'desc', id: 'desc' }, limit: MOST_SHOWN },
  );
  const { name, isStandIn, knows = null } = pictureService();
  return {
    service: { name, isStandIn, knows },
    orders: rows.map(({ id, words, ground, seed, service, state, done, of, sha256, widthPx, heightPx, reason }) => ({
      ...{ id, words, ground, seed, service, state, done, of, reason: reason ?? null },
      picture: sha256 && widthPx && heightPx ? { sha256, widthPx, heightPx } : null,
    })),
  };
}

/** Asks for a picture. @param id chosen by whoever asks: the same twice is one picture. @throws a refusal where it cannot be made, or too many are under way */
export async function orderPicture(em: EntityManager, brandId: string, id: string, order: WordedPicture): Promise<PictureOrdersView> {
  const service = pictureService();
  service.check(order);
  const known = await em.fork().findOne(PictureOrder, { id });
  if (known && known.brand.id !== brandId) throw refuse(409, 'id-taken', 'This id is taken.', 'Choose another one.');
  if (!known) {
    if ((await em.fork().count(PictureOrder, { brand: brandId, state: { $in: [...OPEN] } })) >= MOST_OPEN)
      throw refuse(429, 'too-many-pictures', `${MOST_OPEN} pictures are under way.`, 'Wait for one of them, or stop it.');
    const fork = em.fork();
    fork.create(PictureOrder, {
      ...{ id, brand: brandId, ...order, service: service.name, state: 'waiting', done: 0, of: 0, tries: 0, createdAt: new Date() },
      ...{ jobId: null, sha256: null, widthPx: null, heightPx: null, reason: null, worker: null, madeAt: null, removedAt: null },
    });
    await fork.flush();
    await sendFiles(PICTURE_ORDERS, [id]);
  }
  await tellMoved(em, { subject: `picture-orders:${brandId}`, revision: 0 });
  return listPictureOrders(em.fork(), brandId);
}

/** Stops a picture, or takes one off the list; a picture that parts show stays with the brand. */
export async function changePictureOrder(
  em: EntityManager,
  brandId: string,
  id: string,
  what: 'stop' | 'remove',
): Promise<PictureOrdersView> {
  const row = /^[0-9a-f-]{36}$/.test(id) ? await em.fork().findOne(PictureOrder, { id, brand: brandId }) : null;
  if (!row) throw notFound('picture order of this brand');
  await em.fork().nativeUpdate(PictureOrder, { id, state: { $in: [...OPEN] } }, { state: 'stopped' });
  if (row.jobId && OPEN.includes(row.state)) await takeBack(PICTURE_ORDERS, [row.jobId]);
  if (what === 'remove') await em.fork().nativeUpdate(PictureOrder, { id }, { removedAt: new Date() });
  await tellMoved(em, { subject: `picture-orders:${brandId}`, revision: 0 });
  return listPictureOrders(em.fork(), brandId);
}
