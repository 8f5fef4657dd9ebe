import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import type { Problem } from '$core/index';
import { asRefusal } from '../http/refusals';
import { tasks, type TaskInput, type TaskName } from './tasks';

/** Pixels of a task that is done are given back at once: left to themselves, threads that rest would sit on gigabytes. */
setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;
const HOLDS_PIXELS: ReadonlySet<TaskName> = new Set(['picture', 'cutPicture', 'file', 'packed']);

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
    if (HOLDS_PIXELS.has(name)) collect();
  }
}
