import { expect, recovered, documentForms, watermarkOf, type Problem } from '$core/index';
import { Brand, Photo, PhotoRun } from '../database/entities';
import { unitOfWork } from '../database/orm';
import { tellMoved } from '../events';
import { picturesOf, standingAt } from '../handover/subjects';
import { heavy } from '../heavy/pool';
import { asRefusal } from '../http/refusals';
import { PHOTO_FILES } from '../jobs/queue';
import { mayPass, settleRow, takeRow } from '../jobs/row';
import type { MakeFile } from '../jobs/worker';
import { rightsOfMarks } from './rights';

/** A photo with more pixels than this is marked alone. */
const LARGE_PIXELS = 40_000_000;

/** Marks one photo of a run, as the brand and the desk stood when it was ordered, opens the file again, and only then says that it is done. */
export const makePhoto: MakeFile = async (file, job, worker, alone) => {
  const taken = await takeRow<{ readonly run: string; readonly photo: string }>(
    PHOTO_FILES,
    '"run_id" as "run", "photo_id" as "photo"',
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
    const photo = await em.findOneOrFail(Photo, { id: taken.photo });
    const brand = await em.findOneOrFail(Brand, { id: run.brand.id });
    const desk = expect(recovered(documentForms.photos, run.desk)).value;
    const standing = await standingAt(em, brand, run.basis);
    const watermark = watermarkOf(desk, photo.id);
    const shown = [...new Set([...watermark.stamps.map(({ mark }) => mark), ...(watermark.veil?.mark ? [watermark.veil.mark] : [])])];
    const ownPictures = new Set<string>();
    for (const mark of shown) for (const sha256 of await picturesOf(em, brand.id, standing, mark)) ownPictures.add(sha256);
    const order = {
      sha256: photo.sha256,
      widthPx: photo.facts.widthPx,
      heightPx: photo.facts.heightPx,
      bits: photo.facts.bits,
      hasProfile: photo.facts.profile !== undefined,
      tones: { columns: photo.toneColumns, rows: photo.toneRows, bytes: new Uint8Array(photo.tones) },
      watermark,
      recipes: standing.recipes,
      palette: standing.palette,
      ownFamilies: standing.ownFamilies,
      ownPictures,
      output: desk.output,
      rights: rightsOfMarks(standing, shown),
    };
    const make = () => heavy('photoMarked', { order });
    const { sha256, sizeBytes, report, wrong } = await (order.widthPx * order.heightPx > LARGE_PIXELS ? alone(make) : make());
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
