import { z } from 'zod';
import { armsSchema, OWN_CHARGE, TINCTURES, type OwnCharge, type Tincture } from '../../../heraldry';
import { FORM_NAMES, formKind, type FormName } from '../../../shapes';
import { paintSchema, type Paint } from '../../drawing/paint';
import { ownPieceSchema } from '../own-piece';
import { MOST_OWN_CHARGES } from './bearings';

export const CONTAINERS = FORM_NAMES.filter(
  (name) => formKind(name).group === 'shield' || ['disk', 'panel', 'arch', 'polygon', 'cartouche'].includes(name),
);
export const TOPS = ['none', 'crown', 'coronet', 'muralCrown', 'helm'] as const;
export const CROSSED = ['none', 'oar', 'sword', 'axe', 'hammer', 'key', 'arrow', 'quill', 'anchor'] as const;
export const SUPPORTERS = ['none', 'wing', 'fish', 'anchor', 'tower', 'tree', 'acanthus'] as const;
export const COMPARTMENTS = ['none', 'wavesBar', 'line', 'leafDivider'] as const;
export const FLOURISHES = ['none', 'laurel', 'oakWreath', 'oliveWreath', 'wheatWreath', 'scrollPair', 'acanthus', 'mantling'] as const;
export const BANNERS = [
  'hangingFoldedRibbon',
  'hangingRibbon',
  'foldedRibbon',
  'ribbon',
  'scroll',
  'archedFoldedRibbon',
  'archedBand',
] as const;

export const SIDES = ['both', 'left', 'right'] as const;
const ownCharge = z.custom<OwnCharge>((value) => typeof value === 'string' && OWN_CHARGE.test(value));

/** What a crest is made of. */
export const crestSchema = z.strictObject({
  /** What stands on the shield. */
  arms: armsSchema.prefault({}),
  /** Pieces of art that are borne on it or stand around it, by what the blazon calls them. */
  own: z.array(ownPieceSchema).max(MOST_OWN_CHARGES).default([]),
  container: z.union([z.enum(CONTAINERS as [FormName, ...FormName[]]), ownCharge]).default('heaterShield'),
  sizePx: z.number().min(40).max(4000).default(360),
  edgePercent: z.number().min(0).max(12).default(3),
  top: z.union([z.enum(TOPS), ownCharge]).default('none'),
  crossed: z.enum(CROSSED).default('none'),
  supporters: z.union([z.enum(SUPPORTERS), ownCharge]).default('none'),
  sides: z.enum(SIDES).default('both'),
  compartment: z.enum(COMPARTMENTS).default('none'),
  flourish: z.enum(FLOURISHES).default('none'),
  /** Empty: the second line of the name that is followed. */
  motto: z.string().max(200).default(''),
  withBanner: z.boolean().default(true),
  banner: z.enum(BANNERS).default('hangingFoldedRibbon'),
  name: z.boolean().default(false),
  /** Engraved in one color instead of painted. */
  hatched: z.boolean().default(false),
  /** Height of the shield where the crest is met smallest, in pixels: the hatching stays open there. */
  smallestPx: z.number().min(24).max(4000).default(120),
  /** White kept between what lies in front and what lies behind, in percent of the shield. */
  separationPercent: z.number().min(0).max(6).default(1.2),
  backing: z.boolean().default(false),
  family: z.string().max(64).default(''),
  inkPaint: paintSchema.default({ role: 'lead' }),
  groundPaint: paintSchema.default({ role: 'paper' }),
  orPaint: paintSchema.default({ role: 'second' }),
  argentPaint: paintSchema.default({ role: 'paper' }),
  azurePaint: paintSchema.default({ role: 'lead' }),
  gulesPaint: paintSchema.default({ role: 'accent' }),
  vertPaint: paintSchema.default({ role: 'lead' }),
  purpurePaint: paintSchema.default({ role: 'accent' }),
  sablePaint: paintSchema.default({ role: 'ink' }),
});
export type Crest = z.infer<typeof crestSchema>;

export const paintsOf = (n: Crest): Readonly<Record<Tincture, Paint>> =>
  Object.fromEntries(TINCTURES.map((tincture) => [tincture, n[`${tincture}Paint`]])) as Record<Tincture, Paint>;
