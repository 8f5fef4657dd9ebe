import { signedPixels } from './drawn-pixels';
import type { Format } from './format';

/** The smallest files for the web; on a ground, because programs differ in what they make of its alpha. */
export const avif: Format = {
  make: async (subject, order) =>
    (await signedPixels(subject, order)).avif({ quality: 80, chromaSubsampling: '4:4:4', effort: 3 }).toBuffer(),
};
