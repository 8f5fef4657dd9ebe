import { z } from 'zod';
import { dressingSchema } from '../color/dressings';
import { colorKeySchema, hexSchema } from '../color/palette';
import { PRINT_WAYS } from './scene';

/** How one mark is shown on one kind of goods, where a designer chose something. */
const shownSchema = z.strictObject({
  dressing: dressingSchema.exactOptional(),
  /** Color of the goods: a swatch, or any color. */
  tint: z.union([colorKeySchema, hexSchema]).exactOptional(),
  way: z.enum(PRINT_WAYS).exactOptional(),
  /** Print area from 1; 0 is all of them. */
  area: z.number().int().min(0).max(8).exactOptional(),
  x: z.number().min(-0.5).max(1.5).exactOptional(),
  y: z.number().min(-0.5).max(1.5).exactOptional(),
  size: z.number().min(0.02).max(3).exactOptional(),
  turn: z.number().min(-360).max(360).exactOptional(),
});
export type ShownOnGoods = z.infer<typeof shownSchema>;

/** What a brand chose for its goods, by mark and scene: `<mark>/<scene>`. */
export const goodsDeskSchema = z.strictObject({ shown: z.record(z.string().max(120), shownSchema).default({}) });
export type GoodsDesk = z.infer<typeof goodsDeskSchema>;
