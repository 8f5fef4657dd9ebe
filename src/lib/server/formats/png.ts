import sharp from 'sharp';
import { withDensity, withText } from '$core/index';
import { drawnPixels, signedPixels } from './drawn-pixels';
import type { Format } from './format';

/** Above this a palette is not looked for: it takes longer than it saves. */
const PALETTE_PIXELS = 1_500_000;
/** A palette holds so many colors. @source W3C PNG (Third Edition), 11.2.2 "PLTE" */
const PALETTE_COLORS = 256;

/** The same pixels with a palette, where they have few enough colors and the file is smaller by it. */
async function withPalette(png: Uint8Array): Promise<Uint8Array> {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const pixels = new Uint32Array(data.buffer, data.byteOffset, data.length / 4);
  const colors = new Set<number>();
  for (const pixel of pixels) if (colors.add(pixel).size > PALETTE_COLORS) return png;
  const small = await sharp(data, { raw: { width: info.width, height: info.height, channels: 4 } })
    .png({ palette: true, colours: PALETTE_COLORS, dither: 0, quality: 100, effort: 7 })
    .toBuffer();
  if (small.length >= png.length) return png;
  const again = await sharp(small).ensureAlpha().raw().toBuffer();
  return Buffer.compare(again, data) === 0 ? small : png;
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
