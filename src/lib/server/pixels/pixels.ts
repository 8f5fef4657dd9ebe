import type { Canvas } from '@napi-rs/canvas';

/** Pixels as they are compared: RGBA, 8 bits, not premultiplied. */
export interface Pixels {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly data: Uint8ClampedArray;
}

/** Pixels of a canvas. */
export const pixelsOf = (canvas: Canvas): Pixels => ({
  widthPx: canvas.width,
  heightPx: canvas.height,
  data: canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data,
});
