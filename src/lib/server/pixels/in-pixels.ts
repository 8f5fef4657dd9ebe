import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { isMainThread } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { PixelWork } from './work';

const BUILT = resolve('build/heavy/pixels.js');
const HEAP_MB = 128;

let thread: Piscina | undefined;

/**
 * Does a piece of work on pixels in a thread that belongs to this one and ends with it. Pixels weigh much and last a moment: whoever holds them has
 * its memory looked through again and again, which takes no time where there is nothing else, and a tenth of a second each time in a thread that
 * knows fonts, marks and the database. From sources, and in no thread of the pool, it is done here.
 * @throws what the work throws
 */
export async function inPixels<N extends keyof PixelWork>(
  name: N,
  input: Parameters<PixelWork[N]>[0],
): Promise<Awaited<ReturnType<PixelWork[N]>>> {
  if (isMainThread || process.env['NODE_ENV'] !== 'production' || !existsSync(BUILT)) {
    const { pixelWork } = await import('./work');
    return (await (pixelWork[name] as (input: Parameters<PixelWork[N]>[0]) => Promise<unknown>)(input)) as Awaited<
      ReturnType<PixelWork[N]>
    >;
  }
  thread ??= new Piscina({
    filename: BUILT,
    minThreads: 0,
    maxThreads: 1,
    concurrentTasksPerWorker: 1,
    // The thread above sleeps between its tasks without looking at the clock: this one rests as long as it does.
    idleTimeout: Infinity,
    resourceLimits: { maxOldGenerationSizeMb: HEAP_MB },
  });
  return (await thread.run({ name, input })) as Awaited<ReturnType<PixelWork[N]>>;
}
