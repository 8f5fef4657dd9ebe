import { signedPixels } from './drawn-pixels';
import type { Format } from './format';

/** Smaller than PNG, for pages on the web; transparent unless a ground is asked for. */
export const webp: Format = {
  make: async (subject, order) =>
    (await signedPixels(subject, order))
      .webp(order.exact ? { lossless: true, exact: true } : { quality: 95, alphaQuality: 100, smartSubsample: true })
      .toBuffer(),
};
