import { z } from 'zod';
import { HYPHEN_LANGUAGES, KERNINGS, LETTER_CASES } from '../../type';
import { paintSchema } from '../drawing/paint';
import { partBase, partIdSchema } from '../part-base';
import { treatmentsSchema } from '../treating/registry';

/** Longest text of one lettering part, in UTF-16 units. */
export const LONGEST_TEXT = 2000;

/** Smallest and largest size of lettering, in mark pixels. */
export const SIZE_LIMITS = { min: 1, max: 10_000 } as const;

const permille = z.number().min(-10_000).max(10_000);
const percent = (min: number, max: number) => z.number().min(min).max(max);
const angleDeg = z.number().min(-3600).max(3600);
const lengthPx = z.number().min(0.1).max(100_000);

const axisValues = z.record(z.string().regex(/^[ -~]{4}$/, 'Expected an axis tag of four characters'), z.number().min(-10_000).max(10_000));
const featureValues = z.record(
  z.string().regex(/^[ -~]{4}$/, 'Expected a feature tag of four characters'),
  z.number().int().min(0).max(999),
);

export const fontChoiceSchema = z.strictObject({
  family: z.string().regex(/^[a-z0-9-]{1,64}$/, 'Expected a font family id'),
  style: z.enum(['normal', 'italic']).default('normal'),
  axes: axisValues.default({}),
});

/** A typed letter by where it stands and what it is: when another letter has taken its place, what belongs to it waits. */
export const letterAnchorSchema = z.strictObject({ index: z.number().int().min(0).max(LONGEST_TEXT), letter: z.string().min(1).max(64) });
export type LetterAnchor = z.infer<typeof letterAnchorSchema>;

export const FLIPS = ['none', 'across', 'down', 'both'] as const;

/** What one letter, or every such letter, has of its own. Fields that are left out follow the line. */
export const letterLookSchema = z.strictObject({
  at: z.union([letterAnchorSchema, z.strictObject({ every: z.string().min(1).max(64) })]),
  font: fontChoiceSchema.optional(),
  sizePercent: percent(5, 1000).optional(),
  /** Up, in 1/1000 em. */
  risePermille: permille.optional(),
  /** To the right, in 1/1000 em; its neighbors stay. */
  shiftPermille: permille.optional(),
  turnDeg: angleDeg.optional(),
  flip: z.enum(FLIPS).optional(),
  paint: paintSchema.optional(),
  opacity: z.number().min(0).max(1).optional(),
  hidden: z.boolean().optional(),
  /** Drawn as an outline of this thickness, in 1/1000 em, and not filled. */
  outlinePermille: z.number().min(1).max(500).optional(),
  underlined: z.boolean().optional(),
  features: featureValues.optional(),
  /** What is done to its picture, in order. */
  treatments: treatmentsSchema.optional(),
});
export type LetterLook = z.infer<typeof letterLookSchema>;

/** A gap adjusted by hand: after the letter at `index`, while it is `left` and the next is `right`. */
export const handGapSchema = z.strictObject({
  index: z.number().int().min(0).max(LONGEST_TEXT),
  left: z.string().min(1).max(64),
  right: z.string().min(1).max(64),
  permille: z.number().min(-2000).max(5000),
});
export type HandGap = z.infer<typeof handGapSchema>;

export const CUT_FORMS = ['bar', 'arc', 'wedge', 'slice', 'free'] as const;

/** Something taken out of a letter, or of the whole line. It stands in the box of what it cuts, and moves with it. */
export const cutSchema = z.strictObject({
  id: partIdSchema,
  /** The letter that is cut; `null` is the whole line. */
  at: letterAnchorSchema.nullable().default(null),
  form: z.enum(CUT_FORMS),
  /** Its middle, in percent of the box from the left and from the top. */
  acrossPercent: percent(-100, 200).default(50),
  downPercent: percent(-100, 200).default(50),
  angleDeg: angleDeg.default(0),
  /** Thickness of what is taken out, in 1/1000 em; the mouth of a wedge. */
  gapPermille: z.number().min(0).max(2000).default(40),
  /** Length, in percent of the box's diagonal; a slice always runs through. */
  lengthPercent: percent(1, 400).default(160),
  /** Slice: how far the far side is pushed along the cut, in 1/1000 em. */
  shiftPermille: permille.default(0),
  /** Arc: how far it turns from end to end. */
  bendDeg: z.number().min(-350).max(350).default(60),
  /** Free: its corners, in percent of the box. */
  points: z
    .array(z.strictObject({ x: percent(-200, 300), y: percent(-200, 300) }))
    .max(64)
    .default([]),
});
export type Cut = z.infer<typeof cutSchema>;

export const BELT_FORMS = ['ring', 'line'] as const;

/** A ring or a line around a letter, fitted to its box, that stops short where it meets the letter. */
export const beltSchema = z.strictObject({
  id: partIdSchema,
  at: letterAnchorSchema,
  form: z.enum(BELT_FORMS),
  acrossPercent: percent(-100, 200).default(50),
  downPercent: percent(-100, 200).default(50),
  /** Size against the letter's box. */
  widthPercent: percent(5, 1000).default(130),
  heightPercent: percent(5, 1000).default(60),
  angleDeg: angleDeg.default(0),
  bandPermille: z.number().min(1).max(500).default(24),
  /** White that is kept between it and the letter, in 1/1000 em. */
  stopPermille: z.number().min(0).max(500).default(30),
  paint: paintSchema.optional(),
});
export type Belt = z.infer<typeof beltSchema>;

const letterTurn = z.enum(['turned', 'bent']).default('turned');
/** The height at which spacing is as the font has it, in percent of the capitals' height: 0 is the baseline. */
const spacingAt = percent(-50, 150).default(0);

export const curvePointSchema = z.strictObject({
  x: z.number().min(-100_000).max(100_000),
  y: z.number().min(-100_000).max(100_000),
  /** Handles, from the point; without one the curve has a corner there. */
  inX: z.number().min(-100_000).max(100_000).default(0),
  inY: z.number().min(-100_000).max(100_000).default(0),
  outX: z.number().min(-100_000).max(100_000).default(0),
  outY: z.number().min(-100_000).max(100_000).default(0),
});
export type CurvePoint = z.infer<typeof curvePointSchema>;

export const ENVELOPES = ['rise', 'swell', 'pinch'] as const;

/** What the letters stand on. */
export const lineSchema = z.discriminatedUnion('shape', [
  z.strictObject({ shape: z.literal('straight') }),
  /** A circle. An arch keeps the part's origin on its crown, a ring on its center. */
  z.strictObject({
    shape: z.literal('arc'),
    form: z.enum(['arch', 'ring']),
    /** `over` runs along the top, letters outward; `under` along the bottom, letters inward and upright. */
    side: z.enum(['over', 'under']),
    radiusPx: lengthPx,
    /** Where the text is anchored, clockwise from the top (over) or from the bottom (under). */
    startDeg: angleDeg.default(0),
    letters: letterTurn,
    spacingAtPercent: spacingAt,
    /** The part whose circle it follows, and how far inside (or, negative, outside) its edge the middle of the capitals stands. */
    around: z
      .strictObject({ part: partIdSchema, insetPx: z.number().min(-10_000).max(10_000).default(24) })
      .nullable()
      .default(null),
  }),
  z.strictObject({
    shape: z.literal('curve'),
    points: z.array(curvePointSchema).max(200),
    /** A free curve, or the words' line of a shape, whose points count instead; how far above it the letters stand, or the middle of the capitals. */
    along: z
      .strictObject({
        part: partIdSchema,
        offPx: z.number().min(-10_000).max(10_000).default(0),
        centered: z.boolean().optional(),
      })
      .nullable()
      .default(null),
    /** Where the text is anchored, in percent of the curve's length. */
    startPercent: percent(0, 100).default(50),
    letters: letterTurn,
    spacingAtPercent: spacingAt,
  }),
  z.strictObject({
    shape: z.literal('envelope'),
    form: z.enum(ENVELOPES),
    amountPercent: percent(-300, 300).default(40),
    from: z.enum(['baseline', 'middle', 'top']).default('middle'),
  }),
]);
export type Line = z.infer<typeof lineSchema>;
export type LineShape = Line['shape'];

export const FIT_MEANS = ['size', 'tracking', 'axis'] as const;

/** One way to fill the room, tried in its order and only within its limits. */
export const fitMeansSchema = z.strictObject({
  means: z.enum(FIT_MEANS),
  /** The axis that widens, for `axis`. */
  axis: z.string().length(4).default('wdth'),
  min: z.number().min(-500).max(100_000),
  max: z.number().min(-500).max(100_000),
});
export type FitMeans = z.infer<typeof fitMeansSchema>;

export const fitSchema = z.strictObject({
  to: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('width'), widthPx: lengthPx }),
    /** As wide as another part's ink. */
    z.strictObject({ kind: z.literal('part'), part: partIdSchema }),
    /** Inside another part's ink, with air around. */
    z.strictObject({ kind: z.literal('panel'), part: partIdSchema, airPx: z.number().min(0).max(10_000).default(16) }),
    /** Over an angle of its circle. */
    z.strictObject({ kind: z.literal('angle'), sweepDeg: z.number().min(1).max(360) }),
    /** Over as much of its circle as another text takes of its own: the words above and below a badge look alike long. */
    z.strictObject({ kind: z.literal('same-angle'), part: partIdSchema }),
  ]),
  by: z.array(fitMeansSchema).min(1).max(6),
});
export type Fit = z.infer<typeof fitSchema>;

/** A second line that stays with a first one. */
export const companionSchema = z.strictObject({
  part: partIdSchema,
  /** Size against the first line's; the part's own size counts when left out. */
  sizePercent: percent(1, 1000).nullable().default(null),
  /** White between the two lines' ink, in 1/1000 of the first line's size. */
  gapPermille: z.number().min(-2000).max(5000).default(300),
});

export const roughnessSchema = z.strictObject({
  seed: z.number().int().min(0).max(999_999),
  turnDeg: z.number().min(0).max(45).default(2),
  shiftPermille: z.number().min(0).max(300).default(12),
  sizePercent: z.number().min(0).max(50).default(3),
});
export type Roughness = z.infer<typeof roughnessSchema>;

export const touchSchema = z.strictObject({
  /** Farthest that one letter is moved toward the one before it, in 1/1000 em. */
  mostPermille: z.number().min(0).max(2000).default(250),
  /** Farthest that one letter is turned. */
  mostDeg: z.number().min(0).max(45).default(0),
  /** How deep outlines go into each other, in 1/1000 em. */
  overlapPermille: z.number().min(0).max(100).default(4),
});
export type Touch = z.infer<typeof touchSchema>;

/** Lines broken where a column ends; and made smaller where they would be higher than it. */
export const wrapSchema = z.strictObject({
  widthPx: z.number().min(1).max(100_000),
  /** None: as high as it becomes. */
  heightPx: z.number().min(1).max(100_000).nullable().default(null),
  /** What it may be made smaller to, against its own size; what does not fit then is said. */
  leastPercent: percent(1, 100).default(60),
  /** Where the lines stand in a column that is higher than they are. */
  stands: z.enum(['top', 'middle', 'foot']).default('top'),
  /** Lines about equally long, as headings are set: no word alone in the last one. */
  even: z.boolean().default(false),
  /** The language that words are divided in at the ends of lines; without it, they are not. */
  hyphens: z.enum(HYPHEN_LANGUAGES).exactOptional(),
});
export type Wrap = z.infer<typeof wrapSchema>;

export const letteringSchema = z.strictObject({
  ...partBase,
  kind: z.literal('lettering'),
  /** May hold line breaks. */
  text: z.string().max(LONGEST_TEXT),
  font: fontChoiceSchema,
  sizePx: z.number().min(SIZE_LIMITS.min).max(SIZE_LIMITS.max).default(120),
  trackingPermille: z.number().min(-500).max(5000).default(0),
  case: z.enum(LETTER_CASES).default('typed'),
  kerning: z.enum(KERNINGS).default('font'),
  opticalPercent: percent(0, 100).default(50),
  features: featureValues.default({}),
  align: z.enum(['start', 'center', 'end']).default('center'),
  /** White between lines of a text with line breaks, in 1/1000 em from ink to ink. */
  leadingPermille: z.number().min(-1000).max(5000).default(250),
  /** Whether every line is fitted by itself, rather than all together. */
  eachLine: z.boolean().default(true),
  paint: paintSchema.default({ role: 'ink' }),
  /** The family that lends letters which the chosen font lacks. */
  fallback: z.string().nullable().default(null),
  letters: z.array(letterLookSchema).max(LONGEST_TEXT).default([]),
  gaps: z.array(handGapSchema).max(LONGEST_TEXT).default([]),
  cuts: z.array(cutSchema).max(100).default([]),
  belts: z.array(beltSchema).max(40).default([]),
  line: lineSchema.default({ shape: 'straight' }),
  fit: fitSchema.nullable().default(null),
  companion: companionSchema.nullable().default(null),
  wrap: wrapSchema.nullable().default(null),
  roughness: roughnessSchema.nullable().default(null),
  touch: touchSchema.nullable().default(null),
});
export type Lettering = z.infer<typeof letteringSchema>;
