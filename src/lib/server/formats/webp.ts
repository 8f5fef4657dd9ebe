import { signedPixels } from './drawn-pixels';
import type { Format } from './format';

/** Smaller than PNG, for pages on the web; transparent unless a ground is asked for. */
export const webp: Format = {
  label: 'WebP, transparent',
  about: 'The ground is left out, not painted.',
  mime: 'image/webp',
  pixels: true,
  clear: true,
  make: async (subject, order) =>
    (await signedPixels(subject, order)).webp({ quality: 95, alphaQuality: 100, smartSubsample: true }).toBuffer(),
};
