import { signed, type Encoder } from './encoder';

/** The smallest files for the web; on a ground, because programs differ in what they make of its alpha. */
export const avif: Encoder = (pixels, writing) =>
  signed(pixels, writing).avif({ quality: 80, chromaSubsampling: '4:4:4', effort: 3 }).toBuffer();
