import { z } from 'zod';

/** A part as it is stored, of whichever kind. */
const storedPartSchema = z.looseObject({ id: z.string().min(1).max(64) });
const storedRecipeSchema = z.looseObject({ version: z.number().int(), parts: z.array(storedPartSchema) });

/**
 * What tells one stored recipe from the one before it: the order of all parts by their ids, those parts that are new or otherwise, and what
 * belongs to the whole mark. Everything else is as it was.
 */
export const recipeChangesSchema = z.strictObject({
  version: z.number().int(),
  order: z.array(z.string().min(1).max(64)).max(10_000),
  parts: z.array(storedPartSchema),
  whole: z.unknown().optional(),
});
export type RecipeChanges = z.infer<typeof recipeChangesSchema>;

/**
 * The stored recipe that changes lead to; still to be read like any other that somebody sends.
 * @param before a stored recipe
 * @returns `undefined` where these cannot be changes of it: it is of another version, or a part is neither in it nor among them
 */
export function withChanges(before: unknown, { version, order, parts, whole }: RecipeChanges): unknown {
  const stored = storedRecipeSchema.safeParse(before);
  if (!stored.success || stored.data.version !== version) return undefined;
  const byId = new Map([...stored.data.parts, ...parts].map((part) => [part.id, part]));
  const ordered = order.map((id) => byId.get(id));
  if (ordered.includes(undefined)) return undefined;
  return { version, parts: ordered, ...(whole === undefined ? {} : { whole }) };
}
