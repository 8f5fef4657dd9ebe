import { z } from 'zod';

export const WAY_NAMES = ['two', 'pen', 'tones', 'colors', 'engraved', 'halftone', 'stipple'] as const;
export type WayName = (typeof WAY_NAMES)[number];

/** How a picture is turned into outlines: kept with what was traced, so that every number can be changed later. */
export const tracingSchema = z.strictObject({
  way: z.enum(WAY_NAMES).default('two'),
  /** Lightness at which one tone ends and the next begins, rising; `null` lets them be found. */
  thresholds: z
    .array(z.number().min(0).max(1))
    .min(1)
    .max(5)
    .refine((cuts) => cuts.every((cut, index) => index === 0 || cut > (cuts[index - 1] as number)), 'Expected thresholds that rise')
    .nullable()
    .default(null),
  /** How many tones or colors. */
  count: z.number().int().min(2).max(8).default(3),
  /** What becomes ink. */
  ink: z.enum(['dark', 'light']).default('dark'),
  /** How far what is around a pixel decides about it, against the whole picture. */
  local: z.number().min(0).max(1).default(0.55),
  /** Light balanced first: slow changes across the picture taken away; dark places opened or closed; light ones brightened or calmed. */
  even: z.number().min(0).max(1).default(0),
  shadows: z.number().min(-1).max(1).default(0),
  lights: z.number().min(-1).max(1).default(0),
  /** How much small differences are smoothed away first; edges stay. */
  smooth: z.number().min(0).max(1).default(0.5),
  /** Patches smaller than this join what is around them, in thousandths of the picture's area. */
  specksPermille: z.number().min(0).max(20).default(0.12),
  /** How far outlines may be from the picture, in its pixels at a longer side of 1000. */
  closenessPx: z.number().min(0.3).max(4).default(0.6),
  /** Whether the lightest tone or color is left clear. */
  paper: z.enum(['clear', 'kept']).default('clear'),
  /** Of dots and lines: from one to the next, in thousandths of the longer side. */
  pitchPermille: z.number().min(4).max(80).default(14),
  /** Of rows of dots, and of lines. */
  turnDeg: z.number().min(-90).max(90).default(45),
  seed: z.number().int().min(0).max(9999).default(1),
});
export type Tracing = z.infer<typeof tracingSchema>;
export const START_TRACING: Tracing = tracingSchema.parse({});
