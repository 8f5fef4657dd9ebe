import { z } from 'zod';
import { dressingSchema, type Dressing } from '../color/dressings';
import { colorKeySchema } from '../color/palette';
import { ANCHORS } from '../output/canvas';

/** How much of a stamp is seen, unless the designer says otherwise, in percent (common practice: about 60). */
export const STAMP_OPACITY = 60;
/** How much of a veil is seen, in percent (common practice: 10 to 20). */
export const VEIL_OPACITY = 15;

/** What a watermark's color follows. `auto` is chosen from the picture under it; `full` keeps the mark's own colors. */
export const TONES = ['auto', 'light', 'dark', 'full'] as const;
const toneSchema = z.union([z.enum(TONES), colorKeySchema]);
export type ToneWish = z.infer<typeof toneSchema>;

/** How a stamp is laid over the picture. @source W3C Compositing and Blending Level 1 */
export const STAMP_BLENDS = ['normal', 'multiply', 'screen', 'overlay', 'soft-light'] as const;
/** What sets a stamp off where the picture has its own tone: a thin line or a soft rim of the other tone. */
export const STAMP_EDGES = ['none', 'line', 'halo'] as const;

const percent = (least: number, most: number, start: number) => z.number().min(least).max(most).default(start);
const idSchema = z.string().regex(/^[a-z0-9-]{1,40}$/);

const placeSchema = z.strictObject({
  /** Which corner, side or middle of the picture it sits in, or `free`: then `x` and `y` say where its middle is, as shares of the picture. */
  anchor: z.enum([...ANCHORS, 'free']).default('bottom-right'),
  x: z.number().min(-0.5).max(1.5).default(0.5),
  y: z.number().min(-0.5).max(1.5).default(0.5),
  /** Longer side of its ink, in percent of the picture's shorter side. */
  sizePercent: percent(1, 300, 26),
  /** Clear room to the edges, in percent of the picture's shorter side. */
  marginPercent: percent(0, 40, 5),
  turnDeg: z.number().min(-360).max(360).default(0),
});
export type StampPlacing = z.infer<typeof placeSchema>;

const stampSchema = placeSchema.extend({
  id: idSchema,
  /** The mark that it shows, by its id. */
  mark: z.string().max(64),
  opacityPercent: percent(1, 100, STAMP_OPACITY),
  tone: toneSchema.default('auto'),
  /** The colorway that it stands in, where its tone is `full`. */
  dressing: dressingSchema.default((): Dressing => 'full'),
  blend: z.enum(STAMP_BLENDS).default('normal'),
  edge: z.enum(STAMP_EDGES).default('none'),
});
export type Stamp = z.infer<typeof stampSchema>;

export const VEIL_TONES = ['two', 'light', 'dark'] as const;
/** Most UTF-16 units of the line of a veil. */
export const MOST_LETTERS = 60;
const veilSchema = z.strictObject({
  on: z.boolean().default(false),
  /** The line that is repeated; where it is empty, the mark is. */
  text: z.string().trim().max(MOST_LETTERS).default(''),
  mark: z.string().max(64).default(''),
  /** Width of one repetition, in percent of the picture's shorter side. */
  sizePercent: percent(6, 120, 24),
  /** Room between repetitions, across and down, in percent of one repetition's width. */
  acrossPercent: percent(0, 300, 35),
  downPercent: percent(0, 300, 45),
  angleDeg: z.number().min(-90).max(90).default(-30),
  /** How far every other row is moved along, in percent of a step. */
  offsetPercent: percent(0, 100, 50),
  /** How far repetitions stray from their places, in percent of the room between them. */
  jitterPercent: percent(0, 50, 0),
  opacityPercent: percent(1, 60, VEIL_OPACITY),
  tone: z.enum(VEIL_TONES).default('two'),
  /** Whether repetitions that the edge would cut are left out. */
  whole: z.boolean().default(false),
  /** How much stronger it is over calm places, and weaker over busy ones, in percent. */
  followPercent: percent(0, 100, 0),
});
export type Veil = z.infer<typeof veilSchema>;

/** A place in a picture, as shares of its sides. */
const areaSchema = z.strictObject({
  left: z.number().min(0).max(1),
  top: z.number().min(0).max(1),
  right: z.number().min(0).max(1),
  bottom: z.number().min(0).max(1),
});
export type PhotoArea = z.infer<typeof areaSchema>;

/** What one picture does otherwise than the rest. */
const exceptionSchema = z.strictObject({
  /** Stamps that sit elsewhere on it, by their ids. */
  stamps: z.record(idSchema, placeSchema.partial()).default({}),
  /** Stamps that it goes without. */
  without: z.array(idSchema).max(12).default([]),
  veil: z.boolean().exactOptional(),
  /** How much of the veil is seen on it. */
  veilOpacityPercent: z.number().min(1).max(60).exactOptional(),
  /** The place that the veil spares: a face, a product. */
  spare: areaSchema.exactOptional(),
});
export type PhotoException = z.infer<typeof exceptionSchema>;

export const PHOTO_FORMATS = ['jpeg', 'png', 'webp', 'tiff', 'avif'] as const;
export type PhotoFormat = (typeof PHOTO_FORMATS)[number];
const outputSchema = z.strictObject({
  format: z.enum(PHOTO_FORMATS).default('jpeg'),
  quality: z.number().int().min(30).max(100).default(88),
  /** Longer side in pixels; pictures are never enlarged. Left out, they keep their size. */
  longestPx: z.number().int().min(64).max(20_000).exactOptional(),
  /** What files are called: may hold {name}, {brand}, {number}, {width}, {height}. */
  pattern: z.string().trim().min(1).max(120).default('{name}-{brand}'),
  /** Whether a picture's own color profile stays; else it is converted to sRGB. */
  keepProfile: z.boolean().default(false),
  /** Whether pictures of 16 bits stay so, where the format can (PNG, TIFF). */
  deep: z.boolean().default(false),
  creator: z.string().trim().max(120).default(''),
  copyright: z.string().trim().max(200).default(''),
});
export type PhotoOutput = z.infer<typeof outputSchema>;

/** Everything that a brand does with its photos. */
export const photoDeskSchema = z.strictObject({
  stamps: z.array(stampSchema).max(6).default([]),
  veil: veilSchema.prefault({}),
  /** By photo. */
  exceptions: z.record(z.string().max(64), exceptionSchema).default({}),
  output: outputSchema.prefault({}),
});
export type PhotoDesk = z.infer<typeof photoDeskSchema>;

/** A new stamp of a mark, as it begins. */
export const startStamp = (id: string, mark: string): Stamp => stampSchema.parse({ id, mark });

/** What is laid over one picture: the same for all, with what it does otherwise. */
export interface Watermark {
  readonly stamps: readonly Stamp[];
  readonly veil?: Veil;
  readonly spare?: PhotoArea;
}

/** The stamps and the veil of a picture, its exceptions applied. */
export function watermarkOf(desk: PhotoDesk, photo: string): Watermark {
  const own = desk.exceptions[photo];
  const stamps = desk.stamps
    .filter(({ id }) => !own?.without.includes(id))
    .map((stamp) => ({ ...stamp, ...(own?.stamps[stamp.id] ?? {}) }) as Stamp);
  const veiled = own?.veil ?? desk.veil.on;
  const veil = own?.veilOpacityPercent === undefined ? desk.veil : { ...desk.veil, opacityPercent: own.veilOpacityPercent };
  return { stamps, ...(veiled ? { veil } : {}), ...(own?.spare ? { spare: own.spare } : {}) };
}
