import { signedPixels } from './drawn-pixels';
import type { Format } from './format';

/** Pixels kept exactly, with alpha, as printers ask for them. @source TIFF 6.0, "ExtraSamples": the alpha is not multiplied in */
export const tif: Format = {
  make: async (subject, order) =>
    (await signedPixels(subject, order)).tiff({ compression: 'deflate', predictor: 'horizontal', ...density(order.canvas.dpi) }).toBuffer(),
};

/** The codec takes pixels per millimetre. */
const density = (dpi: number | undefined) => (dpi === undefined ? {} : { xres: dpi / 25.4, yres: dpi / 25.4 });
