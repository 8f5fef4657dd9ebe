import { littleWords } from '../little-words';
import { z } from 'zod';
import { paintSchema } from '../../drawing/paint';
import { TREATMENT_STACKS } from '../../treating';
import { backdropSchema } from './backdrop';
import { FRAMES } from './frames';

export const CONSTRUCTIONS = [
  'plain',
  'beside',
  'stacked',
  'larger-middle',
  'nested',
  'overlapped',
  'shared-stem',
  'back-to-back',
  'interlocked',
  'tucked',
  'slashed',
  'filled',
  'wrapped',
  'behind',
  'picture',
] as const;
export type Construction = (typeof CONSTRUCTIONS)[number];

export const LABELS: { readonly [C in Construction]: string } = {
  plain: 'the initial',
  beside: 'side by side',
  stacked: 'one above the other',
  'larger-middle': 'larger in the middle',
  nested: 'one in the other',
  overlapped: 'overlapped',
  'shared-stem': 'one stem in common',
  'back-to-back': 'back to back, mirrored',
  interlocked: 'interlocked',
  tucked: 'one tucked behind the other',
  slashed: 'with a stroke between',
  filled: 'filled with florals',
  wrapped: 'wrapped in florals',
  behind: 'florals behind',
  picture: 'before a picture of your own',
};
export const FLORAL: readonly Construction[] = ['filled', 'wrapped', 'behind'];

/** Looks that the letters can wear from the start: the same that every part can. */
export const LOOKS = ['none', ...TREATMENT_STACKS.map(({ id }) => id)] as [string, ...string[]];
export const LOOK_LABELS: Readonly<Record<string, string>> = Object.fromEntries(
  TREATMENT_STACKS.map(({ id, label }) => [id, label.charAt(0).toLowerCase() + label.slice(1)]),
);

export const monogramSchema = z.strictObject({
  construction: z.enum(CONSTRUCTIONS).default('plain'),
  /** Empty: the initials of the name. */
  letters: z.string().max(24).default(''),
  /** How many initials of the name, where no letters are typed. */
  initials: z.number().int().min(1).max(3).default(3),
  littleWords,
  sizePx: z.number().min(20).max(4000).default(220),
  frame: z.enum(FRAMES).default('none'),
  airPercent: z.number().min(0).max(100).default(18),
  linePercent: z.number().min(0).max(20).default(3),
  filled: z.boolean().default(false),
  /** White between letters, or what the one that passes under keeps, in percent of the capitals' height. */
  gapPercent: z.number().min(0).max(40).default(6),
  /** Size of the outer letters beside a larger middle one. */
  outerPercent: z.number().min(30).max(100).default(70),
  overlapPercent: z.number().min(5).max(90).default(42),
  /** Which of the ways to interlock, best first. */
  way: z.number().int().min(0).max(7).default(0),
  firstOver: z.boolean().default(true),
  seed: z.number().int().min(1).max(9999).default(1),
  densityPercent: z.number().min(10).max(100).default(60),
  spreadPercent: z.number().min(0).max(100).default(50),
  weightPercent: z.number().min(20).max(300).default(100),
  behindPercent: z.number().min(5).max(100).default(35),
  /** What stands behind the letters, where they stand before a picture. */
  backdrop: backdropSchema.nullable().default(null),
  /** Its longer side, against the height of the capitals. */
  backdropPercent: z.number().min(50).max(500).default(170),
  look: z.enum(LOOKS).default('none'),
  family: z.string().max(64).default(''),
  secondFamily: z.string().max(64).default(''),
  firstPaint: paintSchema.default({ role: 'lead' }),
  secondPaint: paintSchema.default({ role: 'lead' }),
  groundPaint: paintSchema.default({ role: 'paper' }),
  floralPaint: paintSchema.default({ role: 'second' }),
});
export type Monogram = z.infer<typeof monogramSchema>;
