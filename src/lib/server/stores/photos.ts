import { randomUUID } from 'node:crypto';
import type { InferEntity } from '@mikro-orm/core';
import { UniqueConstraintViolationException, type EntityManager } from '@mikro-orm/postgresql';
import { writtenForm, documentForms, type PhotoDesk, type Problem } from '$core/index';
import { Photo, PhotoFile, PhotoRun, type FileState } from '../database/entities';
import { tellMoved } from '../events';
import { basisNow } from '../handover/subjects';
import { heavy } from '../heavy/pool';
import { notFound, refuse } from '../http/problem-error';
import { PHOTO_FILES, sendFiles, takeBack } from '../jobs/queue';
import type { PhotoReport } from '../photos/marked-photo';
import type { PhotoFacts } from '../photos/taken-photo';
import type { BrandView } from './brands';
import { slugOf } from './slug';

/** A photo as pages show it. */
export interface PhotoView extends PhotoFacts {
  readonly id: string;
  readonly name: string;
  readonly sizeBytes: number;
  readonly tones: { readonly columns: number; readonly rows: number; readonly base64: string };
}
/** One photo of a run, as pages show it. */
export interface PhotoFileView {
  readonly id: string;
  readonly photo: string;
  readonly name: string;
  readonly state: FileState;
  readonly sizeBytes: number | null;
  readonly report: PhotoReport | null;
  readonly reason: readonly Problem[] | null;
}
export interface PhotoRunView {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly createdAt: string;
  readonly by: string;
  readonly files: readonly PhotoFileView[];
}

const viewOf = (row: InferEntity<typeof Photo>): PhotoView => ({
  ...row.facts,
  id: row.id,
  name: row.name,
  sizeBytes: row.sizeBytes,
  tones: { columns: row.toneColumns, rows: row.toneRows, base64: Buffer.from(row.tones).toString('base64') },
});

/** The photos of a brand in their order. */
export const listPhotos = async (em: EntityManager, brandId: string): Promise<readonly PhotoView[]> =>
  (await em.find(Photo, { brand: brandId, removedAt: null }, { orderBy: { position: 'asc', createdAt: 'asc' } })).map(viewOf);

/** Most photos of a brand. */
const MOST_PHOTOS = 2000;

/** Takes in a photo; one that the brand has already is the same photo again. */
export async function addPhoto(em: EntityManager, brandId: string, bytes: Uint8Array, name: string): Promise<PhotoView> {
  const count = await em.fork().count(Photo, { brand: brandId, removedAt: null });
  if (count >= MOST_PHOTOS)
    throw refuse(422, 'too-many-photos', `A brand holds ${MOST_PHOTOS} photos; this one has them.`, 'Take some away first.');
  const { sha256, preview, facts, sizeBytes, toneColumns, toneRows, tones } = await heavy('photo', { bytes, name });
  const known = await em.fork().findOne(Photo, { brand: brandId, sha256, removedAt: null });
  if (known) return viewOf(known);
  const fork = em.fork();
  const [last] = await fork.find(Photo, { brand: brandId }, { orderBy: { position: 'desc' }, limit: 1 });
  const row = fork.create(Photo, {
    ...{ id: randomUUID(), brand: brandId, sha256, preview, name: name.slice(0, 200), facts, sizeBytes, toneColumns, toneRows },
    tones: Buffer.from(tones),
    position: (last?.position ?? 0) + 1,
    createdAt: new Date(),
    removedAt: null,
  });
  try {
    await fork.flush();
  } catch (error) {
    // The same photo came twice at once.
    if (!(error instanceof UniqueConstraintViolationException)) throw error;
    return viewOf(await em.fork().findOneOrFail(Photo, { brand: brandId, sha256, removedAt: null }));
  }
  await tellMoved(em.fork(), { subject: `photos:${brandId}`, revision: 0 });
  return viewOf(row);
}

/** Takes photos off the table, or puts them back; runs that show them keep what they made. */
export async function shelvePhotos(em: EntityManager, brandId: string, photos: readonly string[], removed: boolean): Promise<void> {
  const rows = await em.find(Photo, { brand: brandId, id: { $in: [...photos] } });
  if (rows.length < new Set(photos).size) throw notFound('photo of this brand');
  for (const row of rows) {
    // One that was brought in again meanwhile is there already.
    const twin = removed ? null : await em.fork().findOne(Photo, { brand: brandId, sha256: row.sha256, removedAt: null });
    if (!twin) row.removedAt = removed ? new Date() : null;
  }
  await em.flush();
  await tellMoved(em.fork(), { subject: `photos:${brandId}`, revision: 0 });
}

export async function photoRow(em: EntityManager, brandId: string, id: string) {
  const row = /^[0-9a-f-]{36}$/.test(id) ? await em.findOne(Photo, { id, brand: brandId }) : null;
  if (!row) throw notFound('photo of this brand');
  return row;
}

const ENDINGS = { jpeg: 'jpg', png: 'png', webp: 'webp', tiff: 'tif', avif: 'avif' } as const;
const WORDS = ['name', 'brand', 'number', 'width', 'height'] as const;

/** What marked photos are called: after the pattern, in Latin letters, each once. */
export function photoNames(
  photos: readonly { readonly name: string; readonly widthPx: number; readonly heightPx: number }[],
  brandName: string,
  { pattern, format, longestPx }: PhotoDesk['output'],
): readonly string[] {
  const strange = [...pattern.matchAll(/\{([^}]*)\}/g)].map(([, word = '']) => word).find((word) => !WORDS.includes(word as never));
  if (strange !== undefined)
    throw refuse(
      422,
      'strange-word',
      `The pattern names {${strange}}, which photos do not have.`,
      'Use {name}, {brand}, {number}, {width} or {height}.',
    );
  const used = new Set<string>();
  const digits = Math.max(2, String(photos.length).length);
  return photos.map(({ name, widthPx, heightPx }, at) => {
    const scale = longestPx === undefined ? 1 : Math.min(1, longestPx / Math.max(widthPx, heightPx));
    const words: Record<(typeof WORDS)[number], string> = {
      name: slugOf(name.replace(/\.[a-z0-9]{2,5}$/i, '')) || 'photo',
      brand: slugOf(brandName) || 'brand',
      number: String(at + 1).padStart(digits, '0'),
      width: String(Math.max(1, Math.round(widthPx * scale))),
      height: String(Math.max(1, Math.round(heightPx * scale))),
    };
    const stem =
      pattern
        .replace(/\{([^}]*)\}/g, (_, word: (typeof WORDS)[number]) => words[word])
        .replace(/[^\p{L}\p{N}._ -]+/gu, '-')
        .replace(/^[. -]+|[. -]+$/g, '')
        .slice(0, 100) || 'photo';
    let free = stem;
    for (let n = 2; used.has(free.toLowerCase()); n++) free = `${stem}-${n}`;
    used.add(free.toLowerCase());
    return `${free}.${ENDINGS[format]}`;
  });
}

export interface NewPhotoRun {
  readonly id: string;
  readonly name: string;
  readonly photos: readonly string[];
  readonly desk: PhotoDesk;
}

/** Orders a run: its photos are marked as the desk and the brand are now, by whichever worker is free. */
export async function orderPhotoRun(em: EntityManager, brand: BrandView, { id, name, photos, desk }: NewPhotoRun): Promise<PhotoRunView> {
  if (desk.stamps.length === 0 && !desk.veil.on)
    throw refuse(422, 'nothing-laid', 'Nothing is laid over the photos yet.', 'Add a stamp, or turn the veil on.');
  if (desk.veil.on && desk.veil.text === '' && desk.veil.mark === '')
    throw refuse(422, 'empty-veil', 'The veil has neither a line nor a mark to repeat.', 'Write a line, or choose a mark for it.');
  const basis = await basisNow(em.fork(), brand);
  const waiting = await em.transactional(async (tx) => {
    // Runs of one brand are numbered one after the other, whoever asks.
    await tx.execute('select 1 from "brand" where "id" = ? for update', [brand.id]);
    const known = await tx.findOne(PhotoRun, { id });
    if (known) {
      if (known.brand.id !== brand.id) throw refuse(422, 'run-taken', 'This run’s id belongs to another brand.', 'Give it a new one.');
      return [];
    }
    const rows = await tx.find(Photo, { brand: brand.id, id: { $in: [...photos] } });
    const byId = new Map(rows.map((row) => [row.id, row]));
    const wanted = [...new Set(photos)].map((photo) => byId.get(photo));
    if (wanted.some((row) => !row)) throw notFound('photo of this brand');
    const found = wanted.filter((row) => row !== undefined);
    const names = photoNames(
      found.map(({ name: called, facts }) => ({ name: called, ...facts })),
      brand.name,
      desk.output,
    );
    const [newest] = await tx.find(PhotoRun, { brand: brand.id }, { orderBy: { number: 'desc' }, limit: 1 });
    tx.create(PhotoRun, {
      ...{ id, name, basis },
      brand: brand.id,
      number: (newest?.number ?? 0) + 1,
      desk: writtenForm(documentForms.photos, desk),
      createdAt: new Date(),
      removedAt: null,
    });
    await tx.flush();
    const ids = found.map((row, position) => {
      const file = randomUUID();
      tx.create(PhotoFile, {
        ...{ id: file, run: id, photo: row.id, position, name: names[position] as string, tries: 0, state: 'waiting' },
        ...{ jobId: null, sha256: null, sizeBytes: null, verdict: null, reason: null, worker: null, madeAt: null },
      });
      return file;
    });
    await tx.flush();
    await tellMoved(tx, { subject: `photo-runs:${brand.id}`, revision: 0 });
    return ids;
  });
  await sendFiles(PHOTO_FILES, waiting);
  return photoRunView(em.fork(), brand.id, id);
}

async function runRow(em: EntityManager, brandId: string, id: string) {
  const row = /^[0-9a-f-]{36}$/.test(id) ? await em.findOne(PhotoRun, { id, brand: brandId }) : null;
  if (!row) throw notFound('run of this brand');
  return row;
}

async function runViewOf(em: EntityManager, row: InferEntity<typeof PhotoRun>): Promise<PhotoRunView> {
  const files = await em.find(PhotoFile, { run: row.id }, { orderBy: { position: 'asc' } });
  return {
    ...{ id: row.id, number: row.number, name: row.name, createdAt: row.createdAt.toISOString(), by: row.madeBy ?? '' },
    files: files.map((file) => ({
      ...{ id: file.id, photo: file.photo.id, name: file.name, state: file.state },
      sizeBytes: file.sizeBytes ?? null,
      report: file.verdict ?? null,
      reason: file.reason ?? null,
    })),
  };
}
export const photoRunView = async (em: EntityManager, brandId: string, id: string): Promise<PhotoRunView> =>
  runViewOf(em, await runRow(em, brandId, id));

const MOST_SHOWN = 20;
/** The runs of a brand, the newest first. */
export async function listPhotoRuns(em: EntityManager, brandId: string): Promise<readonly PhotoRunView[]> {
  const rows = await em.find(PhotoRun, { brand: brandId, removedAt: null }, { orderBy: { number: 'desc' }, limit: MOST_SHOWN });
  const views = [];
  for (const row of rows) views.push(await runViewOf(em, row));
  return views;
}

const OPEN: readonly FileState[] = ['waiting', 'making'];
/** Stops what has not been made; what is being made in this moment is thrown away. */
export async function stopPhotoRun(em: EntityManager, brandId: string, id: string): Promise<void> {
  const { id: run } = await runRow(em, brandId, id);
  const open = await em.find(PhotoFile, { run, state: { $in: [...OPEN] } }, { fields: ['jobId'] });
  await em.fork().nativeUpdate(PhotoFile, { run, state: { $in: [...OPEN] } }, { state: 'stopped' });
  await takeBack(
    PHOTO_FILES,
    open.flatMap(({ jobId }) => jobId ?? []),
  );
  await tellMoved(em, { subject: `photo-run:${run}`, revision: 0 });
}
/** Goes on with what was stopped, and tries again what could not be made. */
export async function resumePhotoRun(em: EntityManager, brandId: string, id: string, file?: string): Promise<void> {
  const { id: run } = await runRow(em, brandId, id);
  const where = { run, state: { $in: ['stopped', 'failed'] as FileState[] }, ...(file ? { id: file } : {}) };
  const ids = (await em.find(PhotoFile, where, { fields: ['id'] })).map((each) => each.id);
  await em.fork().nativeUpdate(PhotoFile, where, { state: 'waiting', reason: null, verdict: null, tries: 0 });
  await sendFiles(PHOTO_FILES, ids);
  await tellMoved(em, { subject: `photo-run:${run}`, revision: 0 });
}
/** Takes a run off the list, or puts it back; nothing of it is thrown away. */
export async function shelvePhotoRun(em: EntityManager, brandId: string, id: string, removed: boolean): Promise<void> {
  const row = await runRow(em, brandId, id);
  row.removedAt = removed ? new Date() : null;
  await em.flush();
}
/** One marked photo that is done. */
export async function donePhoto(em: EntityManager, brandId: string, run: string, file: string) {
  const row = await runRow(em, brandId, run);
  const found = /^[0-9a-f-]{36}$/.test(file) ? await em.findOne(PhotoFile, { id: file, run: row.id }) : null;
  if (!found?.sha256) throw notFound('finished photo of this run');
  return { ...found, sha256: found.sha256 };
}
/** All marked photos of a run, each done. @throws a refusal where some are not */
export async function donePhotos(em: EntityManager, brandId: string, id: string) {
  const row = await runRow(em, brandId, id);
  const files = await em.find(PhotoFile, { run: row.id, state: { $ne: 'failed' } }, { orderBy: { position: 'asc' } });
  const open = files.filter(({ state }) => state !== 'done');
  if (open.length > 0 || files.length === 0)
    throw refuse(
      409,
      'not-done',
      `${open.length} of the ${files.length} photos of this run are not done.`,
      'Wait for them, or go on with what was stopped.',
      { retryS: 2 },
    );
  return { row, files: files.flatMap(({ name, sha256 }) => (sha256 ? [{ name, sha256 }] : [])) };
}
