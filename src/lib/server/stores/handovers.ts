import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import {
  canvasFrame,
  dress,
  fileNames,
  formatOf,
  holdsMany,
  marksOf,
  MOST_FILES,
  sizeName,
  strangeWords,
  wantedFiles,
  type HandoverPlan,
  type NameWords,
  type PlannedMark,
  type Problem,
  type WantedFile,
} from '$core/index';
import { Handover, HandoverFile, type FileBasis, type FileState } from '../database/entities';
import { tellMoved } from '../events';
import { goodsAtHand } from '../goods/at-hand';
import { basisNow, fileBasis, standingAt, type Standing } from '../handover/subjects';
import { notFound, refuse } from '../http/problem-error';
import { PACK_FILES, sendFiles, takeBack } from '../jobs/queue';
import type { FileVerdict } from '../verify/verdict';
import type { BrandView } from './brands';
import { listMarks } from './marks';
import { slugOf } from './slug';

/** A file of a pack, as pages show it. */
export interface HandoverFileView {
  readonly id: string;
  readonly name: string;
  readonly wanted: WantedFile;
  readonly state: FileState;
  readonly sizeBytes: number | null;
  readonly verdict: FileVerdict | null;
  readonly reason: readonly Problem[] | null;
  /** Number of its mark's revision. */
  readonly revision: number;
  /** Whether what it shows has changed since. */
  readonly outdated: boolean;
}

/** A pack of files, as pages show it. */
export interface HandoverView {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly createdAt: string;
  readonly by: string;
  readonly palette: number;
  readonly files: readonly HandoverFileView[];
}

/** The kept marks and pieces of a brand, as packs choose among them. */
export async function plannedMarks(em: EntityManager, brandId: string): Promise<readonly PlannedMark[]> {
  const marks = await listMarks(em.fork(), brandId);
  return marks
    .filter(({ shelf }) => shelf === 'kept')
    .map(({ id, name, role, recipe }) => ({ id, name, role, canvas: recipe.whole?.canvas }));
}

/** What names are made of, in Latin letters, for a brand. */
export function nameWords(brand: BrandView, marks: readonly PlannedMark[]): NameWords {
  const byId = new Map(marks.map((mark) => [mark.id, mark]));
  return (file) => {
    const mark = byId.get(file.mark);
    const { width = 0, height = 0 } = file.canvas;
    return {
      brand: slugOf(brand.name) || brand.slug,
      mark: holdsMany(file) ? 'all-marks' : slugOf(mark?.name ?? '') || 'mark',
      role: mark?.role ?? 'mark',
      colorway: slugOf(dress(brand.palette, file.dressing).label) || file.dressing,
      use: slugOf(file.label) || file.kind,
      size: sizeName(file),
      width: width ? String(width) : '',
      height: height ? String(height) : '',
    };
  };
}

/** What stands in the way of a plan, before anything is made. */
function refusePlan(plan: HandoverPlan, files: readonly WantedFile[]): void {
  const strange = strangeWords(plan.pattern);
  if (strange.length > 0)
    throw refuse(
      422,
      'strange-word',
      `The pattern names {${strange[0]}}, which files do not have.`,
      'Use {brand}, {mark}, {role}, {colorway}, {use}, {size}, {width} or {height}.',
    );
  if (files.length === 0)
    throw refuse(422, 'nothing-planned', 'This plan makes no file yet.', 'Choose at least one mark, colorway, format and size in a pack.');
  if (files.length > MOST_FILES)
    throw refuse(
      422,
      'too-many-files',
      `This plan makes ${files.length} files; a pack holds ${MOST_FILES} at most.`,
      'Leave some colorways or sizes out, or make two packs of it.',
    );
  for (const { canvas, format, label } of files) {
    if (!formatOf(format).pixels || canvas.width === undefined || canvas.height === undefined) continue;
    const frame = canvasFrame({ left: 0, top: 0, right: 100, bottom: 100 }, canvas, true);
    const [problem] = frame.ok ? [] : frame.problems;
    if (problem) throw refuse(422, problem.code, `“${label}”: ${problem.message}`, problem.fix);
    if (frame.ok && frame.value.widthPx * frame.value.heightPx > MOST_PIXELS)
      throw refuse(
        422,
        'too-many-pixels',
        `“${label}” has ${Math.round((frame.value.widthPx * frame.value.heightPx) / 1e6)} million pixels; ${MOST_PIXELS / 1e6} million are the most.`,
        'Ask for fewer pixels an inch, or hand the outlines over: an SVG or a PDF is sharp at any size.',
      );
  }
}
/** Most pixels of one file, so that a worker stays under a gigabyte. */
const MOST_PIXELS = 64_000_000;

export interface NewHandover {
  /** Chosen by whoever asks, so that a repeated request is recognized. */
  readonly id: string;
  readonly name: string;
  readonly plan: HandoverPlan;
}

type Row = Pick<HandoverFileView, 'name' | 'wanted'> & { readonly basis: FileBasis };

/** Files that are there already, by what they show and how. */
type Ready = ReadonlyMap<
  string,
  { readonly sha256: string; readonly sizeBytes: number | null; readonly verdict: FileVerdict | null; readonly madeAt: Date | null }
>;
/** The same things in another order are the same. */
const inOrder = (_: string, value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1)))
    : value;
const sameAs = (basis: FileBasis, wanted: WantedFile): string => {
  const { pack: _, kind: __, label: ___, ...shown } = wanted;
  return `${basis.digest} ${JSON.stringify(shown, inOrder)}`;
};

async function addHandover(
  em: EntityManager,
  brand: BrandView,
  { id, name, plan }: NewHandover,
  rows: readonly Row[],
  standing: Standing,
  ready: Ready,
): Promise<void> {
  const waiting = await em.transactional(async (tx) => {
    // Packs of one brand are numbered one after the other, whoever asks.
    await tx.execute('select 1 from "brand" where "id" = ? for update', [brand.id]);
    const known = await tx.findOne(Handover, { id });
    if (known) {
      if (known.brand.id !== brand.id)
        throw refuse(422, 'handover-taken', 'This pack’s id belongs to another brand.', 'Give it a new one.');
      return [];
    }
    const [newest] = await tx.find(Handover, { brand: brand.id }, { orderBy: { number: 'desc' }, limit: 1 });
    const now = new Date();
    tx.create(Handover, {
      ...{ id, name, plan },
      brand: brand.id,
      number: (newest?.number ?? 0) + 1,
      basis: standing.basis,
      createdAt: now,
      removedAt: null,
    });
    await tx.flush();
    const waiting: string[] = [];
    rows.forEach(({ name: path, wanted, basis }, position) => {
      const done = ready.get(sameAs(basis, wanted));
      const file = randomUUID();
      if (!done) waiting.push(file);
      tx.create(HandoverFile, {
        ...{ id: file, handover: id, position, name: path, wanted, basis, tries: 0 },
        ...{ jobId: null, reason: null, worker: null },
        state: done ? 'done' : 'waiting',
        sha256: done?.sha256 ?? null,
        sizeBytes: done?.sizeBytes ?? null,
        verdict: done?.verdict ?? null,
        madeAt: done?.madeAt ?? null,
      });
    });
    await tx.flush();
    await tellMoved(tx, { subject: `handovers:${brand.id}`, revision: 0 });
    return waiting;
  });
  await sendFiles(PACK_FILES, waiting);
}

const namedRows = (
  brand: BrandView,
  marks: readonly PlannedMark[],
  plan: HandoverPlan,
  files: readonly WantedFile[],
  standing: Standing,
): readonly Row[] => {
  const names = fileNames(files, plan.pattern, nameWords(brand, marks), (pack) => pack);
  return files.map((wanted, at) => ({ name: names[at] as string, wanted, basis: fileBasis(standing, marksOf(wanted)) }));
};

/** Orders a pack: its files are made from the revisions of this moment, by whichever worker is free. */
export async function orderHandover(em: EntityManager, brand: BrandView, order: NewHandover): Promise<HandoverView> {
  const marks = await plannedMarks(em, brand.id);
  const files = wantedFiles(order.plan, marks, brand.palette, await goodsAtHand(em.fork(), brand.id));
  refusePlan(order.plan, files);
  const standing = await standingAt(em.fork(), brand, await basisNow(em.fork(), brand));
  await addHandover(em.fork(), brand, order, namedRows(brand, marks, order.plan, files, standing), standing, new Map());
  return handoverView(em.fork(), brand, order.id);
}

/** Orders a pack again as the brand is now: what shows the same stays as it is, the rest is made. */
export async function orderAgain(em: EntityManager, brand: BrandView, from: string, id: string): Promise<HandoverView> {
  const old = await handoverRow(em, brand.id, from);
  const marks = await plannedMarks(em, brand.id);
  const plan = old.plan as HandoverPlan;
  const files = wantedFiles(plan, marks, brand.palette, await goodsAtHand(em.fork(), brand.id));
  refusePlan(plan, files);
  const standing = await standingAt(em.fork(), brand, await basisNow(em.fork(), brand));
  const done = await em.find(HandoverFile, { handover: old.id, state: 'done' });
  const ready: Ready = new Map(
    done.flatMap((file) =>
      file.sha256
        ? [
            [
              sameAs(file.basis, file.wanted),
              {
                ...file,
                sha256: file.sha256,
                sizeBytes: file.sizeBytes ?? null,
                verdict: file.verdict ?? null,
                madeAt: file.madeAt ?? null,
              },
            ] as const,
          ]
        : [],
    ),
  );
  await addHandover(em.fork(), brand, { id, name: old.name, plan }, namedRows(brand, marks, plan, files, standing), standing, ready);
  return handoverView(em.fork(), brand, id);
}

async function handoverRow(em: EntityManager, brandId: string, id: string) {
  const row = /^[0-9a-f-]{36}$/.test(id) ? await em.findOne(Handover, { id, brand: brandId }) : null;
  if (!row) throw notFound('pack of this brand');
  return row;
}

/** Says what a file would show now, so that packs can say what has changed. */
type DigestNow = (wanted: WantedFile) => string;
/** Of brands as they were last looked at: whoever watches a pack being made asks again and again, and revisions never change. */
const digests = new Map<string, DigestNow>();
const DIGESTS_KEPT = 4;
async function digestsNow(em: EntityManager, brand: BrandView): Promise<DigestNow> {
  const basis = await basisNow(em, brand);
  const asked = JSON.stringify([brand.id, basis.palette, basis.marks]);
  const found = digests.get(asked);
  if (found) return found;
  const standing = await standingAt(em, brand, basis);
  const known = new Map<string, string>();
  const fresh: DigestNow = (wanted) => {
    const marks = marksOf(wanted);
    const key = marks.join();
    const digest = known.get(key) ?? fileBasis(standing, marks).digest;
    known.set(key, digest);
    return digest;
  };
  const oldest = digests.keys().next();
  if (digests.size >= DIGESTS_KEPT && !oldest.done) digests.delete(oldest.value);
  digests.set(asked, fresh);
  return fresh;
}

type HandoverRow = Awaited<ReturnType<typeof handoverRow>>;
async function viewOf(em: EntityManager, row: HandoverRow, now: DigestNow): Promise<HandoverView> {
  const files = await em.find(HandoverFile, { handover: row.id }, { orderBy: { position: 'asc' } });
  return {
    ...{ id: row.id, number: row.number, name: row.name },
    createdAt: row.createdAt.toISOString(),
    by: row.madeBy ?? '',
    palette: row.basis.palette,
    files: files.map((file) => ({
      ...{ id: file.id, name: file.name, wanted: file.wanted, state: file.state },
      sizeBytes: file.sizeBytes ?? null,
      verdict: file.verdict ?? null,
      reason: file.reason ?? null,
      revision: file.basis.marks[file.wanted.mark] ?? 0,
      outdated: now(file.wanted) !== file.basis.digest,
    })),
  };
}

export const handoverView = async (em: EntityManager, brand: BrandView, id: string): Promise<HandoverView> =>
  viewOf(em, await handoverRow(em, brand.id, id), await digestsNow(em.fork(), brand));

/** The packs of a brand, the newest first. */
export async function listHandovers(em: EntityManager, brand: BrandView): Promise<readonly HandoverView[]> {
  const rows = await em.find(Handover, { brand: brand.id, removedAt: null }, { orderBy: { number: 'desc' }, limit: MOST_SHOWN });
  if (rows.length === 0) return [];
  const now = await digestsNow(em.fork(), brand);
  const views = [];
  for (const row of rows) views.push(await viewOf(em, row, now));
  return views;
}
const MOST_SHOWN = 20;

/** Stops what has not been made; what is being made in this moment is thrown away. */
export async function stopHandover(em: EntityManager, brandId: string, id: string): Promise<void> {
  const { id: handover } = await handoverRow(em, brandId, id);
  const open = await em.find(HandoverFile, { handover, state: { $in: ['waiting', 'making'] } }, { fields: ['jobId'] });
  await em.fork().nativeUpdate(HandoverFile, { handover, state: { $in: ['waiting', 'making'] } }, { state: 'stopped' });
  await takeBack(
    PACK_FILES,
    open.flatMap(({ jobId }) => jobId ?? []),
  );
  await tellMoved(em, { subject: `handover:${handover}`, revision: 0 });
}

/** Goes on with what was stopped, and tries again what could not be made. @param file one file alone */
export async function resumeHandover(em: EntityManager, brandId: string, id: string, file?: string): Promise<void> {
  const { id: handover } = await handoverRow(em, brandId, id);
  const where = { handover, state: { $in: ['stopped', 'failed'] as FileState[] }, ...(file ? { id: file } : {}) };
  const ids = (await em.find(HandoverFile, where, { fields: ['id'] })).map((each) => each.id);
  await em.fork().nativeUpdate(HandoverFile, where, { state: 'waiting', reason: null, verdict: null, tries: 0 });
  await sendFiles(PACK_FILES, ids);
  await tellMoved(em, { subject: `handover:${handover}`, revision: 0 });
}

/** Takes a pack off the list, or puts it back; nothing of it is thrown away. */
export async function shelveHandover(em: EntityManager, brandId: string, id: string, removed: boolean): Promise<void> {
  const row = await handoverRow(em, brandId, id);
  row.removedAt = removed ? new Date() : null;
  await em.flush();
}

/** One file that is done, by its id. */
export async function doneFile(em: EntityManager, brandId: string, handover: string, file: string) {
  const row = await handoverRow(em, brandId, handover);
  const found = /^[0-9a-f-]{36}$/.test(file) ? await em.findOne(HandoverFile, { id: file, handover: row.id }) : null;
  if (!found?.sha256) throw notFound('finished file of this pack');
  return { ...found, sha256: found.sha256 };
}
