import { z } from 'zod';

/** Ways of making a mark, with the thinnest stroke and the tightest gap that hold, in mm (common practice; every maker has figures of their own). */
export const MAKINGS = {
  print: { label: 'offset print', stroke: 0.1, gap: 0.1 },
  screen: { label: 'screen print', stroke: 0.35, gap: 0.35 },
  stamp: { label: 'rubber stamp', stroke: 0.3, gap: 0.4 },
  engraving: { label: 'engraving', stroke: 0.2, gap: 0.2 },
  vinyl: { label: 'vinyl cut', stroke: 0.8, gap: 1 },
  embroidery: { label: 'embroidery', stroke: 1, gap: 1 },
} as const;
export type Making = keyof typeof MAKINGS;
export const MAKING_NAMES = Object.keys(MAKINGS) as readonly Making[];

const mm = z.number().min(0.01).max(20);
/** The limits of a brand's own makers, where they differ. */
export const makingLimitsSchema = z.strictObject({
  makers: z.partialRecord(z.enum(MAKING_NAMES as readonly [Making, ...Making[]]), z.strictObject({ stroke: mm, gap: mm })).default({}),
});
export type MakingLimits = z.infer<typeof makingLimitsSchema>;

export const limitsOf = (making: Making, own: MakingLimits): { readonly stroke: number; readonly gap: number } =>
  own.makers[making] ?? MAKINGS[making];
