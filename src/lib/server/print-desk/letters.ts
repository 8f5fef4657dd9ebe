import { randomUUID } from 'node:crypto';
import type { InferEntity } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { DeskAnswer, ProcessName } from '$core/index';
import { HandoverFile, PrintOrder } from '../database/entities';
import { unitOfWork } from '../database/orm';
import { pool } from '../database/pool';
import { tellMoved } from '../events';
import { DESK_QUEUE, queue } from '../jobs/queue';
import { heavy } from '../heavy/pool';
import { notFound, refuse } from '../http/problem-error';
import { asRefusal, isDatabaseDown } from '../http/refusals';

/** How the desk behaves with one letter: decided by the letter's own id, so that the same letter is always answered alike. */
export interface Mood {
  /** After how many seconds it answers; nothing if never. */
  readonly afterS: number | undefined;
}
/** When the desk says that it will have answered. */
const PROMISED_S = 15;

/** Of sixteen letters one is lost and one is answered late; the others take a few seconds, as somebody has to look at them. */
export function moodOf(id: string): Mood {
  const last = parseInt(id.at(-1) ?? '0', 16);
  if (last === 15) return { afterS: undefined };
  if (last === 14) return { afterS: PROMISED_S * 2 };
  return { afterS: 1 + (parseInt(id.at(-2) ?? '0', 16) % 4) };
}

/** A letter to the desk, and what came of it. */
export interface PrintOrderView {
  readonly id: string;
  readonly file: string;
  readonly process: ProcessName;
  readonly widthMm: number | null;
  readonly askedAt: string;
  /** When the desk said that it will have answered. */
  readonly dueAt: string;
  readonly answer: DeskAnswer | null;
  readonly answeredAt: string | null;
}

interface Wanted {
  readonly widthMm?: number;
}
type Row = Pick<InferEntity<typeof PrintOrder>, 'id' | 'process' | 'wanted' | 'answer' | 'askedAt' | 'dueAt' | 'answeredAt'> & {
  readonly handoverFile: { readonly id: string };
};
const viewOf = (row: Row): PrintOrderView => ({
  ...{ id: row.id, file: row.handoverFile.id, process: row.process as ProcessName },
  widthMm: (row.wanted as Wanted).widthMm ?? null,
  askedAt: row.askedAt.toISOString(),
  dueAt: (row.dueAt ?? row.askedAt).toISOString(),
  answer: (row.answer as DeskAnswer | null | undefined) ?? null,
  answeredAt: row.answeredAt?.toISOString() ?? null,
});

const MOST_LETTERS = 60;

/** The letters of a brand to the desk, the newest first. */
export async function listPrintOrders(em: EntityManager, brandId: string): Promise<readonly PrintOrderView[]> {
  return (await em.find(PrintOrder, { brand: brandId }, { orderBy: { askedAt: 'desc' }, limit: MOST_LETTERS })).map((row) => viewOf(row));
}

/** Sends a finished file to the desk. The same letter twice is one. */
export async function sendToDesk(
  em: EntityManager,
  brandId: string,
  order: { readonly id: string; readonly file: string; readonly process: ProcessName; readonly widthMm?: number | undefined },
): Promise<PrintOrderView> {
  const file = await em.findOne(HandoverFile, { id: order.file, handover: { brand: brandId } });
  if (!file) throw notFound('file of this brand');
  if (!file.sha256) throw refuse(409, 'not-done', 'This file is not done yet.', 'Send it when it is.', { retryS: 2 });
  const now = new Date();
  await em
    .qb(PrintOrder)
    .insert({
      ...{ id: order.id, brand: brandId, handoverFile: order.file, process: order.process, askedAt: now },
      wanted: { ...(order.widthMm === undefined ? {} : { widthMm: order.widthMm }) },
      answer: null,
      dueAt: new Date(now.getTime() + PROMISED_S * 1000),
      answeredAt: null,
    })
    .onConflict('id')
    .ignore()
    .execute();
  const row = await em.fork().findOne(PrintOrder, { id: order.id, brand: brandId });
  if (!row) throw refuse(422, 'letter-taken', 'This letter’s id was used elsewhere.', 'Give it a new one.');
  const { afterS } = moodOf(order.id);
  if (afterS !== undefined)
    await (
      await queue()
    ).insert([{ id: randomUUID(), name: DESK_QUEUE, data: { order: order.id }, startAfter: `${afterS} seconds`, singletonKey: order.id }]);
  return viewOf(row);
}

/** Answers one letter, as the desk would. @throws what may pass */
export async function answerOrder(id: string): Promise<void> {
  const em = await unitOfWork();
  const row = await em.findOne(PrintOrder, { id, answeredAt: null });
  const file = row && (await em.findOne(HandoverFile, { id: row.handoverFile.id }));
  if (!row || !file?.sha256) return;
  const { widthMm } = row.wanted as Wanted;
  let answer: DeskAnswer;
  try {
    answer = await heavy('judged', {
      sha256: file.sha256,
      order: { process: row.process as ProcessName, format: file.wanted.format, ...(widthMm === undefined ? {} : { widthMm }) },
    });
  } catch (error) {
    if (isDatabaseDown(error)) throw error;
    answer = { accepted: false, reasons: asRefusal(error).problems.map(({ code, message }) => ({ code, message })) };
  }
  await pool().query('update "print_order" set "answer" = $2, "answered_at" = now() where "id" = $1 and "answered_at" is null', [
    id,
    JSON.stringify(answer),
  ]);
  await tellMoved(em, { subject: `desk:${row.brand.id}`, revision: 0 });
}
