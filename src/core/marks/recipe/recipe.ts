import { z } from 'zod';
import { fail, ok, type Problem, type Result } from '../../result/result';
import { problemsOf } from '../../result/schema-problems';
import { mended, raised, type Stored, type StoredForm } from '../../stored';
import type { UnknownPart } from '../parts/unknown';
import { bandsIntoTreatments } from './bands-into-treatments';
import { pieceCanvasSchema } from './piece-canvas';
import { lightSchema } from '../treating/light';
import { treatmentsSchema } from '../treating/registry';
import { partKinds, type KnownInput, type KnownPart, type Part } from '../registry';

/**
 * Steps that lead a stored recipe from one version to the next.
 * 1 → 2: paints may name any swatch of the palette; older ones name its five roles, which are swatches too.
 * 2 → 3: parts, letters and the whole mark may have treatments; bands that lie directly at what they go around become treatments of it.
 * 3 → 4: a mark may stand in ink until its color is turned on; older marks stand in color.
 * 4 → 5: a recipe may stand on a canvas, as a piece; lettering may stand in a column; treatments may be looks of the brand.
 */
const RECIPE_FORM: Pick<StoredForm<unknown>, 'label' | 'steps'> = {
  label: 'This mark',
  steps: [(old) => old, bandsIntoTreatments, (old) => old, (old) => old],
};

/** The version of recipe this program writes. */
export const RECIPE_VERSION = 5 as const;

/** Most parts in one recipe. */
export const MOST_PARTS = 500;

/** What belongs to a mark as a whole: what is done to all of its parts together, where their light comes from, and whether it stands in ink. */
const wholeSchema = z.strictObject({
  treatments: treatmentsSchema.default([]),
  light: lightSchema.optional(),
  /** Black first: it is shown in one color, ink, until the designer turns its colors on. */
  inInk: z.boolean().optional(),
  /** A piece: what it stands on, of a fixed size. */
  canvas: pieceCanvasSchema.optional(),
});
export type WholeMark = z.infer<typeof wholeSchema>;

/** A mark's ordered parts, back to front, and what belongs to all of them; the one thing that is stored. */
export interface Recipe {
  readonly version: typeof RECIPE_VERSION;
  readonly parts: readonly Part[];
  readonly whole?: WholeMark | undefined;
}

export const EMPTY_RECIPE: Recipe = { version: RECIPE_VERSION, parts: [] };

const envelopeSchema = z.strictObject({
  parts: z.array(z.looseObject({ kind: z.string(), id: z.string().min(1).max(64) })),
  whole: wholeSchema.optional(),
});
type RawPart = z.infer<typeof envelopeSchema>['parts'][number];
type AnySchema = z.ZodObject<{ kind: z.ZodLiteral<string> }>;
const knownSchema = z.discriminatedUnion(
  'kind',
  Object.values(partKinds).map(({ schema }) => schema) as unknown as [AnySchema],
) as unknown as z.ZodType<KnownPart, KnownInput>;

/** NUL and half surrogate pairs, which a database's text cannot hold. */
const UNSTORABLE = /(?<!\\)(?:\\\\)*\\u(?:0000|d[89a-f][0-9a-f]{2})/i;

/** What a part is stored as whose form was once allowed and is not now: its first form, kept whole under this kind. */
const UNREAD = 'unread';

const asUnknown = (id: string, original: UnknownPart['original']): UnknownPart => ({ kind: 'unknown', id, original });

/** Reads one part as it came. Of an unknown kind, or with fields that this version does not know, it is kept whole. */
function readPart(raw: RawPart, lenient: boolean): Result<Part> {
  const { kind, id } = raw;
  const inner = kind === UNREAD ? raw['original'] : undefined;
  if (inner !== null && typeof inner === 'object') {
    const again = readPart({ ...inner, kind: String((inner as Stored)['kind']), id }, true);
    return again.ok && again.value.kind !== 'unknown' ? again : ok(asUnknown(id, raw));
  }
  if (!(kind in partKinds)) return ok(asUnknown(id, raw));
  const parsed = knownSchema.safeParse(raw);
  if (parsed.success) return ok(parsed.data);
  if (parsed.error.issues.every((issue) => issue.code === 'unrecognized_keys')) return ok(asUnknown(id, raw));
  if (!lenient) return fail(...problemsOf(parsed.error, raw));
  const within = mended(knownSchema, raw, { drop: false });
  return ok(within.ok ? within.value.value : asUnknown(id, { kind: UNREAD, id, original: raw }));
}

function read(input: unknown, lenient: boolean): Result<Recipe> {
  const today = raised(RECIPE_FORM, input);
  if (!today.ok) return today;
  const envelope = envelopeSchema.safeParse(today.value);
  const within = envelope.success || !lenient ? undefined : mended(envelopeSchema, today.value, { drop: false });
  if (!envelope.success && !within?.ok) return fail(...problemsOf(envelope.error, today.value));
  const { parts: raws, whole } = (envelope.success ? envelope.data : within?.ok ? within.value.value : { parts: [] }) as z.infer<
    typeof envelopeSchema
  >;
  if (!lenient && raws.length > MOST_PARTS)
    return fail({
      code: 'too-big',
      path: ['parts'],
      message: `“parts”: expected at most ${MOST_PARTS} entries, but received a list of ${raws.length}.`,
    });
  if (UNSTORABLE.test(JSON.stringify(input)))
    return fail({
      code: 'unstorable-text',
      message: 'A text in this recipe contains a character that cannot be stored (NUL or half of a pair).',
    });

  const problems: Problem[] = [];
  const seen = new Set<string>();
  const parts = raws.flatMap((raw, index): readonly Part[] => {
    if (seen.has(raw.id))
      problems.push({
        code: 'id-twice',
        path: ['parts', index, 'id'],
        message: `Two parts are called “${raw.id}”; ids must be unique within a recipe.`,
      });
    seen.add(raw.id);
    const part = readPart(raw, lenient);
    if (part.ok) return [part.value];
    problems.push(...part.problems.map((problem) => ({ ...problem, path: ['parts', index, ...(problem.path ?? [])] })));
    return [];
  });
  return problems.length > 0 ? fail(...problems) : ok({ version: RECIPE_VERSION, parts, ...(whole ? { whole } : {}) });
}

/**
 * Reads a recipe that somebody wants to save, of any version up to today's.
 * Parts of unknown kinds, or with fields this version does not know, are kept whole as `unknown`.
 * @returns every problem with its path; nothing is repaired silently
 */
export const parseRecipe = (input: unknown): Result<Recipe> => read(input, false);

/**
 * Reads a recipe that was saved once: what lies beyond limits that were tightened since is brought back within them, and a part that cannot be
 * is kept whole, not drawn and written back as it was. A stored mark can always be opened.
 */
export const recoverRecipe = (input: unknown): Result<Recipe> => read(input, true);

/** The recipe as it is stored and sent: unknown parts exactly as they came. */
export const writeRecipe = (recipe: Recipe): unknown => ({
  version: recipe.version,
  parts: recipe.parts.map((part) => (part.kind === 'unknown' ? part.original : part)),
  ...(recipe.whole ? { whole: recipe.whole } : {}),
});

/** Reads one new part, filling in the defaults. */
export function createPart(input: KnownInput): Result<KnownPart> {
  const parsed = knownSchema.safeParse(input);
  return parsed.success ? ok(parsed.data) : fail(...problemsOf(parsed.error, input));
}
