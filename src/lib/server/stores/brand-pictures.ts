import { randomUUID } from 'node:crypto';
import type { InferEntity } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { PictureColor } from '$core/index';
import type { Stroke } from '$core/pictures';
import { Picture } from '../database/entities';
import { storedFile } from '../files';
import { heavy } from '../heavy/pool';
import { notFound } from '../http/problem-error';
import type { PictureUse } from '../taken-picture';
import { findBrand } from './brands';

export interface BrandPicture {
  readonly sha256: string;
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly colors: readonly PictureColor[];
}

/** Takes in a picture and keeps it under its digest; the same picture twice is one row. */
export async function addPicture(
  em: EntityManager,
  brandId: string,
  bytes: Uint8Array,
  name: string,
  use: PictureUse = 'board',
): Promise<BrandPicture & { readonly outline?: string }> {
  const taken = await heavy('picture', { bytes, name, use });
  const { outline } = taken;
  const row = { sha256: taken.sha256, name: name.slice(0, 200), widthPx: taken.widthPx, heightPx: taken.heightPx, colors: taken.colors };
  return { ...(await putRow(em, brandId, row, null)), ...(outline ? { outline } : {}) };
}

/** Takes the ground out of a picture of a brand: a picture of its own, beside the one it was cut from. */
export async function cutBrandPicture(
  em: EntityManager,
  brandId: string,
  sha256: string,
  strokes: readonly Stroke[],
): Promise<BrandPicture & { readonly outline?: string }> {
  const whole = await ownPicture(em, brandId, sha256);
  return putChanged(em, whole, await heavy('cutPicture', { sha256, name: whole.name, strokes }));
}

/** A picture of a brand blurred, beside the one that it was. @param percent the blur's deviation, of its longer side */
export async function softenBrandPicture(
  em: EntityManager,
  brandId: string,
  sha256: string,
  percent: number,
): Promise<BrandPicture & { readonly outline?: string }> {
  const whole = await ownPicture(em, brandId, sha256);
  return putChanged(em, whole, await heavy('softenPicture', { sha256, name: whole.name, percent }));
}

async function ownPicture(em: EntityManager, brandId: string, sha256: string): Promise<InferEntity<typeof Picture>> {
  const found = /^[0-9a-f]{64}$/.test(sha256) ? await em.fork().findOne(Picture, { brand: brandId, sha256 }) : null;
  if (!found) throw notFound('picture of this brand');
  return found;
}

/** What became of a picture, as a picture of the same brand under the same name. */
async function putChanged(
  em: EntityManager,
  whole: InferEntity<typeof Picture>,
  { outline, sha256, widthPx, heightPx, colors }: Omit<BrandPicture, 'name'> & { readonly outline?: string },
): Promise<BrandPicture & { readonly outline?: string }> {
  const row = { sha256, name: whole.name, widthPx, heightPx, colors };
  return { ...(await putRow(em, whole.brand.id, row, whole.lentBy?.id ?? null)), ...(outline ? { outline } : {}) };
}

/** One row for each picture of a brand, however many requests bring it at once. */
async function putRow(em: EntityManager, brandId: string, row: BrandPicture, lentBy: string | null): Promise<BrandPicture> {
  await em
    .qb(Picture)
    .insert({ ...row, id: randomUUID(), brand: brandId, createdAt: new Date(), lentBy })
    .onConflict(['brand', 'sha256'])
    .ignore()
    .execute();
  const { sha256, name, widthPx, heightPx, colors } = await em.fork().findOneOrFail(Picture, { brand: brandId, sha256: row.sha256 });
  return { sha256, name, widthPx, heightPx, colors };
}

/** Lets a brand of the same designer show a picture of another one too, because a part with it was copied over; who lent it is recorded. */
export async function lendPicture(em: EntityManager, brandId: string, sha256: string, fromSlug: string): Promise<void> {
  const lender = await findBrand(em.fork(), fromSlug);
  const known = /^[0-9a-f]{64}$/.test(sha256) ? await em.findOne(Picture, { brand: lender.id, sha256 }) : null;
  if (!known) throw notFound(`picture of ${lender.name}`);
  const { name, widthPx, heightPx, colors } = known;
  await putRow(em, brandId, { sha256, name, widthPx, heightPx, colors }, lender.id);
}

/** Most pictures that are offered at once. */
const MOST_OFFERED = 60;
/** The pictures of a brand, the newest first. */
export const listPictures = async (em: EntityManager, brandId: string): Promise<readonly BrandPicture[]> =>
  (await em.fork().find(Picture, { brand: brandId }, { orderBy: { createdAt: 'desc' }, limit: MOST_OFFERED })).map(
    ({ sha256, name, widthPx, heightPx, colors }) => ({ sha256, name, widthPx, heightPx, colors }),
  );

/** Which of these pictures a brand may show. */
export async function ownPictures(em: EntityManager, brandId: string, sha256s: readonly string[]): Promise<ReadonlySet<string>> {
  if (sha256s.length === 0) return new Set();
  return new Set(
    (await em.find(Picture, { brand: brandId, sha256: { $in: [...sha256s] } }, { fields: ['sha256'] })).map((row) => row.sha256),
  );
}

/** The file of a brand's picture. */
export async function pictureFile(em: EntityManager, brandId: string, sha256: string): Promise<Uint8Array> {
  if (!/^[0-9a-f]{64}$/.test(sha256) || (await em.count(Picture, { brand: brandId, sha256 })) === 0)
    throw notFound('picture of this brand');
  return storedFile(sha256);
}
