import { z } from 'zod';
import { DIVISIONS, ORDINARIES } from './divisions';
import { OWN_CHARGE, type OwnCharge } from './own-charges';
import { LINE_STYLES } from './partition-lines';
import { ARRANGED } from './slots';
import { TINCTURES } from './tinctures';
import { CHARGE_NAMES } from './vocabulary';

const tincture = z.enum(TINCTURES);
const count = z.number().int().min(1).max(60);

/** A charge that we draw, or one that was brought, by its name. */
const what = z.union([z.enum(CHARGE_NAMES), z.custom<OwnCharge>((value) => typeof value === 'string' && OWN_CHARGE.test(value))]);

/** Charges of one kind. */
const chargesSchema = z.strictObject({ what, count: count.default(1), tincture });

const itemSchema = z.discriminatedUnion('is', [
  z.strictObject({
    is: z.literal('ordinary'),
    ordinary: z.enum(ORDINARIES),
    line: z.enum(LINE_STYLES).default('straight'),
    tincture,
    /** What lies on it. */
    on: chargesSchema.optional(),
    /** What stands to its sides. */
    between: chargesSchema.optional(),
  }),
  z.strictObject({
    is: z.literal('charges'),
    ...chargesSchema.shape,
    arranged: z.enum(ARRANGED).default('center'),
    /** Quarters that bear one each, counted from dexter chief. */
    quarters: z.array(z.number().int().min(1).max(4)).max(4).optional(),
  }),
]);
export type ArmsItem = z.infer<typeof itemSchema>;
export type Charges = z.infer<typeof chargesSchema>;

/** What stands on a shield: its field, and what lies upon it in order. */
export const armsSchema = z.strictObject({
  division: z.enum(DIVISIONS).default('plain'),
  line: z.enum(LINE_STYLES).default('straight'),
  pieces: z.number().int().min(2).max(40).default(6),
  first: tincture.default('azure'),
  second: tincture.default('or'),
  items: z.array(itemSchema).max(12).default([]),
});
export type Arms = z.infer<typeof armsSchema>;
