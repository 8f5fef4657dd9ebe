import sharp from 'sharp';
import { marked } from './marked';
import { seen } from './seen';
import { written } from './written';

sharp.cache(false);
sharp.concurrency(1);

/** What is done where there is nothing but pixels. */
export const pixelWork = { written, seen, marked } as const;
export type PixelWork = typeof pixelWork;
