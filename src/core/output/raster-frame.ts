import { centerOf, heightOf, widthOf, type Bounds } from '../geometry';
import { fail, ok, type Result } from '../result/result';
import { WHOLE } from '../numeric/tolerances';

/** Smallest and largest picture width and height, in pixels. */
export const SMALLEST_PICTURE_PX = 16;
export const LARGEST_PICTURE_PX = 12_000;

export interface RasterFrame {
  readonly widthPx: number;
  readonly heightPx: number;
  /** The box to draw, widened so that both sides are whole pixels at one scale. */
  readonly box: Bounds;
}

/** How large a picture is to be: by one side, or by both, in which the mark is fitted and centered. */
export interface PictureSize {
  readonly widthPx?: number | undefined;
  readonly heightPx?: number | undefined;
}

const inRange = (side: 'width' | 'height', value: number) =>
  Number.isInteger(value) && value >= SMALLEST_PICTURE_PX && value <= LARGEST_PICTURE_PX
    ? []
    : [
        {
          code: `${side}-out-of-range`,
          message: `Expected a ${side} from ${SMALLEST_PICTURE_PX} to ${LARGEST_PICTURE_PX.toLocaleString('en')} whole pixels, but received ${value}.`,
          path: [side],
        },
      ];

/**
 * The frame for a picture of a box at a size in whole pixels. By one side, the other is rounded up and the box grows evenly to match; by both,
 * the box grows on the sides where there is room.
 */
export function rasterFrame(box: Bounds, { widthPx, heightPx }: PictureSize): Result<RasterFrame> {
  const problems = [
    ...(widthPx === undefined ? [] : inRange('width', widthPx)),
    ...(heightPx === undefined ? [] : inRange('height', heightPx)),
  ];
  if (problems.length > 0) return fail(...problems);
  if (widthPx === undefined && heightPx === undefined)
    return fail({ code: 'no-size', message: 'Expected a width, a height, or both.', path: ['width'] });
  const scale = Math.min(
    widthPx === undefined ? Infinity : widthPx / widthOf(box),
    heightPx === undefined ? Infinity : heightPx / heightOf(box),
  );
  // A hair less than the exact side still counts as whole: 100.0000001 rows are 100 rows.
  const whole = (length: number) => Math.max(1, Math.ceil(length * scale - WHOLE));
  const [wide, high] = [widthPx ?? whole(widthOf(box)), heightPx ?? whole(heightOf(box))];
  if (wide > LARGEST_PICTURE_PX || high > LARGEST_PICTURE_PX) {
    const [given, side, far, other] = heightPx === undefined ? [wide, 'wide', high, 'high'] : [high, 'high', wide, 'wide'];
    return fail({
      code: `${heightPx === undefined ? 'height' : 'width'}-out-of-range`,
      message: `At ${given} px ${side} this mark would be ${far.toLocaleString('en')} px ${other}; the limit is ${LARGEST_PICTURE_PX.toLocaleString('en')} px.`,
      fix: `Ask for at most ${Math.floor((LARGEST_PICTURE_PX / far) * given)} px of ${heightPx === undefined ? 'width' : 'height'}.`,
      path: [heightPx === undefined ? 'width' : 'height'],
    });
  }
  const center = centerOf(box);
  const [halfWidth, halfHeight] = [wide / scale / 2, high / scale / 2];
  return ok({
    widthPx: wide,
    heightPx: high,
    box: { left: center.x - halfWidth, right: center.x + halfWidth, top: center.y - halfHeight, bottom: center.y + halfHeight },
  });
}

/** Air between a mark and the circle that it is cropped to, as a share of the mark's half diagonal (common practice: it nearly fills it). */
export const ROUND_AIR = 0.06;

/** The square whose inscribed circle holds a box, with air all around: the same for the proof and for the file. */
export function roundFrame(box: Bounds): Bounds {
  const { x, y } = centerOf(box);
  const reach = (Math.hypot(widthOf(box), heightOf(box)) / 2) * (1 + ROUND_AIR);
  return { left: x - reach, right: x + reach, top: y - reach, bottom: y + reach };
}
