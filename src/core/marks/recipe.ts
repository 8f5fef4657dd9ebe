import { z } from 'zod';
import { fail, ok, type Problem, type Result } from '../result/result';
import { problemsOf } from '../result/schema-problems';
import { partKinds, type KnownInput, type KnownPart, type Part } from './registry';

/** The version of recipe this program writes. */
export const RECIPE_VERSION = 1;

/** Most parts in one recipe. */
export const MOST_PARTS = 500;

/** A mark's ordered parts, back to front; the one thing that is stored. */
export interface Recipe {
  readonly version: typeof RECIPE_VERSION;
  readonly parts: readonly Part[];
}

export const EMPTY_RECIPE: Recipe = { version: RECIPE_VERSION, parts: [] };

const envelopeSchema = z.strictObject({
  version: z.number().int().min(1),
  parts: z.array(z.looseObject({ kind: z.string(), id: z.string().min(1).max(64) })).max(MOST_PARTS),
});
type AnySchema = z.ZodObject<{ kind: z.ZodLiteral<string> }>;
const knownSchema = z.discriminatedUnion(
  'kind',
  Object.values(partKinds).map(({ schema }) => schema) as unknown as [AnySchema],
) as unknown as z.ZodType<KnownPart, KnownInput>;

/** NUL and half surrogate pairs, which a database's text cannot hold. */
const UNSTORABLE = /(?<!\\)(?:\\\\)*\\u(?:0000|d[89a-f][0-9a-f]{2})/i;

/**
 * Reads a stored or received recipe. Parts of unknown kinds, or with fields this version does not know, are kept whole as `unknown`.
 * @returns every problem with its path; nothing is repaired silently
 */
export function parseRecipe(input: unknown): Result<Recipe> {
  const envelope = envelopeSchema.safeParse(input);
  if (!envelope.success) return fail(...problemsOf(envelope.error, input));
  if (envelope.data.version > RECIPE_VERSION)
    return fail({
      code: 'newer-version',
      message: `This mark was saved as recipe version ${envelope.data.version}; this program reads versions up to ${RECIPE_VERSION}.`,
      fix: 'Open it with the newer program.',
    });
  if (UNSTORABLE.test(JSON.stringify(input)))
    return fail({
      code: 'unstorable-text',
      message: 'A text in this recipe contains a character that cannot be stored (NUL or half of a pair).',
    });

  const problems: Problem[] = [];
  const seen = new Set<string>();
  const parts = envelope.data.parts.map((raw, index): Part => {
    if (seen.has(raw.id))
      problems.push({
        code: 'id-twice',
        path: ['parts', index, 'id'],
        message: `Two parts are called “${raw.id}”; ids must be unique within a recipe.`,
      });
    seen.add(raw.id);
    const unknown = { kind: 'unknown', id: raw.id, original: raw } as const;
    if (!(raw.kind in partKinds)) return unknown;
    const parsed = knownSchema.safeParse(raw);
    if (parsed.success) return parsed.data;
    if (parsed.error.issues.every((issue) => issue.code === 'unrecognized_keys')) return unknown;
    problems.push(...problemsOf(parsed.error, raw).map((problem) => ({ ...problem, path: ['parts', index, ...(problem.path ?? [])] })));
    return unknown;
  });
  return problems.length > 0 ? fail(...problems) : ok({ version: RECIPE_VERSION, parts });
}

/** The recipe as it is stored and sent: unknown parts exactly as they came. */
export const writeRecipe = (recipe: Recipe): unknown => ({
  version: recipe.version,
  parts: recipe.parts.map((part) => (part.kind === 'unknown' ? part.original : part)),
});

/** Reads one new part, filling in the defaults. */
export function createPart(input: KnownInput): Result<KnownPart> {
  const parsed = knownSchema.safeParse(input);
  return parsed.success ? ok(parsed.data) : fail(...problemsOf(parsed.error, input));
}
