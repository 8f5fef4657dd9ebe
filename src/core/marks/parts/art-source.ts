import { z } from 'zod';

/** Where a piece comes from. */
export const artSourceSchema = z.strictObject({
  title: z.string().min(1).max(120),
  /** The collection it is from; nothing for what was brought in. */
  set: z.string().max(80).optional(),
  /** Its name there. */
  name: z.string().max(120).optional(),
  author: z.string().max(200).default(''),
  /** An SPDX name, or `client`, `unknown`. */
  license: z.string().min(1).max(60).default('unknown'),
});
export type ArtSource = z.infer<typeof artSourceSchema>;
