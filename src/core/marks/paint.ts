import { z } from 'zod';
import type { Dress } from '../color/dressing';
import type { Hex } from '../color/hex';
import { hexSchema, ROLES } from '../color/palette';

/** What a part is painted with: a palette role, or a loose color where the designer insists. */
export const paintSchema = z.union([z.strictObject({ role: z.enum(ROLES) }), z.strictObject({ hex: hexSchema })]);
export type Paint = z.infer<typeof paintSchema>;

/** The color a paint shows in a dressing. */
export const colorOf = (paint: Paint, dress: Dress): Hex => ('role' in paint ? dress.colors[paint.role] : (dress.loose ?? paint.hex));
