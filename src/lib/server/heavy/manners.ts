import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { setImmediate } from 'node:timers/promises';
import { getHeapStatistics, setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';

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
export function giveBack(): void {
  for (const how of [{ type: 'minor' } as const, undefined]) {
    if (beside() < resting + MAY_REST) return;
    collect(how);
  }
  resting = beside();
}

const inAll = process.memoryUsage.rss;
let restingInAll = Infinity;

/**
 * The same for what pictures hold outside of all that this program counts: it shows in the size of the process alone, where the threads beside this
 * one show as well. It is let go of a turn after it was found.
 */
export async function giveAllBack(): Promise<void> {
  restingInAll = Math.min(restingInAll, inAll());
  if (inAll() < restingInAll + MAY_REST) return;
  collect();
  await setImmediate();
  restingInAll = inAll();
}

/** Whoever answers goes first: this thread takes what the processor has left. */
export function goLast(): void {
  try {
    // Priorities belong to threads on Linux; elsewhere all are alike.
    setPriority(Number(readlinkSync('/proc/thread-self').split('/').at(-1)), 10);
  } catch {
    // Not allowed, or not Linux.
  }
}
