import { availableParallelism } from 'node:os';
import pLimit from 'p-limit';
import { pool } from '../database/pool';
import { isDatabaseDown, logLine } from '../http/refusals';
import { gone, Presence, tellWork } from './presence';
import { DESK_QUEUE, KEPT_WORK, MOST_TRIES, queue, sendFiles, strays, type KeptWork } from './queue';
import { giveUp } from './row';

/** How long a worker rests when there is nothing to do and it hears of nothing; and when something went wrong. */
const REST_MS = 2000;
const TROUBLE_MS = 1000;
/** Letters come due by themselves, which nobody tells. */
const LETTERS_MS = 500;
/** How often it looks for work that others left behind. */
const LOOK_MS = 2000;

export interface Worker {
  readonly stop: () => Promise<void>;
}

/** A database that is away comes back, and needs no more than a line. */
const say = (error: unknown) =>
  console.error(isDatabaseDown(error) ? 'The worker cannot reach the database; it tries again.' : logLine(error));

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Runs one large piece of work at a time. */
export type Alone = <T>(run: () => Promise<T>) => Promise<T>;
/**
 * Makes one file of some kept work. @param job the job that it is made for; a file that has another job by now is left to it
 * @throws what may pass: the queue tries again
 */
export type MakeFile = (file: string, job: string, worker: string, alone: Alone) => Promise<void>;

/**
 * Starts to make files that wait, as many at once as there are processors, and one that stands by.
 * @param makers who makes files of which kept work
 * @param desk answers one of the print desk's letters
 */
export function startWorker(makers: readonly (readonly [KeptWork, MakeFile])[], desk: (order: string) => Promise<void>): Worker {
  let stopping = false;
  /** How often it was told of work, and who rests until it is. */
  let told = 0;
  const resting = new Set<() => void>();
  const presence = new Presence(() => {
    told++;
    for (const wake of resting) wake();
  });
  const rest = (ms: number) =>
    new Promise<void>((resolve) => {
      const wake = () => {
        clearTimeout(timer);
        resting.delete(wake);
        resolve();
      };
      const timer = setTimeout(wake, ms);
      resting.add(wake);
    });
  const worker = String(presence.key);
  /** Large files are made alone, so that a worker stays under a gigabyte. */
  const large = pLimit(1);

  /** Jobs that are being done here in this moment. */
  const busy = new Set<string>();

  /** Takes one job and does it. @returns whether there was one */
  async function once(
    name: string,
    run: (data: { file?: string; order?: string }, job: string, retry: number) => Promise<void>,
  ): Promise<boolean> {
    const boss = await queue(true);
    const [job] = await boss.fetch<{ file?: string; order?: string }>(name, { includeMetadata: true });
    if (!job) return false;
    busy.add(job.id);
    try {
      await run(job.data, job.id, job.retryCount);
      await boss.complete(name, job.id);
    } catch (error) {
      say(error);
      await boss.fail(name, job.id, { message: 'may pass' });
      await sleep(TROUBLE_MS);
    } finally {
      busy.delete(job.id);
    }
    return true;
  }

  /** A file of any kept work, whichever waits. */
  async function files(): Promise<boolean> {
    for (const [work, make] of makers) {
      const done = await once(work.queue, async ({ file = '' }, job, retry) => {
        if (retry >= MOST_TRIES) return giveUp(work, file, job);
        return make(file, job, worker, large);
      });
      if (done) return true;
    }
    return false;
  }
  const letters = () => once(DESK_QUEUE, async ({ order = '' }) => desk(order));

  async function goOn(work: () => Promise<boolean>, restMs: number): Promise<void> {
    while (!stopping) {
      try {
        const before = told;
        // Told of work while it looked, it looks again.
        if (!(await work()) && told === before) await rest(restMs);
      } catch (error) {
        say(error);
        await sleep(TROUBLE_MS);
      }
    }
  }

  /**
   * Files of workers that are gone, and those whose end this one could not write down, go back to the queue at once; files that have no job get one.
   */
  async function lookAfter(): Promise<boolean> {
    const boss = await queue(true);
    for (const work of KEPT_WORK) {
      const { rows } = await pool().query<{ job: string; worker: string }>(
        `select "job_id" as "job", "worker" from "${work.table}" where "state" = 'making' and "job_id" is not null`,
      );
      const dead = new Set(await gone([...new Set(rows.map((row) => Number(row.worker)).filter((key) => key !== presence.key))]));
      const left = rows.filter((row) => (row.worker === worker ? !busy.has(row.job) : dead.has(Number(row.worker)))).map(({ job }) => job);
      // A job that was taken, and whose worker ended before it could say so.
      const { rows: unsaid } = await pool().query<{ job: string }>(
        `select "job"."id" as "job" from "pgboss"."job" join "${work.table}" as "file" on "file"."job_id" = "job"."id"
         where "job"."name" = $1 and "job"."state" = 'active' and "file"."state" = 'waiting' and "job"."started_on" < now() - interval '10 seconds'`,
        [work.queue],
      );
      const lost = [...left, ...unsaid.map(({ job: id }) => id)];
      for (const job of lost) await boss.fail(work.queue, job, { message: 'its worker is gone' });
      if (lost.length > 0) await tellWork();
      await sendFiles(work, await strays(work));
    }
    return false;
  }

  const lanes = presence.hold().then(() =>
    Promise.all([
      // One more than there are processors, so that none of them rests while a file is fetched or written down.
      ...Array.from({ length: availableParallelism() + 1 }, () => goOn(files, REST_MS)),
      goOn(letters, LETTERS_MS),
      goOn(lookAfter, LOOK_MS),
    ]),
  );
  return {
    stop: async () => {
      stopping = true;
      for (const wake of resting) wake();
      await Promise.race([lanes, sleep(10_000)]);
      await presence.close();
    },
  };
}
