import type { Problem } from '$core/index';
import { pool } from '../database/pool';
import { isDatabaseDown } from '../http/refusals';
import { ProblemError } from '../http/problem-error';
import type { KeptWork } from './queue';

/** Takes a file on; nothing where it was stopped, is done, or belongs to another job by now. @param columns what is read of it */
export async function takeRow<T extends object>(
  { table }: KeptWork,
  columns: string,
  file: string,
  job: string,
  worker: string,
): Promise<T | undefined> {
  const { rows } = await pool().query<T>(
    `update "${table}" set "state" = 'making', "worker" = $3, "tries" = "tries" + 1
     where "id" = $1 and "job_id" = $2 and "state" in ('waiting', 'making') returning ${columns}`,
    [file, job, worker],
  );
  return rows[0];
}

/** Writes down what became of a file, unless it was stopped or taken by somebody else meanwhile. @param columns to be set, their values from $4 on */
export async function settleRow(
  { table }: KeptWork,
  file: string,
  job: string,
  worker: string,
  columns: string,
  values: readonly unknown[],
): Promise<void> {
  await pool().query(`update "${table}" set ${columns} where "id" = $1 and "job_id" = $2 and "state" = 'making' and "worker" = $3`, [
    file,
    job,
    worker,
    ...values,
  ]);
}

/** What cannot be made now and can be made later is no fault of the file. */
export const mayPass = (error: unknown): boolean =>
  isDatabaseDown(error) || (error instanceof ProblemError && [503, 507].includes(error.status));

/** A file that was tried too often is given up, with its reason. */
export async function giveUp({ table }: KeptWork, file: string, job: string): Promise<void> {
  const reason: readonly Problem[] = [
    {
      code: 'given-up',
      message: 'The worker that made it ended several times before it was done.',
      fix: 'Try again; if it stays so, ask for a smaller picture.',
    },
  ];
  await pool().query(
    `update "${table}" set "state" = 'failed', "reason" = $3, "made_at" = now() where "id" = $1 and "job_id" = $2 and "state" in ('waiting', 'making')`,
    [file, job, JSON.stringify(reason)],
  );
}
