import { z } from 'zod';
import { BLENDS } from './drawing';

const coordinate = z.number().min(-100_000).max(100_000);

/** Where a part stands: its own origin in mark pixels, and its turn in degrees, clockwise on screen. */
export const placeSchema = z.strictObject({
  x: coordinate.default(0),
  y: coordinate.default(0),
  turnDeg: z.number().min(-3600).max(3600).default(0),
});
export type Place = z.infer<typeof placeSchema>;

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
};
