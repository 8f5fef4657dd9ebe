import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { isMainThread } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { refuse } from '../http/problem-error';
import { logLine } from '../http/refusals';
import type { PixelInput, PixelOutput, PixelWork } from './work';

const BUILT = resolve('build/heavy/pixels.js');
const HEAP_MB = 256;

let thread: Piscina | undefined;
function opened(): Piscina {
  const pool = new Piscina({
    filename: BUILT,
    minThreads: 0,
    maxThreads: 1,
    concurrentTasksPerWorker: 1,
    // The thread above sleeps between its tasks without looking at the clock: this one rests as long as it does.
    idleTimeout: Infinity,
    resourceLimits: { maxOldGenerationSizeMb: HEAP_MB },
  });
  // One that died is replaced; what it was doing is refused below.
  pool.on('error', (error) => console.error(logLine(error)));
  return pool;
}

/**
 * Does a piece of work on pixels in a thread that belongs to this one and ends with it. Pixels weigh much and last a moment: whoever holds them has
 * its memory looked through again and again, which takes no time where there is nothing else, and a tenth of a second each time in a thread that
 * knows fonts, marks and the database. From sources, and in no thread of the pool, it is done here.
 * @throws what the work throws
 */
export async function inPixels<N extends keyof PixelWork>(name: N, input: PixelInput<N>): Promise<PixelOutput<N>> {
  if (isMainThread || process.env['NODE_ENV'] !== 'production' || !existsSync(BUILT)) {
    const { pixelWork } = await import('./work');
    return pixelWork(name, input);
  }
  try {
    return (await (thread ??= opened()).run({ name, input })) as PixelOutput<N>;
  } catch (error) {
    if ((error as { code?: string }).code !== 'ERR_WORKER_OUT_OF_MEMORY') throw error;
    const what = 'This picture needs more memory than the server gives to one task; nothing was changed.';
    throw refuse(422, 'too-heavy', what, 'Ask for a smaller picture, or simplify the heaviest parts of the mark.');
  }
}
