import { expect, recovered, documentForms, watermarkOf, type Problem } from '$core/index';
import { Brand, Photo, PhotoRun } from '../database/entities';
import { unitOfWork } from '../database/orm';
import { tellMoved } from '../events';
import { picturesOf, standingAt } from '../handover/subjects';
import { heavy } from '../heavy/pool';
import { notFound } from '../http/problem-error';
import { asRefusal } from '../http/refusals';
import { PHOTO_FILES } from '../jobs/queue';
import { mayPass, settleRow, takeRow } from '../jobs/row';
import type { MakeFile } from '../jobs/worker';
import { rightsOfMarks } from './rights';

/** A photo with more pixels than this is marked alone. */
const LARGE_PIXELS = 40_000_000;
/** A document with more marked pages, or more bytes, too. */
const LARGE_PAGES = 40;
const LARGE_BYTES = 25 * 1024 * 1024;

/** Marks one photo of a run, as the brand and the desk stood when it was ordered, opens the file again, and only then says that it is done. */
export const makePhoto: MakeFile = async (file, job, worker, alone) => {
  const taken = await takeRow<{ readonly run: string; readonly photo: string; readonly pages: readonly string[] | null }>(
    PHOTO_FILES,
    '"run_id" as "run", "photo_id" as "photo", "pages"',
    file,
    job,
    worker,
  );
  if (!taken) return;
  const em = await unitOfWork();
  const tell = () => tellMoved(em, { subject: `photo-run:${taken.run}`, revision: 0 });
  await tell();
  const settle = async (columns: string, values: readonly unknown[]) => {
    await settleRow(PHOTO_FILES, file, job, worker, columns, values);
    await tell();
  };
  const fail = (problems: readonly Problem[]) => settle(`"state" = 'failed', "reason" = $4, "made_at" = now()`, [JSON.stringify(problems)]);
  try {
    const run = await em.findOneOrFail(PhotoRun, { id: taken.run });
    const brand = await em.findOneOrFail(Brand, { id: run.brand.id });
    const desk = expect(recovered(documentForms.photos, run.desk)).value;
    const standing = await standingAt(em, brand, run.basis);
    const rows = await em.find(Photo, { id: { $in: [...(taken.pages ?? [taken.photo])] } }, { orderBy: { page: 'asc' } });
    const [photo] = rows;
    if (!photo) throw notFound('photo of this brand');
    const marked = rows.map((row) => ({
      number: row.page,
      widthPx: row.facts.widthPx,
      heightPx: row.facts.heightPx,
      tones: { columns: row.toneColumns, rows: row.toneRows, bytes: new Uint8Array(row.tones) },
      watermark: watermarkOf(desk, row.id),
    }));
    const shown = new Set(
      marked.flatMap(({ watermark: { stamps, veil } }) => [...stamps.map(({ mark }) => mark), ...(veil?.mark ? [veil.mark] : [])]),
    );
    const ownPictures = new Set<string>();
    for (const mark of shown) for (const sha256 of await picturesOf(em, brand.id, standing, mark)) ownPictures.add(sha256);
    const { recipes, palette, ownFamilies } = standing;
    const from = { recipes, palette, ownFamilies, ownPictures, output: desk.output, rights: rightsOfMarks(standing, [...shown]) };
    const make = () => {
      const { sha256, facts } = photo;
      if (taken.pages) return heavy('documentMarked', { order: { ...from, sha256, pages: marked } });
      const { number: _, ...only } = marked[0] as (typeof marked)[number];
      return heavy('photoMarked', { order: { ...from, ...only, sha256, bits: facts.bits, hasProfile: facts.profile !== undefined } });
    };
    const isLarge = taken.pages
      ? marked.length > LARGE_PAGES || photo.sizeBytes * (photo.facts.page?.of ?? 1) > LARGE_BYTES
      : photo.facts.widthPx * photo.facts.heightPx > LARGE_PIXELS;
    const { sha256, sizeBytes, report, wrong } = await (isLarge ? alone(make) : make());
    if (sha256 === undefined) {
      await fail([
        {
          code: 'not-verified',
          message: `Opened again, it was not right: ${wrong.join('; ')}.`,
          fix: 'Try again; if it stays so, choose another format.',
        },
      ]);
      return;
    }
    await settle(`"state" = 'done', "sha256" = $4, "size_bytes" = $5, "verdict" = $6, "reason" = null, "made_at" = now()`, [
      sha256,
      sizeBytes,
      JSON.stringify(report),
    ]);
  } catch (error) {
    if (mayPass(error)) throw error;
    await fail(asRefusal(error).problems);
  }
};
