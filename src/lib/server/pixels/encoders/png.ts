import { withDensity, withoutDensity, withText } from '$core/output/png';
import { indexedPng } from '../indexed-png';
import { plainPng, type StraightPixels } from '../rendered';
import { signed, type Encoder } from './encoder';

/** Above this a palette is not looked for: it takes longer than it saves. */
const PALETTE_PIXELS = 1_500_000;

/** The pixels as a PNG, with a palette where they have few enough colors and the file is smaller by it. */
async function smallest(pixels: StraightPixels): Promise<Uint8Array> {
  const plain = await plainPng(pixels);
  const { rgba, widthPx, heightPx } = pixels;
  if (widthPx * heightPx > PALETTE_PIXELS) return plain;
  const indexed = indexedPng(rgba, widthPx, heightPx);
  return indexed && indexed.length < plain.length ? indexed : plain;
}

/** Pixels kept exactly, transparent where nothing is painted unless a ground is asked for. */
export const png: Encoder = async (pixels, writing) => {
  const { ground, dotsPerInch, rights } = writing;
  if (ground) {
    const laid = await signed(pixels, writing).png({ compressionLevel: 3 }).toBuffer();
    return dotsPerInch === undefined ? withoutDensity(laid) : laid;
  }
  const clear = withText(await smallest(pixels), 'Copyright', rights.join('\n'));
  return dotsPerInch === undefined ? clear : withDensity(clear, dotsPerInch);
};
