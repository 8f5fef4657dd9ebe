import { z } from 'zod';
import { paletteSchema } from '../color/palette';

/** Most palettes kept beside the one in use. */
export const MOST_KEPT_PALETTES = 12;

const keptPaletteSchema = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9_-]{1,64}$/),
  name: z.string().trim().min(1).max(60),
  palette: paletteSchema,
});
export type KeptPalette = z.infer<typeof keptPaletteSchema>;

/** Palettes kept beside the one in use, to compare and to choose from, in the order in which they were kept. */
export const keptPalettesSchema = z.strictObject({ kept: z.array(keptPaletteSchema).max(MOST_KEPT_PALETTES).default([]) });
export type KeptPalettes = z.infer<typeof keptPalettesSchema>;
