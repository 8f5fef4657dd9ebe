import { centerOf, heightOf, widthOf, type Bounds } from '../geometry';
import { fail, ok, type Result } from '../result/result';

/** Smallest and largest picture width and height, in pixels. */
export const SMALLEST_PICTURE_PX = 16;
export const LARGEST_PICTURE_PX = 12_000;

export interface RasterFrame {
  readonly widthPx: number;
  readonly heightPx: number;
  /** The box to draw, widened so that both sides are whole pixels at one scale. */
  readonly box: Bounds;
}

/** The frame for a picture of a box at a width in whole pixels: the height is rounded up and the box grows evenly above and below to match. */
export function rasterFrame(box: Bounds, widthPx: number): Result<RasterFrame> {
  if (!Number.isInteger(widthPx) || widthPx < SMALLEST_PICTURE_PX || widthPx > LARGEST_PICTURE_PX)
    return fail({
      code: 'width-out-of-range',
      message: `Expected a width from ${SMALLEST_PICTURE_PX} to ${LARGEST_PICTURE_PX.toLocaleString('en')} whole pixels, but received ${widthPx}.`,
      path: ['width'],
    });
  const scale = widthPx / widthOf(box);
  // A hair less than the exact height still counts as whole: 100.0000001 rows are 100 rows.
  const heightPx = Math.max(1, Math.ceil(heightOf(box) * scale - 1e-6));
  if (heightPx > LARGEST_PICTURE_PX)
    return fail({
      code: 'height-out-of-range',
      message: `At ${widthPx} px wide this mark would be ${heightPx.toLocaleString('en')} px high; the limit is ${LARGEST_PICTURE_PX.toLocaleString('en')} px.`,
      fix: `Ask for at most ${Math.floor((LARGEST_PICTURE_PX / heightPx) * widthPx)} px of width.`,
      path: ['width'],
    });
  const center = centerOf(box);
  const halfHeight = heightPx / scale / 2;
  return ok({ widthPx, heightPx, box: { left: box.left, right: box.right, top: center.y - halfHeight, bottom: center.y + halfHeight } });
}
