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
import type { PhotoReport } from '../photos/laid-over';
import { isPdf } from '../photos/taken-page';
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
  /** Of a PDF: all its pages that are marked, in their order. */
  readonly pages: readonly string[] | null;
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

/** @throws a refusal where a brand has no room for so many more */
async function mayHold(em: EntityManager, brandId: string, more: number): Promise<void> {
  const count = await em.fork().count(Photo, { brand: brandId, removedAt: null });
  if (count + more > MOST_PHOTOS)
    throw refuse(
      422,
      'too-many-photos',
      `A brand holds ${MOST_PHOTOS} photos and pages; this one has ${count}${more > 1 ? `, and ${more} more would come` : ''}.`,
      'Take some away first.',
    );
}

/** Takes in a photo, or the pages of a PDF; what the brand has already is the same again. */
export async function addPhotos(em: EntityManager, brandId: string, bytes: Uint8Array, name: string): Promise<readonly PhotoView[]> {
  if (isPdf(bytes)) return addPages(em, brandId, bytes, name);
  await mayHold(em, brandId, 1);
  const taken = await heavy('photo', { bytes, name });
  const photo = await addTaken(em, brandId, { ...taken, name, page: 0 });
  await tellMoved(em.fork(), { subject: `photos:${brandId}`, revision: 0 });
  return [photo];
}

/** Pages after which those who look on are told how far it is. */
const TOLD_EVERY = 8;

/** Takes in the pages of a PDF one by one: broken off, it goes on where it was when the file comes again. */
async function addPages(em: EntityManager, brandId: string, bytes: Uint8Array, name: string): Promise<readonly PhotoView[]> {
  const { sha256, sizeBytes, pages } = await heavy('document', { bytes, name });
  const known = await em.fork().find(Photo, { brand: brandId, sha256, removedAt: null });
  const byPage = new Map(known.map((row) => [row.page, viewOf(row)]));
  await mayHold(em, brandId, pages - byPage.size);
  const tell = () => tellMoved(em.fork(), { subject: `photos:${brandId}`, revision: 0 });
  const views: PhotoView[] = [];
  for (let page = 1; page <= pages; page++) {
    const had = byPage.get(page);
    const fresh = async () => {
      const taken = await heavy('documentPage', { sha256, name, number: page });
      return addTaken(em, brandId, { ...taken, sha256, name, page, sizeBytes: Math.ceil(sizeBytes / pages) });
    };
    views.push(had ?? (await fresh()));
    if (page % TOLD_EVERY === 0) await tell();
  }
  await tell();
  return views;
}

async function addTaken(
  em: EntityManager,
  brandId: string,
  taken: Pick<InferEntity<typeof Photo>, 'sha256' | 'preview' | 'name' | 'facts' | 'sizeBytes' | 'toneColumns' | 'toneRows' | 'page'> & {
    readonly tones: Uint8Array;
  },
): Promise<PhotoView> {
  const { sha256, preview, name, facts, sizeBytes, toneColumns, toneRows, page, tones } = taken;
  const known = await em.fork().findOne(Photo, { brand: brandId, sha256, page, removedAt: null });
  if (known) return viewOf(known);
  const fork = em.fork();
  const [last] = await fork.find(Photo, { brand: brandId }, { orderBy: { position: 'desc' }, limit: 1 });
  const row = fork.create(Photo, {
    ...{ id: randomUUID(), brand: brandId, sha256, page, preview, name: name.slice(0, 200), facts, sizeBytes, toneColumns, toneRows },
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
    return viewOf(await em.fork().findOneOrFail(Photo, { brand: brandId, sha256, page, removedAt: null }));
  }
  return viewOf(row);
}

/** Takes photos off the table, or puts them back; runs that show them keep what they made. */
export async function shelvePhotos(em: EntityManager, brandId: string, photos: readonly string[], removed: boolean): Promise<void> {
  const rows = await em.find(Photo, { brand: brandId, id: { $in: [...photos] } });
  if (rows.length < new Set(photos).size) throw notFound('photo of this brand');
  for (const row of rows) {
    // One that was brought in again meanwhile is there already.
    const twin = removed ? null : await em.fork().findOne(Photo, { brand: brandId, sha256: row.sha256, page: row.page, removedAt: null });
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

/** What marked photos are called: after the pattern, in Latin letters, each once; documents stay PDF and keep their size. */
export function photoNames(
  photos: readonly { readonly name: string; readonly widthPx: number; readonly heightPx: number; readonly page?: object | undefined }[],
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
  return photos.map(({ name, widthPx, heightPx, page }, at) => {
    const scale = longestPx === undefined || page ? 1 : Math.min(1, longestPx / Math.max(widthPx, heightPx));
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
    return `${free}.${page ? 'pdf' : ENDINGS[format]}`;
  });
}

type PhotoRow = InferEntity<typeof Photo>;
/** What is marked in one file: a photo, or the pages of one document in their order. */
function together(photos: readonly PhotoRow[]): readonly (readonly [PhotoRow, ...PhotoRow[]])[] {
  const groups = new Map<string, [PhotoRow, ...PhotoRow[]]>();
  for (const photo of photos) {
    const key = photo.page > 0 ? photo.sha256 : photo.id;
    const group = groups.get(key);
    if (group) group.push(photo);
    else groups.set(key, [photo]);
  }
  for (const group of groups.values()) group.sort((one, other) => one.page - other.page);
  return [...groups.values()];
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
    const found = together(wanted.filter((row) => row !== undefined));
    const names = photoNames(
      found.map(([{ name: called, facts }]) => ({ name: called, ...facts })),
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
    const ids = found.map(([row, ...others], position) => {
      const file = randomUUID();
      const pages = row.page > 0 ? [row, ...others].map((page) => page.id) : null;
      tx.create(PhotoFile, {
        ...{ id: file, run: id, photo: row.id, pages, position, name: names[position] as string, tries: 0, state: 'waiting' },
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
      ...{ id: file.id, photo: file.photo.id, pages: file.pages ?? null, name: file.name, state: file.state },
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
