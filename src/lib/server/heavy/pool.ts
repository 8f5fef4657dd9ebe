import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { Piscina } from 'piscina';
import { ProblemError, refuse } from '../http/problem-error';
import { logLine } from '../http/refusals';
import type { TaskInput, TaskName, TaskOutput } from './tasks';
import type { Outcome } from './worker';

/** A lane of threads: what waits in one never waits for the others. */
interface Lane {
  readonly threads: number;
  /** How many tasks may wait; one more is refused. */
  readonly waiting: number;
  /** A task that takes longer is stopped, with its thread. */
  readonly longestS: number;
  readonly heapMb: number;
}
const LANES = {
  /** Pictures of marks on pages: short, and many at once. */
  screens: { threads: 1, waiting: 2000, longestS: 20, heapMb: 256 },
  /** Files: SVG and PNG up to 12,000 px. */
  files: { threads: 2, waiting: 64, longestS: 60, heapMb: 256 },
  /** What comes in from outside: drawings, pictures, fonts. */
  intake: { threads: 1, waiting: 64, longestS: 30, heapMb: 384 },
} as const satisfies Record<string, Lane>;
export type LaneName = keyof typeof LANES;

const LANE_OF: { readonly [N in TaskName]: LaneName } = {
  drawing: 'intake',
  picture: 'intake',
  font: 'intake',
  svg: 'files',
  raster: 'files',
  screen: 'screens',
  library: 'screens',
};
/** What is said when a task was stopped because it took too long. */
const TOO_LONG: { readonly [N in TaskName]: readonly [what: string, fix: string] } = {
  drawing: ['Reading this drawing', 'Simplify it where it was made: fewer points, no crossing hatching.'],
  picture: ['Reading this picture', 'Send a smaller copy.'],
  font: ['Checking this font', 'Send another file of it.'],
  svg: ['Drawing this mark', 'Simplify its heaviest parts.'],
  raster: ['Drawing this mark', 'Ask for a smaller picture, or simplify its heaviest parts.'],
  screen: ['Drawing this mark', 'Simplify its heaviest parts.'],
  library: ['Drawing the library', 'Open it again.'],
};

/** The built door; from sources while developing. */
const BUILT = resolve('build/heavy/worker.js');
const SOURCE = resolve('src/lib/server/heavy/worker.ts');

const open = new Map<LaneName, Piscina>();
function lane(name: LaneName): Piscina {
  const kept = open.get(name);
  if (kept) return kept;
  const { threads, waiting, heapMb } = LANES[name];
  const built = process.env['NODE_ENV'] === 'production' && existsSync(BUILT);
  const fresh = new Piscina({
    filename: built ? BUILT : SOURCE,
    ...(built ? {} : { execArgv: ['--import', 'tsx'] }),
    minThreads: 0,
    // What is asked for too often at once waits here, not in the threads.
    concurrentTasksPerWorker: 1,
    maxThreads: threads,
    maxQueue: waiting,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: heapMb },
  });
  // A thread that died is replaced; what it was doing is refused below.
  fresh.on('error', (error) => console.error(logLine(error)));
  open.set(name, fresh);
  return fresh;
}

export async function closeHeavyWork(): Promise<void> {
  const all = [...open.values()];
  open.clear();
  await Promise.all(all.map((each) => each.destroy().catch(() => undefined)));
}

const BUSY = refuse(
  503,
  'busy',
  'The server has as much of this to do as it takes on; nothing was changed.',
  'Try again in a few seconds.',
  {
    retryS: 5,
  },
);

/** The memory of a file goes over to the thread instead of being copied; whoever asked has no more use for it. */
const handedOver = (input: object): ArrayBuffer[] => {
  const bytes = 'bytes' in input ? input.bytes : undefined;
  return bytes instanceof Uint8Array && bytes.buffer instanceof ArrayBuffer && bytes.byteLength === bytes.buffer.byteLength
    ? [bytes.buffer]
    : [];
};

/** Does a task in a thread of its lane: in turn, within its time and memory, or refused honestly. */
export async function heavy<N extends TaskName>(name: N, input: TaskInput<N>): Promise<TaskOutput<N>> {
  const laneName = LANE_OF[name];
  const { longestS } = LANES[laneName];
  const pool = lane(laneName);
  const stop = new AbortController();
  // Its time runs from when it begins, not from when it was asked for.
  let timer: ReturnType<typeof setTimeout> | undefined;
  const began = performance.now();
  const watch = setInterval(() => {
    if (timer === undefined && pool.queueSize === 0) timer = setTimeout(() => stop.abort(), longestS * 1000);
    else if (performance.now() - began > (longestS + LANES[laneName].waiting) * 1000) stop.abort();
  }, 250);
  try {
    const outcome = (await pool.run({ name, input }, { signal: stop.signal, transferList: handedOver(input) })) as Outcome<TaskOutput<N>>;
    if (!outcome.ok) throw new ProblemError(outcome.status, outcome.problems, outcome.extra);
    return outcome.value;
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    const message = error instanceof Error ? error.message : '';
    if (/Task queue is at limit|No task queue available/i.test(message)) throw BUSY;
    const [what, fix] = TOO_LONG[name];
    if (stop.signal.aborted)
      throw refuse(422, 'too-slow', `${what} took longer than ${longestS} s and was stopped; nothing was changed.`, fix);
    if (/memory|heap/i.test(message) || (error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
      throw refuse(422, 'too-heavy', `${what} needs more memory than the server gives to one task; nothing was changed.`, fix);
    throw error;
  } finally {
    clearInterval(watch);
    clearTimeout(timer);
  }
}

/** How much of each lane is in use. */
export const heavyLoad = (): Readonly<Partial<Record<LaneName, { readonly waiting: number; readonly running: number }>>> =>
  Object.fromEntries([...open].map(([name, pool]) => [name, { waiting: pool.queueSize, running: pool.threads.length }]));
