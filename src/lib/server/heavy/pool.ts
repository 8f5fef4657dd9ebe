import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import pLimit, { type LimitFunction } from 'p-limit';
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
  /** How long a task may wait; after that it is refused. */
  readonly waitS: number;
  /** A task that takes longer is stopped, with its thread. */
  readonly longestS: number;
  readonly heapMb: number;
}
const LANES = {
  /** Pictures of marks on pages: short, and many at once. */
  screens: { threads: 1, waiting: 2000, waitS: 60, longestS: 20, heapMb: 256 },
  /** Files: SVG and PNG up to 12,000 px; one processor is left to whoever answers. */
  files: { threads: Math.max(1, availableParallelism() - 1), waiting: 200, waitS: 240, longestS: 60, heapMb: 256 },
  /** Small pictures of marks on goods, many at once. */
  walls: { threads: 1, waiting: 400, waitS: 120, longestS: 30, heapMb: 256 },
  /** Files of packs, in a process of their own that answers nobody: all processors are theirs. */
  packs: { threads: availableParallelism(), waiting: 200, waitS: 600, longestS: 120, heapMb: 256 },
  /** What comes in from outside: drawings, pictures, fonts. */
  intake: { threads: 1, waiting: 64, waitS: 120, longestS: 30, heapMb: 384 },
} as const satisfies Record<string, Lane>;
export type LaneName = keyof typeof LANES;

const LANE_OF: { readonly [N in TaskName]: LaneName } = {
  drawing: 'intake',
  picture: 'intake',
  cutPicture: 'files',
  softenPicture: 'files',
  font: 'intake',
  brandFile: 'intake',
  photo: 'intake',
  document: 'intake',
  documentPage: 'intake',
  pagePicture: 'files',
  photoMarked: 'packs',
  documentMarked: 'packs',
  file: 'files',
  packed: 'packs',
  packedGoods: 'packs',
  packedSheet: 'packs',
  judged: 'packs',
  fingerprint: 'files',
  measured: 'files',
  pointedAt: 'screens',
  goods: 'walls',
  goodsLarge: 'files',
  screen: 'screens',
  library: 'screens',
};
/** What is said when a task was stopped because it took too long. */
const TOO_LONG: { readonly [N in TaskName]: readonly [what: string, fix: string] } = {
  drawing: ['Reading this drawing', 'Simplify it where it was made: fewer points, no crossing hatching.'],
  picture: ['Reading this picture', 'Send a smaller copy.'],
  cutPicture: ['This picture could not be cut', 'Try a smaller copy of it.'],
  softenPicture: ['This picture could not be blurred', 'Try a smaller copy of it.'],
  font: ['Checking this font', 'Send another file of it.'],
  file: ['Drawing this mark', 'Ask for a smaller picture, or simplify its heaviest parts.'],
  measured: ['Measuring this mark', 'Simplify its heaviest parts.'],
  pointedAt: ['Finding what was pointed at', 'Leave the note without a place.'],
  packedGoods: ['Making this file', 'Ask for a smaller picture, or simplify the heaviest parts of the mark.'],
  packedSheet: ['Making this sheet', 'Choose fewer goods for it, or a smaller size.'],
  packed: ['Making this file', 'Ask for a smaller picture, or simplify the heaviest parts of the mark.'],
  photo: ['Reading this photo', 'Send a smaller copy.'],
  document: ['Reading this PDF', 'Send a smaller copy, or split it.'],
  documentPage: ['Reading a page of this PDF', 'Send a simpler copy, or leave that page out.'],
  pagePicture: ['Showing this page', 'Download the file, and look at it there.'],
  documentMarked: ['Marking this PDF', 'Split it, and mark its parts.'],
  photoMarked: ['Marking this photo', 'Ask for a smaller picture, or simplify the heaviest parts of the mark.'],
  brandFile: ['Reading this brand file', 'Bring it in when the server has less to do.'],
  judged: ['Looking at this file', 'Send a smaller one.'],
  goodsLarge: ['Showing this mark on goods', 'Ask for a smaller picture, or simplify the heaviest parts of the mark.'],
  goods: ['Showing this mark on goods', 'Ask for a smaller picture, or simplify the heaviest parts of the mark.'],
  fingerprint: ['Comparing this mark', 'Simplify its heaviest parts.'],
  screen: ['Drawing this mark', 'Simplify its heaviest parts.'],
  library: ['Drawing the library', 'Open it again.'],
};

/** A thread that rests longer ends: what it gives back is little beside the seconds that whoever comes next waits for a new one. */
const RESTS_MS = 10 * 60_000;

/** The built door; from sources while developing. */
const BUILT = resolve('build/heavy/worker.js');
const SOURCE = resolve('src/lib/server/heavy/worker.ts');

/** The threads of a lane, and whose turn it is: what waits, waits here and not in the threads, so that its time runs from when it begins. */
interface OpenLane {
  readonly pool: Piscina;
  readonly turn: LimitFunction;
}
const open = new Map<LaneName, OpenLane>();
function lane(name: LaneName): OpenLane {
  const kept = open.get(name);
  if (kept) return kept;
  const { threads, heapMb } = LANES[name];
  const built = process.env['NODE_ENV'] === 'production' && existsSync(BUILT);
  const pool = new Piscina({
    filename: built ? BUILT : SOURCE,
    ...(built ? {} : { execArgv: ['--import', 'tsx'] }),
    minThreads: 0,
    concurrentTasksPerWorker: 1,
    maxThreads: threads,
    idleTimeout: RESTS_MS,
    resourceLimits: { maxOldGenerationSizeMb: heapMb },
  });
  // A thread that died is replaced; what it was doing is refused below.
  pool.on('error', (error) => console.error(logLine(error)));
  const fresh = { pool, turn: pLimit(threads) };
  open.set(name, fresh);
  return fresh;
}

export async function closeHeavyWork(): Promise<void> {
  const all = [...open.values()];
  open.clear();
  await Promise.all(all.map(({ pool }) => pool.destroy().catch(() => undefined)));
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
  const { waiting, waitS, longestS } = LANES[laneName];
  const { pool, turn } = lane(laneName);
  if (turn.pendingCount >= waiting) throw BUSY;
  const asked = performance.now();
  return turn(async () => {
    if (performance.now() - asked > waitS * 1000) throw BUSY;
    const stop = AbortSignal.timeout(longestS * 1000);
    try {
      const outcome = (await pool.run({ name, input }, { signal: stop, transferList: handedOver(input) })) as Outcome<TaskOutput<N>>;
      if (!outcome.ok) throw new ProblemError(outcome.status, outcome.problems, outcome.extra);
      return outcome.value;
    } catch (error) {
      if (error instanceof ProblemError) throw error;
      const message = error instanceof Error ? error.message : '';
      const [what, fix] = TOO_LONG[name];
      if (stop.aborted) throw refuse(422, 'too-slow', `${what} took longer than ${longestS} s and was stopped; nothing was changed.`, fix);
      if (/memory|heap/i.test(message) || (error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw refuse(422, 'too-heavy', `${what} needs more memory than the server gives to one task; nothing was changed.`, fix);
      throw error;
    }
  });
}
