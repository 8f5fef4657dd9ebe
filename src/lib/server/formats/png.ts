import { withDensity, withText } from '$core/index';
import { drawnPixels, signedPixels } from './drawn-pixels';
import type { Format } from './format';

/** Pixels kept exactly, transparent where nothing is painted unless a ground is asked for. */
export const png: Format = {
  label: 'PNG, transparent',
  about: 'The ground is left out, not painted.',
  mime: 'image/png',
  pixels: true,
  clear: true,
  make: async (subject, order) => {
    if (order.ground) return (await signedPixels(subject, order)).png({ compressionLevel: 3 }).toBuffer();
    const { png: drawn, rights } = await drawnPixels(subject, order);
    const signed = withText(drawn, 'Copyright', rights.join('\n'));
    const { dotsPerInch } = order.size;
    return dotsPerInch === undefined ? signed : withDensity(signed, dotsPerInch);
  },
};
