import { plainPng } from '../rendered';
import { avif } from './avif';
import type { Encoder } from './encoder';
import { jpg } from './jpg';
import { png } from './png';
import { tif } from './tif';
import { webp } from './webp';

export type { Encoder, Writing } from './encoder';

/** The writers of all formats of pixels; plain ones say nothing but their pixels, for files that hold several. */
export const ENCODERS = { png, webp, jpg, avif, tif, plain: plainPng } satisfies Record<string, Encoder>;
export type Encoding = keyof typeof ENCODERS;
