import { z } from 'zod';
import { paintSchema } from '../paint';
import { partBase, partIdSchema } from '../part-base';
import type { PartKind } from '../part-kind';

export const TAKES = ['initial', 'whole'] as const;

export const linkedSchema = z.strictObject({
  ...partBase,
  kind: z.literal('linked'),
  /** The part that is followed, and the mark it belongs to; no part is all of that mark. */
  from: z.strictObject({ mark: z.uuid(), part: partIdSchema.nullable() }),
  /** What is taken: the first letter only, or all of it. */
  take: z.enum(TAKES).default('initial'),
  /** Own size; `null` follows. */
  sizePx: z.number().min(1).max(10_000).nullable().default(null),
  /** Own color; `null` follows. */
  paint: paintSchema.nullable().default(null),
});
export type Linked = z.infer<typeof linkedSchema>;

/** A part of another mark, taken by reference. `derive` puts the followed part in its place, so that it is never drawn itself. */
export const linked: PartKind<typeof linkedSchema> = {
  schema: linkedSchema,
  label: 'Linked part',
  describe: (part) => `linked · ${part.from.part === null ? 'whole mark' : part.take === 'initial' ? 'first letter' : 'whole part'}`,
  draw: () => ({
    nodes: [],
    notices: [{ code: 'link-broken', message: 'The part this one follows is gone.', fix: 'Follow another part, or remove this one.' }],
  }),
};
