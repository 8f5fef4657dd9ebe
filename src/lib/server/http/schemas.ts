import { z } from 'zod';
import { GROUNDS, strokesSchema } from '$core/pictures';
import {
  accepted,
  ANCHORS,
  ART_STYLES,
  colorKeySchema,
  documentForms,
  dressingSchema,
  handoverPlanSchema,
  hexSchema,
  MOST_SOFT,
  ownGoodsSchema,
  LICENSE_NAMES,
  MARK_ROLES,
  paletteForm,
  PDF_COLORS,
  parseRecipe,
  PRINT_WAYS,
  PROCESS_NAMES,
  REVISION_KINDS,
  SMALLEST_PICTURE_PX,
  START_GOODS_SIZE,
  LARGEST_PICTURE_PX,
  recipeChangesSchema,
  type ProcessName,
  type Result,
} from '$core/index';
import { ROLES } from '../guard/who';
import { BRAND_ORDERS } from '../stores/brands';
import type { MarkGesture } from '../stores/mark-gestures';
import { SHELVES } from '../stores/shelves';
import { PICTURE_USES } from '../taken-picture';

/** A line of text that a person reads: trimmed, not empty, no control characters. */
const line = (longest: number) =>
  z
    .string()
    .trim()
    .min(1, 'Expected a few letters')
    .max(longest)
    .refine((text) => !/[\p{Cc}\p{Cs}]/u.test(text), 'Expected text without control characters');

/** Text of any length and number of lines; the database keeps no NUL. */
const text = (longest: number) =>
  z
    .string()
    .trim()
    .max(longest)
    .refine((written) => !/[\0\p{Cs}]/u.test(written), 'Expected text without NUL or broken characters');

/** What a reader of the core accepts, each of its problems an issue. */
const readBy = <T>(read: (input: unknown) => Result<T>) =>
  z.unknown().transform((input, context): T => {
    const parsed = read(input);
    if (parsed.ok) return parsed.value;
    for (const problem of parsed.problems)
      context.addIssue({ code: 'custom', message: problem.message, path: [...(problem.path ?? [])], params: { said: true } });
    return z.NEVER;
  });
const recipe = readBy(parseRecipe);
const palette = readBy((input) => accepted(paletteForm, input));

const personName = line(80);
const email = z.string().trim().toLowerCase().max(200).pipe(z.email('Expected an address such as ada@studio.example'));
export const newPersonSchema = z.strictObject({ name: personName, email, role: z.enum(ROLES) });
export const personChangeSchema = z.strictObject({
  id: z.string(),
  role: z.enum(ROLES).optional(),
  ended: z
    .enum(['yes', 'no'])
    .transform((said) => said === 'yes')
    .optional(),
});
export const personSchema = z.strictObject({ id: z.string() });
export const studioNameSchema = z.strictObject({ name: line(80) });
export const signInSchema = z.strictObject({
  email: z.string().trim().max(200),
  password: z.string().max(1000),
  to: z.string().max(2000).optional(),
});
export const passwordSchema = z.strictObject({ present: z.string().max(1000), next: z.string().max(1000) });

export const paletteSaveSchema = z.strictObject({ base: z.number().int().min(1), colors: palette });
export const newMarkSchema = z.strictObject({ name: line(80), role: z.enum(MARK_ROLES), gesture: line(120).default('Made'), recipe });
/** A brand; `key` makes the request repeatable, `mark` makes its first mark with it, both or neither. */
export const newBrandSchema = z.strictObject({
  name: line(80),
  about: text(400).default(''),
  palette,
  key: z.uuid().optional(),
  mark: newMarkSchema.optional(),
});
const shelf = z.enum(SHELVES);
const position = z.number().int().min(0).max(100_000);
export const markChangeSchema = z.strictObject({
  name: line(80).optional(),
  role: z.enum(MARK_ROLES).optional(),
  shelf: shelf.optional(),
  position: position.optional(),
});
export const brandChangeSchema = z.strictObject({
  name: line(80).optional(),
  about: text(400).optional(),
  shelf: shelf.optional(),
  position: position.optional(),
});
/** A copy of a brand: its name; `key` makes the request repeatable. */
export const brandCopySchema = z.strictObject({ name: line(80), key: z.uuid().optional() });
export const newTrySchema = z.strictObject({ name: line(80), recipe });
export const tryChangeSchema = z.strictObject({ name: line(80).optional(), removed: z.boolean().optional() });
export const fontChangeSchema = z.strictObject({ removed: z.boolean() });
/** Most gestures of one save. */
const MOST_GESTURES = 100;
const gestureWords = { id: z.uuid().toLowerCase(), kind: z.enum(REVISION_KINDS), gesture: line(120) };
const savedFrom = <S extends z.ZodType>(gesture: S) =>
  z.strictObject({ base: z.number().int().min(0), gestures: z.array(gesture).min(1).max(MOST_GESTURES) });

/** Gestures on a mark: what each leads to, whole, or as what has changed since another gesture of this mark. */
export const gesturesSchema = savedFrom(
  z
    .strictObject({
      ...gestureWords,
      recipe: recipe.optional(),
      after: z.uuid().toLowerCase().optional(),
      changes: recipeChangesSchema.optional(),
    })
    .transform(({ recipe: content, after, changes, ...words }, context): MarkGesture => {
      if (content && !after && !changes) return { ...words, content };
      if (!content && after && changes) return { ...words, after, changes };
      const message = 'Expected either “recipe”, or “after” and “changes”.';
      context.addIssue({ code: 'custom', message, path: ['recipe'], params: { said: true } });
      return z.NEVER;
    }),
);
export const documentGesturesSchema = savedFrom(z.strictObject({ ...gestureWords, content: z.unknown() }));
export const paletteGesturesSchema = savedFrom(z.strictObject({ ...gestureWords, content: palette }));

/** A pack to be made: by a plan, or again as the brand is now. */
export const newHandoverSchema = z.union([
  z.strictObject({ id: z.uuid().toLowerCase(), again: z.uuid().toLowerCase() }),
  z.strictObject({ id: z.uuid().toLowerCase(), name: line(80), plan: handoverPlanSchema }),
]);
/** What is to become of a pack; `file` tries one file alone again. */
export const handoverChangeSchema = z.strictObject({ do: z.enum(['stop', 'resume', 'remove', 'restore']), file: z.uuid().optional() });

/** A file of a pack that is sent to the print desk. */
export const printOrderSchema = z.strictObject({
  id: z.uuid().toLowerCase(),
  file: z.uuid().toLowerCase(),
  process: z.enum(PROCESS_NAMES as readonly [ProcessName, ...ProcessName[]]),
  /** How wide it is to be on the goods, in mm; without it, what the file says of itself. */
  widthMm: z.number().min(1).max(10_000).optional(),
});

/** Photos to be marked: which, and what the designer calls the run. */
export const newPhotoRunSchema = z.strictObject({
  id: z.uuid().toLowerCase(),
  name: line(80),
  photos: z.array(z.uuid().toLowerCase()).min(1, 'Expected at least one photo').max(2000),
  desk: readBy((input) => accepted(documentForms.photos, input)),
});
/** What is to become of photos, all at once. */
export const photosChangeSchema = z.strictObject({ photos: z.array(z.uuid().toLowerCase()).min(1).max(2000), removed: z.boolean() });

/** Which gestures are asked about, by their ids. */
export const knownQuerySchema = z.strictObject({
  known: z
    .string()
    .max(4000)
    .transform((list) => list.toLowerCase().split(','))
    .pipe(z.array(z.uuid()).max(MOST_GESTURES))
    .optional(),
});

const number = z.coerce.number();

/** What the studio shows. */
export const studioQuerySchema = z.strictObject({
  text: z.string().max(120).default(''),
  order: z.enum(BRAND_ORDERS).default('arranged'),
  shelf: shelf.default('kept'),
  most: number.int().min(1).max(600).default(12),
});

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
/** What is said of a font that is brought in: under which terms the client has it, and, of a collection, which face. */
export const newFontQuerySchema = z.strictObject({
  rights: z.string().default(''),
  face: number.int().min(0).max(255).optional(),
});
/** Which brand lends a picture. */
export const loanQuerySchema = z.strictObject({ from: z.string().min(1).max(80) });
/** What a photo is called that is brought in. */
export const newPhotoQuerySchema = z.strictObject({ name: z.string().default('') });
/** Which page of a PDF is asked for, from 1. */
export const pageQuerySchema = z.strictObject({ page: z.coerce.number().int().min(1).max(10_000).default(1) });
export const newPictureQuerySchema = z.strictObject({ name: z.string().default(''), for: z.enum(PICTURE_USES).default('board') });

/** What was brushed over a picture whose ground is taken out. */
export const newLinkSchema = z.strictObject({
  name: line(80),
  marks: z.array(z.uuid().toLowerCase()).min(1).max(60),
  tries: z.array(z.uuid().toLowerCase()).max(24).default([]),
  packs: z.array(z.uuid().toLowerCase()).max(24).default([]),
  word: z.string().max(200).default(''),
  /** The last day it is open, in the studio's own time zone. */
  endsAt: z.iso.datetime({ offset: true }).nullable().default(null),
});
export const linkChangeSchema = z.strictObject({ do: z.enum(['end']) });
export const noteChangeSchema = z.strictObject({ answer: z.string().trim().max(4000).optional(), closed: z.boolean().optional() });
/** What a client says; the form of a page that works without scripts. */
const share = z.coerce.number().min(0).max(1);
export const saidSchema = z.object({
  mark: z.uuid().toLowerCase(),
  name: line(80),
  text: z.string().trim().max(4000, 'A note holds 4,000 letters').default(''),
  x: share.optional(),
  y: share.optional(),
  /** The try it is about, where it is not the mark itself. */
  try: z.uuid().toLowerCase().optional(),
});
export const clientFileSchema = z.strictObject({
  dressing: dressingSchema.default('full'),
  width: z.coerce.number().int().min(16).max(6000).optional(),
  download: z.enum(['0', '1']).default('0'),
  from: z
    .string()
    .regex(/^[0-9a-f]{16}$/)
    .optional(),
});
export const newPictureOrderSchema = z.strictObject({
  id: z.uuid().toLowerCase(),
  words: line(300),
  ground: z.enum(GROUNDS).default('plain'),
  seed: z.number().int().min(0).max(1_000_000).default(0),
});
export const pictureOrderChangeSchema = z.strictObject({ do: z.enum(['stop', 'remove']) });
export const cutBodySchema = z.strictObject({ strokes: strokesSchema });
export const softenBodySchema = z.strictObject({ percent: z.number().min(MOST_SOFT.least).max(MOST_SOFT.most) });

/** The query of all picture routes. */
export const fileQuerySchema = z.strictObject({
  dressing: dressingSchema.default('full'),
  padding: number.min(0).max(10_000).default(0),
  /** Clear room around, in percent of the longer side. */
  room: number.min(0).max(100).default(0),
  crop: z.enum(['box', 'round']).default('box'),
  download: z.enum(['0', '1']).default('0'),
  ground: z.union([colorKeySchema, z.literal('clear'), hexSchema]).optional(),
  /** In which colors a PDF is written. */
  colors: z.enum(PDF_COLORS).default('rgb'),
});

/** The query of a mark on goods. */
/** JSON of an address, or a sentence that it is none. */
function readJson(text: string, context: z.RefinementCtx): unknown {
  try {
    return JSON.parse(text);
  } catch {
    context.addIssue({ code: 'custom', message: 'Expected JSON' });
    return z.NEVER;
  }
}
export const goodsQuerySchema = z.strictObject({
  dressing: dressingSchema.default('full'),
  width: number.int().min(120).max(4000).default(640),
  tint: z.union([colorKeySchema, hexSchema]).optional(),
  way: z.enum(PRINT_WAYS).optional(),
  area: number.int().min(0).max(8).default(0),
  x: number.min(-0.5).max(1.5).default(0.5),
  y: number.min(-0.5).max(1.5).default(0.5),
  size: number.min(0.02).max(3).default(START_GOODS_SIZE),
  turn: number.min(-360).max(360).default(0),
  /** Goods on a photo of one's own, as JSON: they are seen before they are saved. */
  own: z.string().max(6000).transform(readJson).pipe(ownGoodsSchema).optional(),
  /** Says which version is meant; a picture of it is kept by the page. */
  v: z.string().max(80).optional(),
  download: z.enum(['0', '1']).default('0'),
});

const side = number.int('Expected whole pixels').min(SMALLEST_PICTURE_PX).max(LARGEST_PICTURE_PX);
const WIDTH_PX = 1200;
/** The query of files of pixels. JPEG cannot be transparent: its ground is the brand's paper unless another color is asked for. */
export const pixelQuerySchema = fileQuerySchema
  .extend({
    width: side.optional(),
    height: side.optional(),
    dpi: number.min(1).max(10_000).optional(),
    widthMm: number.min(0.1).max(100_000).optional(),
    anchor: z.enum(ANCHORS).default('center'),
    /** Upright and level edges on whole pixels. */
    crisp: z.enum(['0', '1']).default('0'),
  })
  .transform((query) => (query.width === undefined && query.height === undefined ? { ...query, width: WIDTH_PX } : query));
