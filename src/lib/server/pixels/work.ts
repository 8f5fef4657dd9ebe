import sharp from 'sharp';
import { marked } from './marked';
import { seen } from './seen';
import { written } from './written';

sharp.cache(false);
sharp.concurrency(1);

const WORK = { written, seen, marked } as const;
export type PixelWork = typeof WORK;
export type PixelInput<N extends keyof PixelWork> = Parameters<PixelWork[N]>[0];
export type PixelOutput<N extends keyof PixelWork> = Awaited<ReturnType<PixelWork[N]>>;

/** Does one piece of the work that needs nothing but pixels. */
export const pixelWork = async <N extends keyof PixelWork>(name: N, input: PixelInput<N>): Promise<PixelOutput<N>> =>
  (await (WORK[name] as (input: PixelInput<N>) => Promise<unknown>)(input)) as PixelOutput<N>;
