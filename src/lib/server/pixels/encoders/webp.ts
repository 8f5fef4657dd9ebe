import { signed, type Encoder } from './encoder';

/** Smaller than PNG, for pages on the web; transparent unless a ground is asked for. */
export const webp: Encoder = (pixels, writing) =>
  signed(pixels, writing)
    .webp(writing.exact ? { lossless: true, exact: true } : { quality: 95, alphaQuality: 100, smartSubsample: true })
    .toBuffer();
