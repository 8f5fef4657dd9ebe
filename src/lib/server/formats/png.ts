import sharp from 'sharp';
import { withDensity, withText } from '$core/index';
import { drawnPixels, signedPixels } from './drawn-pixels';
import type { Format } from './format';
import { indexedPng } from './indexed-png';

/** Above this a palette is not looked for: it takes longer than it saves. */
const PALETTE_PIXELS = 1_500_000;

/** The same pixels with a palette, where they have few enough colors and the file is smaller by it. */
async function withPalette(png: Uint8Array): Promise<Uint8Array> {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const indexed = indexedPng(data, info.width, info.height);
  return indexed && indexed.length < png.length ? indexed : png;
}

/** Pixels kept exactly, transparent where nothing is painted unless a ground is asked for. */
export const png: Format = {
  make: async (subject, order) => {
    if (order.ground) return (await signedPixels(subject, order)).png({ compressionLevel: 3 }).toBuffer();
    const { png: drawn, widthPx, heightPx, rights, dotsPerInch } = await drawnPixels(subject, order);
    const small = widthPx * heightPx <= PALETTE_PIXELS ? await withPalette(drawn) : drawn;
    const signed = withText(small, 'Copyright', rights.join('\n'));
    return dotsPerInch === undefined ? signed : withDensity(signed, dotsPerInch);
  },
};
