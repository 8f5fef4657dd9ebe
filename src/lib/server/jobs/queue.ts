import { randomUUID } from 'node:crypto';
import PgBoss from 'pg-boss';
import { pool } from '../database/pool';
import { logLine } from '../http/refusals';
import { tellWork } from './presence';

/** Work that is kept in a table: one row is one file to be made. What becomes of it stands in columns that are called alike in every such table. */
export interface KeptWork {
  readonly queue: string;
  readonly table: string;
}
/** Files of packs, and photos under a watermark. */
export const PACK_FILES: KeptWork = { queue: 'handover-file', table: 'handover_file' };
export const PHOTO_FILES: KeptWork = { queue: 'photo-file', table: 'photo_file' };
/** Pictures that are made from words. */
export const PICTURE_ORDERS: KeptWork = { queue: 'picture-order', table: 'picture_order' };
export const KEPT_WORK = [PACK_FILES, PHOTO_FILES, PICTURE_ORDERS] as const;
/** The print desk's inbox; one job is one answer. */
export const DESK_QUEUE = 'print-desk';
/** A file that crashes its worker so often is given up. */
export const MOST_TRIES = 12;
/** A job that was taken and not heard of for so long is somebody else's. */
const LOST_S = Number(process.env['JOB_LOST_S'] ?? 180);

declare global {
  var luckyThistleBoss: Promise<PgBoss> | undefined;
}

async function open(supervises: boolean): Promise<PgBoss> {
  const boss = new PgBoss({
    db: { executeSql: async (text, values) => (await pool().query(text, values)) as { rows: unknown[] } },
    supervise: supervises,
    schedule: false,
    maintenanceIntervalSeconds: 5,
    archiveCompletedAfterSeconds: 3600,
  });
  boss.on('error', (error) => console.error(logLine(error)));
  await oneAtATime(async () => {
    await boss.start();
    for (const { queue: name } of KEPT_WORK)
      await boss.createQueue(name, { name, retryLimit: MOST_TRIES, retryDelay: 0, expireInSeconds: LOST_S });
    await boss.createQueue(DESK_QUEUE, { name: DESK_QUEUE, retryLimit: MOST_TRIES, retryDelay: 1, expireInSeconds: LOST_S });
  });
  return boss;
}

/** Processes that make the queue's tables at the same moment would stop each other: one makes them, the others find them made. */
async function oneAtATime(run: () => Promise<void>): Promise<void> {
  const client = await pool().connect();
  try {
    await client.query('select pg_advisory_lock($1)', [QUEUE_LOCK]);
    await run();
  } finally {
    await client.query('select pg_advisory_unlock($1)', [QUEUE_LOCK]).catch(() => undefined);
    client.release();
  }
}
const QUEUE_LOCK = 7_215_002;

/** The queue as this process speaks to it, opened on first use. @param supervises whether it looks after lost jobs: workers do, web processes never */
export function queue(supervises = false): Promise<PgBoss> {
  globalThis.luckyThistleBoss ??= open(supervises).catch((error: unknown) => {
    globalThis.luckyThistleBoss = undefined;
    throw error;
  });
  return globalThis.luckyThistleBoss;
}

export async function closeQueue(): Promise<void> {
  const opened = globalThis.luckyThistleBoss;
  globalThis.luckyThistleBoss = undefined;
  await (await opened?.catch(() => undefined))?.stop({ graceful: false, wait: false, close: false }).catch(() => undefined);
}

/**
 * Gives files that wait a job each. Whoever is killed in the middle leaves files without one: they are found by `strays`.
 * @param ids of files
 */
export async function sendFiles({ queue: name, table }: KeptWork, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  const boss = await queue();
  const jobs = ids.map((file) => ({ id: randomUUID(), file }));
  await pool().query(
    `update "${table}" as "file" set "job_id" = "job"."id" from unnest($1::uuid[], $2::uuid[]) as "job" ("id", "of")
     where "file"."id" = "job"."of" and "file"."state" in ('waiting', 'making')`,
    [jobs.map(({ id }) => id), jobs.map(({ file }) => file)],
  );
  // In their order; jobs of one moment would come in any.
  await boss.insert(jobs.map(({ id, file }, at) => ({ id, name, data: { file }, priority: -at })));
  await tellWork();
}

/** Files that wait or are said to be in the making, and that no job is left for: their job was lost before it was sent, or given up. */
export async function strays({ queue: name, table }: KeptWork): Promise<readonly string[]> {
  const { rows } = await pool().query<{ id: string }>(
    `select "file"."id" from "${table}" as "file" where "state" in ('waiting', 'making')
     and not exists (select 1 from "pgboss"."job" where "job"."name" = $1 and "job"."id" = "file"."job_id" and "job"."state" < 'completed')`,
    [name],
  );
  return rows.map(({ id }) => id);
}

/** Takes back what was sent and nobody has begun. */
export async function takeBack({ queue: name }: KeptWork, jobs: readonly string[]): Promise<void> {
  if (jobs.length > 0) await (await queue()).cancel(name, [...jobs]);
}
