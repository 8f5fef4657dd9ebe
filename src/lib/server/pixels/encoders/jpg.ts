import { signed, type Encoder } from './encoder';

/** For programs that take nothing else; it cannot be transparent. */
export const jpg: Encoder = (pixels, writing) => signed(pixels, writing).jpeg({ quality: 98, chromaSubsampling: '4:4:4' }).toBuffer();
