import { z } from 'zod';
import { MOST_SWATCHES } from '../../color/palette';
import { letteringSchema } from '../lettering/schema';
import { paintSchema } from '../drawing/paint';
import { partBase, partIdSchema } from '../part-base';
import { GONE, type PartKind, type Referring } from '../part-kind';
import { referLine } from './lettering';

export const TAKES = ['initial', 'run', 'whole'] as const;
/** What a run is counted in. */
export const RUN_UNITS = ['letters', 'words', 'lines'] as const;
export type RunUnit = (typeof RUN_UNITS)[number];

/** Most letters, words or lines that are counted. */
const MOST_COUNTED = 2000;

export const linkedSchema = z.strictObject({
  ...partBase,
  kind: z.literal('linked'),
  /** The part that is followed, and the mark it belongs to: none is the link's own mark. No part is all of that other mark. */
  from: z.strictObject({ mark: z.uuid().nullable(), part: partIdSchema.nullable() }),
  /** What is taken of a lettering: its first letter only, a run of it, or all. */
  take: z.enum(TAKES).default('initial'),
  /** The run that is taken; the first one counts as 0. */
  run: z
    .strictObject({
      of: z.enum(RUN_UNITS),
      from: z.number().int().min(0).max(MOST_COUNTED),
      count: z.number().int().min(1).max(MOST_COUNTED),
      /** Set on one line, wherever the followed text breaks its own. */
      joined: z.literal(true).optional(),
    })
    .default({ of: 'words', from: 0, count: 1 }),
  /** Own size; `null` follows. */
  sizePx: z.number().min(1).max(10_000).nullable().default(null),
  /** Own color; `null` follows. */
  paint: paintSchema.nullable().default(null),
  /** Colors that are others here: a mark turned around for a dark ground. */
  repaint: z
    .array(z.strictObject({ from: paintSchema, to: paintSchema }))
    .max(MOST_SWATCHES)
    .default([]),
  /** Properties of the followed kind that are this part's own, by their names; all others follow. */
  own: z.record(z.string().regex(/^[a-zA-Z]{1,40}$/), z.unknown()).default({}),
});
export type Linked = z.infer<typeof linkedSchema>;

/** Own properties with the references in them put through `to`: only lines of text stand by, or go round, other parts of their mark. */
function referOwn(own: Linked['own'], to: Referring): Linked['own'] {
  const read = letteringSchema
    .pick({ companion: true, fit: true, line: true })
    .partial()
    .safeParse({
      ...('companion' in own ? { companion: own['companion'] } : {}),
      ...('fit' in own ? { fit: own['fit'] } : {}),
      ...('line' in own ? { line: own['line'] } : {}),
    });
  if (!read.success) return own;
  const referred = Object.entries(referLine({ companion: null, fit: null, line: { shape: 'straight' }, ...read.data }, to));
  return { ...own, ...Object.fromEntries(referred.filter(([name]) => name in own)) };
}

const WORDS: Readonly<Record<Linked['take'], string>> = { initial: 'first letter', run: 'a run of it', whole: 'whole part' };

/** A part taken by reference, of another mark or of this one. `derive` puts the followed part in its place, so that it is never drawn itself. */
export const linked: PartKind<typeof linkedSchema> = {
  schema: linkedSchema,
  label: 'Linked part',
  describe: (part) => `linked · ${part.from.part === null ? 'whole mark' : WORDS[part.take]}`,
  refer: (part, to) => {
    const { mark, part: followed } = part.from;
    const here = mark === null && followed !== null ? { from: { mark, part: to(followed, 'copies') ?? GONE } } : {};
    return { ...part, ...here, own: Object.keys(part.own).length === 0 ? part.own : referOwn(part.own, to) };
  },
  draw: () => ({
    nodes: [],
    notices: [{ code: 'link-broken', message: 'The part this one follows is gone.', fix: 'Follow another part, or remove this one.' }],
  }),
};
