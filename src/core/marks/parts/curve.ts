import { z } from 'zod';
import { CAPS, freeCurve, JOINS } from '../../geometry';
import { curvePointSchema } from '../lettering/schema';
import { paintSchema } from '../drawing/paint';
import { partBase, partIdSchema } from '../part-base';
import type { PartKind } from '../part-kind';
import type { PaintedFill } from '../drawing/painted';

export const curveSchema = z.strictObject({
  ...partBase,
  kind: z.literal('curve'),
  points: z.array(curvePointSchema).min(1).max(500),
  closed: z.boolean().default(false),
  /** Closed ones: whether the inside is painted. */
  filled: z.boolean().default(true),
  /** Thickness of its stroke; 0 is none. */
  weightPx: z.number().min(0).max(2000).default(8),
  /** A part whose typical stroke it takes instead. */
  weightFrom: partIdSchema.nullable().default(null),
  cap: z.enum(CAPS).default('round'),
  join: z.enum(JOINS).default('round'),
  paint: paintSchema.default({ role: 'lead' }),
});
export type FreeCurve = z.infer<typeof curveSchema>;

/** A drawn curve: a stroke made an outline, an area, or both. It cuts, divides and holds others as every part does. */
export const curve: PartKind<typeof curveSchema> = {
  schema: curveSchema,
  label: 'Free curve',
  describe: (part) => `curve · ${part.points.length} points${part.closed ? ' · closed' : ''}`,
  refer: (part, to) => (part.weightFrom ? { ...part, weightFrom: to(part.weightFrom, 'stroke') ?? null } : part),
  draw: (part, { paths, sibling }) => {
    const path = freeCurve(part.points, part.closed);
    const weightPx = part.weightFrom ? (sibling(part.weightFrom)?.strokePx ?? part.weightPx) : part.weightPx;
    const nodes: PaintedFill[] = [];
    const fill = (region: { readonly path: typeof path; readonly rule: 'nonzero' | 'evenodd' }) =>
      region.path.verbs !== '' && nodes.push({ kind: 'fill', ...region, paint: part.paint, opacity: 1 });
    const area = { path, rule: 'nonzero' } as const;
    const stroke = weightPx > 0 && part.points.length > 1 ? paths.band(area, weightPx, part.join, part.cap) : undefined;
    if (part.closed && part.filled) fill(stroke ? paths.weld([area, stroke]) : area);
    else if (stroke) fill(stroke);
    return {
      nodes,
      // A text that goes round a closed curve ends where it began.
      baseline: part.closed ? [...part.points, ...part.points.slice(0, 1)] : part.points,
      notices:
        nodes.length === 0 && part.points.length > 1
          ? [
              {
                code: 'curve-unseen',
                message: 'This curve has neither a stroke nor an inside.',
                fix: 'Give it a weight, or close and fill it.',
              },
            ]
          : [],
    };
  },
};
