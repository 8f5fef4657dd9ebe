import { z } from 'zod';
import {
  ART_STYLES,
  DRESSINGS,
  hexSchema,
  LICENSE_NAMES,
  MARK_ROLES,
  paletteSchema,
  parseRecipe,
  REVISION_KINDS,
  SMALLEST_PICTURE_PX,
  LARGEST_PICTURE_PX,
} from '$core/index';
import { PICTURE_USES } from '../stores/brand-pictures';

/** A line of text that a person reads: trimmed, not empty, no control characters. */
const line = (longest: number) =>
  z
    .string()
    .trim()
    .min(1, 'Expected a few letters')
    .max(longest)
    .refine((text) => !/[\p{Cc}\p{Cs}]/u.test(text), 'Expected text without control characters');

const recipe = z.unknown().transform((input, context) => {
  const parsed = parseRecipe(input);
  if (parsed.ok) return parsed.value;
  for (const problem of parsed.problems) context.addIssue({ code: 'custom', message: problem.message, path: [...(problem.path ?? [])] });
  return z.NEVER;
});

export const newBrandSchema = z.strictObject({ name: line(80), about: z.string().trim().max(400).default(''), palette: paletteSchema });
export const paletteSaveSchema = z.strictObject({ base: z.number().int().min(1), colors: paletteSchema });
export const newMarkSchema = z.strictObject({ name: line(80), role: z.enum(MARK_ROLES), gesture: line(120).default('Made'), recipe });
export const newTrySchema = z.strictObject({ name: line(80), recipe });
export const tryChangeSchema = z.strictObject({ name: line(80).optional(), removed: z.boolean().optional() });
export const fontChangeSchema = z.strictObject({ removed: z.boolean() });
export const gesturesSchema = z.strictObject({
  base: z.number().int().min(1),
  gestures: z
    .array(z.strictObject({ id: z.uuid(), kind: z.enum(REVISION_KINDS), gesture: line(120), recipe }))
    .min(1)
    .max(100),
});

const number = z.coerce.number();

/** The query of an art search. */
export const artQuerySchema = z.strictObject({
  text: z.string().max(120).default(''),
  style: z.enum(ART_STYLES).optional(),
  set: z.string().max(80).optional(),
  colorsTo: number.int().min(1).max(64).optional(),
  weightFrom: number.min(0).max(1000).optional(),
  weightTo: number.min(0).max(1000).optional(),
  limit: number.int().min(1).max(240).default(60),
});
export const artPictureQuerySchema = z.strictObject({ color: hexSchema.default('#22302a' as never) });
/** What is said of a drawing that is brought in. */
export const bringInQuerySchema = z.strictObject({
  title: line(120).default('Drawing'),
  author: z.string().trim().max(200).default(''),
  license: z.enum(LICENSE_NAMES as [string, ...string[]]).default('unknown'),
});

/** What is said of a picture that is brought in. */
export const newPictureQuerySchema = z.strictObject({ name: z.string().default(''), for: z.enum(PICTURE_USES).default('board') });

/** The query of both picture routes. */
export const pictureQuerySchema = z.strictObject({
  dressing: z.enum(DRESSINGS).default('full'),
  padding: number.min(0).max(10_000).default(0),
  download: z.enum(['0', '1']).default('0'),
});

export const pngQuerySchema = pictureQuerySchema.extend({
  width: number.int('Expected whole pixels').min(SMALLEST_PICTURE_PX).max(LARGEST_PICTURE_PX).default(1200),
  dpi: number.min(1).max(10_000).optional(),
  widthMm: number.min(0.1).max(100_000).optional(),
});
