import { z } from 'zod';
import { fontChoiceSchema, LONGEST_TEXT } from '../lettering/schema';
import { partIdSchema } from '../part-base';
import type { Referring } from '../part-kind';

/** Longest stored form of a builder's numbers. */
const LONGEST_NUMBERS = 240_000;

/** What a builder hears of the brand: the name as it is set, and its face. */
export const heardSchema = z.strictObject({
  text: z.string().max(LONGEST_TEXT),
  font: fontChoiceSchema,
  /** The words of its second line, where it has one. */
  second: z.string().max(LONGEST_TEXT).optional(),
});
export type Heard = z.infer<typeof heardSchema>;

/**
 * How the members of a group were built: the builder, its own numbers, and what it heard when it last built them. The members are ordinary parts;
 * `slots` says which of them stands for which part of the construction.
 */
export const builtSchema = z.strictObject({
  builder: z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'Expected the name of a builder'),
  numbers: z
    .record(z.string().regex(/^[A-Za-z][A-Za-z0-9]{0,39}$/), z.unknown())
    .default({})
    .refine((numbers) => JSON.stringify(numbers).length <= LONGEST_NUMBERS, 'Expected fewer numbers of a builder'),
  /** The lettering whose words and face it follows, and the mark it belongs to: none is its own. */
  follows: z.strictObject({ mark: z.uuid().nullable(), part: partIdSchema }).nullable().default(null),
  heard: heardSchema,
  slots: z.record(z.string().regex(/^[A-Za-z0-9_-]{1,64}$/), partIdSchema).default({}),
});
export type Built = z.infer<typeof builtSchema>;

/** What is built with every name of another part put through `to`; a slot whose part is let go is empty from then on. */
export function referBuilt(built: Built, to: Referring): Built {
  const part = built.follows?.mark === null ? to(built.follows.part, 'copies') : built.follows?.part;
  return {
    ...built,
    follows: built.follows && part !== undefined ? { ...built.follows, part } : null,
    slots: Object.fromEntries(
      Object.entries(built.slots).flatMap(([slot, id]) => {
        const found = to(id, 'made');
        return found === undefined ? [] : [[slot, found]];
      }),
    ),
  };
}
