import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { getHeapStatistics, setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import type { Problem } from '$core/index';
import { asRefusal } from '../http/refusals';
import { tasks, type TaskInput, type TaskName } from './tasks';

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as (how?: { readonly type: 'minor' }) => void;
/** Bytes beside the heap that a thread may sit on when it rests. */
const MAY_REST = 32 * 1024 * 1024;
const beside = (): number => getHeapStatistics().external_memory;
let resting = 0;

/**
 * Pixels of a task that is done are given back at once: left to themselves, threads that rest would sit on gigabytes. Looking for them costs
 * a twentieth of a second, which is more than a small drawing takes: only what has grown is looked through, what is young first.
 */
function giveBack(): void {
  for (const how of [{ type: 'minor' } as const, undefined]) {
    if (beside() < resting + MAY_REST) return;
    collect(how);
  }
  resting = beside();
}

/** Whoever answers goes first: this thread takes what the processor has left. */
try {
  // Priorities belong to threads on Linux; elsewhere all are alike.
  setPriority(Number(readlinkSync('/proc/thread-self').split('/').at(-1)), 10);
} catch {
  // Not allowed, or not Linux.
}

/** What a thread answers; errors do not keep their kind on the way. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly status: number;
      readonly problems: readonly Problem[];
      readonly extra: Readonly<Record<string, unknown>>;
    };

/** The door of the thread: does one task. */
export default async function work<N extends TaskName>({
  name,
  input,
}: {
  readonly name: N;
  readonly input: TaskInput<N>;
}): Promise<Outcome<unknown>> {
  try {
    return { ok: true, value: await (tasks[name] as (input: TaskInput<N>) => Promise<unknown>)(input) };
  } catch (error) {
    const { status, problems, extra } = asRefusal(error);
    return { ok: false, status, problems, extra };
  } finally {
    giveBack();
  }
}
