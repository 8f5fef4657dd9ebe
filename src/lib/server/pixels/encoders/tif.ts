import { signed, type Encoder } from './encoder';

/** Pixels kept exactly, with alpha, as printers ask for them. @source TIFF 6.0, "ExtraSamples": the alpha is not multiplied in */
export const tif: Encoder = (pixels, writing) =>
  signed(pixels, writing)
    .tiff({ compression: 'deflate', predictor: 'horizontal', ...density(writing.dpi) })
    .toBuffer();

/** The codec takes pixels per millimetre. */
const density = (dpi: number | undefined) => (dpi === undefined ? {} : { xres: dpi / 25.4, yres: dpi / 25.4 });
