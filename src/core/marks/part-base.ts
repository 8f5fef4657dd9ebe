import { z } from 'zod';
import { compose, rotation, scaling, translation, type Affine } from '../geometry';
import { BLENDS } from './drawing/drawing';
import { ONE_COLOR_WISHES } from './one-color/wishes';
import { treatmentsSchema } from './treating/registry';
import { ROUNDING } from '../numeric/tolerances';

const coordinate = z.number().min(-100_000).max(100_000);

/** Where a part stands: its own origin in mark pixels, and its turn in degrees, clockwise on screen. */
export const placeSchema = z.strictObject({
  x: coordinate.default(0),
  y: coordinate.default(0),
  turnDeg: z.number().min(-3600).max(3600).default(0),
  /** How much larger than its own numbers say; flipped parts are mirrored left to right before they are turned. */
  scale: z.number().min(0.001).max(1000).optional(),
  flip: z.boolean().optional(),
});
export type Place = z.infer<typeof placeSchema>;

/** From a part's own coordinates to where it is placed. */
export const placing = ({ x, y, turnDeg, scale = 1, flip = false }: Place): Affine => {
  const moved = compose(translation(x, y), rotation(turnDeg));
  return scale === 1 && !flip ? moved : compose(moved, scaling(flip ? -scale : scale, scale));
};

/** The place that a map without shear stands for: the inverse of `placing`. */
export function placeAt(map: Affine): Place {
  const flip = map.a * map.d - map.b * map.c < 0;
  const scale = Math.hypot(map.a, map.b);
  const turnDeg = (Math.atan2(flip ? -map.b : map.b, flip ? -map.a : map.a) * 180) / Math.PI;
  // Minus zero becomes zero, as it does in storage.
  return {
    x: map.e + 0,
    y: map.f + 0,
    turnDeg: turnDeg + 0,
    ...(Math.abs(scale - 1) < ROUNDING ? {} : { scale }),
    ...(flip ? { flip } : {}),
  };
}

/** Names a part within its recipe. */
export const partIdSchema = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'Expected 1 to 64 letters, digits, - or _');

/** What every part has, whatever its kind. */
export const partBase = {
  id: partIdSchema,
  name: z.string().max(80).optional(),
  place: placeSchema.default({ x: 0, y: 0, turnDeg: 0 }),
  opacity: z.number().min(0).max(1).default(1),
  blend: z.enum(BLENDS).default('normal'),
  hidden: z.boolean().default(false),
  locked: z.boolean().default(false),
  /** On the table drawn as an outline only, to line shapes up; everywhere else as it is. */
  ghost: z.boolean().default(false),
  /** What it becomes where there is one color, when the designer has decided it. */
  oneColor: z.enum(ONE_COLOR_WISHES).optional(),
  /** Reversed, a part that holds light and dark side by side (a portrait) is decided anew, or keeps the shapes it has in ink. */
  reversedAs: z.enum(['same', 'anew']).optional(),
  /** What is done to its picture, in order; others go on seeing it as it is without. */
  treatments: treatmentsSchema.optional(),
};
