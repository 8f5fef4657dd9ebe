import type { Problem } from '$core/index';
import { unitOfWork } from '../database/orm';
import { pool } from '../database/pool';
import { tellMoved } from '../events';
import { asRefusal } from '../http/refusals';
import { PICTURE_ORDERS } from '../jobs/queue';
import { mayPass, settleRow, takeRow } from '../jobs/row';
import type { MakeFile } from '../jobs/worker';
import { addPicture } from '../stores/brand-pictures';
import { pictureService, type Progress, type WordedPicture } from '.';

/** How often it is written down how far a picture is. */
const TELL_MS = 300;

/** A picture that nobody wants any more. */
class Stopped extends Error {}

/** Has one picture made from words, and keeps it with its brand. */
export const makeWordedPicture: MakeFile = async (file, job, worker) => {
  const taken = await takeRow<WordedPicture & { readonly brand: string }>(
    PICTURE_ORDERS,
    '"brand_id" as "brand", "words", "ground", "seed"',
    file,
    job,
    worker,
  );
  if (!taken) return;
  const { brand, ...order } = taken;
  const em = await unitOfWork();
  const news = () => tellMoved(em, { subject: `picture-orders:${brand}`, revision: 0 });
  const settle = async (columns: string, values: readonly unknown[]) => {
    await settleRow(PICTURE_ORDERS, file, job, worker, columns, values);
    await news();
  };
  let told = 0;
  const tell = async ({ done, of }: Progress): Promise<void> => {
    if (Date.now() - told < TELL_MS) return;
    told = Date.now();
    const { rowCount } = await pool().query(
      `update "picture_order" set "done" = $4, "of" = $5 where "id" = $1 and "job_id" = $2 and "state" = 'making' and "worker" = $3`,
      [file, job, worker, Math.round(done), Math.round(of)],
    );
    if (rowCount === 0) throw new Stopped();
    await news();
  };
  const fail = (problems: readonly Problem[]) => settle(`"state" = 'failed', "reason" = $4, "made_at" = now()`, [JSON.stringify(problems)]);
  try {
    const bytes = await pictureService().make(order, tell);
    const kept = await addPicture(em, brand, bytes, order.words, 'mark');
    await settle(`"state" = 'done', "sha256" = $4, "width_px" = $5, "height_px" = $6, "reason" = null, "made_at" = now()`, [
      kept.sha256,
      kept.widthPx,
      kept.heightPx,
    ]);
  } catch (error) {
    if (error instanceof Stopped) return;
    if (mayPass(error)) throw error;
    await fail(asRefusal(error).problems);
  }
};
