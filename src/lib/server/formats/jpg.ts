import { signedPixels } from './drawn-pixels';
import type { Format } from './format';

/** For programs that take nothing else; it cannot be transparent. */
export const jpg: Format = {
  make: async (subject, order) => (await signedPixels(subject, order)).jpeg({ quality: 98, chromaSubsampling: '4:4:4' }).toBuffer(),
};
