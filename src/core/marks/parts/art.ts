import { z } from 'zod';
import { hexSchema } from '../../color/palette';
import { boundsOf, compose, heightOf, mapPath, scaling, readPath, widthOf, unite, type Bounds, type Path } from '../../geometry';
import { SPREADS } from '../drawing/drawing';
import { withWeight } from '../weights/stroke-weight';
import { paintSchema } from '../drawing/paint';
import { tracingSchema } from '../../pictures';
import { partBase, partIdSchema } from '../part-base';
import { artSourceSchema } from './art-source';
import { pictureFileSchema } from './picture';
import type { PartKind } from '../part-kind';
import type { PaintedFill } from '../drawing/painted';
import { rightsOfPiece } from '../rights/part-rights';

/** Longest written outline of one piece, and of all pieces of one part. */
const LONGEST_DATA = 1_500_000;

/** Most stops of one gradient. */
export const MOST_STOPS = 64;
const far = z.number().min(-1e6).max(1e6);
const gradientSchema = z.strictObject({
  kind: z.enum(['linear', 'radial']),
  /** From the gradient's plane (from 0 0 to 1 0, or to the unit circle) to that of the pieces. */
  map: z.strictObject({ a: far, b: far, c: far, d: far, e: far, f: far }),
  spread: z.enum(SPREADS).default('pad'),
  stops: z
    .array(
      z.strictObject({
        at: z.number().min(0).max(1),
        slot: z.number().int().min(0).max(63),
        opacity: z.number().min(0).max(1).default(1),
      }),
    )
    .min(2)
    .max(MOST_STOPS),
});

/** A written outline of at most so many letters. */
export const outlineSchema = (longest: number) =>
  z
    .string()
    .max(longest)
    .refine((data) => readPath(data) !== undefined, 'Expected an outline of M, L, Q, C and Z');

export const artSchema = z.strictObject({
  ...partBase,
  kind: z.literal('art'),
  source: artSourceSchema,
  /** Its colors: what each was, and what it is painted with here. */
  slots: z
    .array(z.strictObject({ original: hexSchema, paint: paintSchema }))
    .min(1)
    .max(64),
  /** Back to front, on its own center, its longer side 1000. */
  pieces: z
    .array(
      z.strictObject({
        data: outlineSchema(LONGEST_DATA),
        rule: z.enum(['nonzero', 'evenodd']).default('nonzero'),
        slot: z.number().int().min(0).max(63).default(0),
        opacity: z.number().min(0).max(1).default(1),
        /** Colors that pass into one another; `slot` stands for them where only one can be. */
        gradient: gradientSchema.optional(),
      }),
    )
    .min(1)
    .max(4000),
  /** Its longer side. */
  sizePx: z.number().min(0.1).max(20_000).default(240),
  /** Typical stroke it is brought to; `null` leaves it as it was drawn. */
  weightPx: z.number().min(0.05).max(2000).nullable().default(null),
  /** A part whose typical stroke it follows instead. */
  weightFrom: partIdSchema.nullable().default(null),
  /** The picture it was traced from, and how: kept, so that every number can be changed and the picture be had back. */
  traced: z.strictObject({ ...pictureFileSchema, tracing: tracingSchema }).optional(),
});
export type Art = z.infer<typeof artSchema>;

/** The side that pieces are written at. */
export const ART_SIDE = 1000;

/** The box of the pieces as they are written. */
export const artBox = (part: Pick<Art, 'pieces'>): Bounds | undefined =>
  part.pieces.reduce<Bounds | undefined>((sum, { data }) => {
    const path = readPath(data);
    return path ? unite(sum, boundsOf(path)) : sum;
  }, undefined);

/** A piece of art from a library, or a drawing that was brought in: filled outlines whose colors are slots. */
export const art: PartKind<typeof artSchema> = {
  schema: artSchema,
  label: 'Art',
  called: (part) => part.source.title,
  rights: (part) => [rightsOfPiece('art', part.source)],
  describe: (part) => `art · ${part.traced ? 'traced from a picture' : (part.source.set ?? 'brought in')}`,
  refer: (part, to) => (part.weightFrom ? { ...part, weightFrom: to(part.weightFrom, 'stroke') ?? null } : part),
  draw: (part, { paths, sibling, remember }) => {
    const scale = part.sizePx / ART_SIDE;
    const notices = [];
    const wanted = part.weightFrom ? sibling(part.weightFrom)?.strokePx : part.weightPx;
    if (part.weightFrom && wanted === undefined)
      notices.push({
        code: 'weight-gone',
        message: 'The part whose stroke this art follows is gone or has none.',
        fix: 'Let it follow another part, or a number.',
      });
    const paintOf = (slot: number) => (part.slots[slot] ?? part.slots[0])?.paint ?? { role: 'ink' as const };
    const nodes = part.pieces.map(({ data, rule, slot, opacity, gradient }): PaintedFill => {
      const written = remember<Path>(`art ${data}`, () => readPath(data) ?? { verbs: '', coords: [] });
      const shown = wanted
        ? remember(`art ${rule} ${wanted / scale} ${data}`, () => withWeight(paths.weld([{ path: written, rule }]), wanted / scale, paths))
        : { path: written, rule };
      const larger = scaling(scale, scale);
      const path = remember<Path>(`art ${rule} ${wanted ?? 0} ${scale} ${data}`, () => mapPath(shown.path, larger));
      const passing = gradient && {
        gradient: {
          ...gradient,
          map: compose(larger, gradient.map),
          stops: gradient.stops.map((stop) => ({ at: stop.at, opacity: stop.opacity, paint: paintOf(stop.slot) })),
        },
      };
      return { kind: 'fill', path, rule: shown.rule, paint: paintOf(slot), ...passing, opacity };
    });
    return { nodes, notices };
  },
};

/** Width and height of a part of art as it is drawn. */
export function artSize(part: Art): { readonly width: number; readonly height: number } {
  const box = artBox(part);
  const scale = part.sizePx / ART_SIDE;
  return { width: box ? widthOf(box) * scale : 0, height: box ? heightOf(box) * scale : 0 };
}
