import { z } from 'zod';
import { contrastRatio } from '../color/contrast';
import { dressingSchema, type Dressing } from '../color/dressings';
import { colorKeySchema, hexSchema, type Palette } from '../color/palette';
import { ownGoodsSchema } from './own-photo/own-goods';
import { PRINT_WAYS, type SceneFacts } from './scene';

/** How large a mark is on goods until somebody says: a share of the largest that fits. */
export const START_GOODS_SIZE = 0.62;

/** How one mark is shown on one kind of goods, where a designer chose something. */
export const shownOnGoodsSchema = z.strictObject({
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
export type ShownOnGoods = z.infer<typeof shownOnGoodsSchema>;

/** Most photos of goods of one's own. */
export const MOST_OWN = 60;

/** What a brand chose for its goods, by mark and scene: `<mark>/<scene>`. */
export const goodsDeskSchema = z.strictObject({
  shown: z.record(z.string().max(120), shownOnGoodsSchema).default({}),
  /** Photos of goods of one's own, by id. */
  own: z
    .record(z.uuid(), ownGoodsSchema)
    .refine((own) => Object.keys(own).length <= MOST_OWN, `A brand holds ${MOST_OWN} photos of goods`)
    .default({}),
});
export type GoodsDesk = z.infer<typeof goodsDeskSchema>;

/** Goods that marks may be shown on, and what was chosen for them. */
export interface GoodsAtHand {
  readonly scenes: readonly SceneFacts[];
  readonly desk: GoodsDesk;
}

/** How a mark is dressed for goods in the color that they begin with. */
export const dressingOnGoods = (palette: Palette, { start }: Pick<SceneFacts, 'start'>): Dressing =>
  contrastRatio(start.color, palette.paper) > contrastRatio(start.color, palette.ink) ? 'reversed' : 'full';

/** What was chosen for a mark on goods. */
export const shownOnGoods = ({ shown }: GoodsDesk, mark: string, scene: string): ShownOnGoods => shown[`${mark}/${scene}`] ?? {};
