import { fewForSpline, splineThrough, type Bounds, type Point } from '../../geometry';
import { MOST_HAND_STROKES, MOST_STROKE_POINTS, type HandStroke } from '../treatments/by-hand';

export { MOST_HAND_STROKES, type HandStroke };

/** Places are kept to a hundredth of a pixel: nobody's hand is finer, and files stay small. */
const short = (value: number): number => Math.min(100_000, Math.max(-100_000, Math.round(value * 100) / 100));
const mapped = (stroke: HandStroke, place: (at: Point) => Point): HandStroke => ({
  ...stroke,
  points: stroke.points.map(([x, y]) => {
    const to = place({ x, y });
    return [short(to.x), short(to.y)];
  }),
});

/** The middle of the box around a stroke's points. */
export function middleOfStroke({ points }: HandStroke): Point {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
}

export const strokeMoved = (stroke: HandStroke, dx: number, dy: number): HandStroke =>
  mapped(stroke, ({ x, y }) => ({ x: x + dx, y: y + dy }));

/** A stroke turned about its middle, clockwise on screen. */
export function strokeTurned(stroke: HandStroke, byDeg: number): HandStroke {
  const { x: cx, y: cy } = middleOfStroke(stroke);
  const [c, s] = [Math.cos((byDeg * Math.PI) / 180), Math.sin((byDeg * Math.PI) / 180)];
  return mapped(stroke, ({ x, y }) => ({ x: cx + (x - cx) * c - (y - cy) * s, y: cy + (x - cx) * s + (y - cy) * c }));
}

/** A stroke so many times as large, as seen from the origin of its plane. */
export const strokeTimes = (stroke: HandStroke, by: number): HandStroke => ({
  ...mapped(stroke, ({ x, y }) => ({ x: x * by, y: y * by })),
  widthPx: Math.min(2000, Math.max(0.5, Number((stroke.widthPx * by).toPrecision(3)))),
});

/** How a stroke is laid down, without where. */
export type StrokeManner = Omit<HandStroke, 'points' | 'pressures'>;

/** A straight stroke across the middle of a box, for who has no pointer: its place, turn and size are numbers. */
export function straightStroke(box: Bounds, manner: StrokeManner): HandStroke {
  const [y, quarter] = [(box.top + box.bottom) / 2, (box.right - box.left) / 4];
  return mapped(
    {
      ...manner,
      points: [
        [box.left + quarter, y],
        [(box.left + box.right) / 2, y],
        [box.right - quarter, y],
      ],
    },
    (at) => at,
  );
}

/**
 * A stroke as a hand drew it, with as few points as keep its way.
 * @param within how far points may be off, in the pixels of what is treated
 * @param pressures as the device tells them, in [0, 1]; those of a mouse are all alike and say nothing
 */
export function drawnStroke(points: readonly Point[], within: number, manner: StrokeManner, pressures: readonly number[] = []): HandStroke {
  const places = fewForSpline(points, within, MOST_STROKE_POINTS);
  const pressed = places.map((at) => Math.min(100, Math.max(1, Math.round((pressures[at] ?? 1) * 100))));
  const told = pressures.length === points.length && new Set(pressures).size > 1;
  const stroke: HandStroke = { ...manner, points: places.map((at) => [points[at]?.x ?? 0, points[at]?.y ?? 0]) };
  return mapped({ ...stroke, ...(told ? { pressures: pressed } : {}) }, (at) => at);
}

/** The way of a stroke, as places on it. @param step so far apart at most, in the pixels of what is treated */
export const strokeWay = ({ points }: HandStroke, step: number): readonly Point[] =>
  splineThrough(
    points.map(([x, y]) => ({ x, y })),
    step,
  );
