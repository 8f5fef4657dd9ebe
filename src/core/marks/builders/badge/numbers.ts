import { z } from 'zod';
import { paintSchema } from '../../drawing/paint';
import { GAP_PIECES } from '../gap-pair';
import { littleWords } from '../little-words';

export const BADGE_PLANS = ['seal', 'rings', 'band', 'arcs', 'across', 'arched', 'oval', 'ovalRing', 'shield', 'diamond', 'panel'] as const;
export const BADGE_EDGES = ['plain', 'double', 'scallop', 'teeth', 'seal', 'rope', 'chain', 'thorn', 'stitched', 'beads'] as const;
export const CENTERS = ['initials', 'star', 'none'] as const;

const words = z.string().max(200).default('');

export const badgeSchema = z.strictObject({
  plan: z.enum(BADGE_PLANS).default('seal'),
  edge: z.enum(BADGE_EDGES).default('plain'),
  sizePx: z.number().min(40).max(4000).default(400),
  /** Empty: the name that is followed. */
  main: words,
  /** Over how many rows the main word is broken where lines of words stand. */
  rows: z.number().int().min(1).max(5).default(1),
  upper: words,
  lower: words,
  /** Whether the words of the ring run on around the foot, where no others stand there. */
  bothHalves: z.boolean().default(false),
  year: z.string().max(40).default(''),
  between: z.enum(GAP_PIECES).default('dot'),
  center: z.enum(CENTERS).default('initials'),
  littleWords,
  /** Size of the ring texts, in percent of the badge. */
  textPercent: z.number().min(2).max(20).default(8),
  bandPercent: z.number().min(8).max(40).default(17),
  /** Whether the badge is a filled ground with light words upon it. */
  filled: z.boolean().default(true),
  family: z.string().max(64).default(''),
  secondFamily: z.string().max(64).default(''),
  leadPaint: paintSchema.default({ role: 'lead' }),
  groundPaint: paintSchema.default({ role: 'paper' }),
  secondPaint: paintSchema.default({ role: 'paper' }),
});
export type Badge = z.infer<typeof badgeSchema>;

export const PLAN_LABELS: { readonly [P in (typeof BADGE_PLANS)[number]]: string } = {
  seal: 'words around a middle',
  rings: 'words between two rings',
  band: 'word on a band across',
  arcs: 'word on a band between two arcs',
  across: 'word that breaks the ring',
  arched: 'arched word over a middle',
  oval: 'oval with lines of words',
  ovalRing: 'words along an oval',
  shield: 'shield with a name panel',
  diamond: 'diamond with a band',
  panel: 'panel with lines of words',
};

export const EDGE_LABELS: { readonly [E in (typeof BADGE_EDGES)[number]]: string } = {
  plain: 'plain edge',
  double: 'double line',
  scallop: 'scalloped',
  teeth: 'toothed',
  seal: 'as a seal',
  rope: 'roped',
  chain: 'chained',
  thorn: 'with thorns',
  stitched: 'stitched',
  beads: 'beaded',
};
