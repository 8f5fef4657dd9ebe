import { z } from 'zod';
import { CAPS, freeCurve, JOINS, type Region } from '../../geometry';
import { GROWTH_NAMES, grownAlong, growthRow, RUNS, SIDES, startingGarland, type GrowthName } from '../../ornaments';
import { curveBaseline } from '../../type';
import { curvePointSchema } from '../lettering/schema';
import { paintSchema } from '../drawing/paint';
import { partBase, partIdSchema } from '../part-base';
import type { PartKind } from '../part-kind';
import type { PaintedFill } from '../drawing/painted';

/** What grows along it, as a branch grows. */
const growthSchema = z.strictObject({
  kind: z.enum(GROWTH_NAMES),
  everyPx: z.number().min(1).max(5000).default(40),
  lengthPx: z.number().min(0.5).max(5000).default(50),
  openDeg: z.number().min(0).max(150).default(42),
  fallPercent: z.number().min(0).max(95).default(34),
  unevenPercent: z.number().min(0).max(100).default(20),
  sides: z.enum(SIDES).default('both'),
  runs: z.enum(RUNS).default('along'),
  gapPx: z.number().min(0).max(20_000).default(0),
  seed: z.number().int().min(1).max(9999).default(1),
  /** Flowers and fruit. */
  bloomPaint: paintSchema.default({ role: 'accent' }),
});
export type Growth = z.infer<typeof growthSchema>;

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
  growth: growthSchema.nullable().default(null),
});
export type FreeCurve = z.infer<typeof curveSchema>;

const walkOf = (part: Pick<FreeCurve, 'points' | 'closed'>) =>
  curveBaseline(part.closed ? [...part.points, ...part.points.slice(0, 1)] : part.points);

/**
 * The change that makes something grow along a curve, or grow otherwise than before: in keeping with the curve's length, and on a stem that is
 * no thicker than suits it. Sizes that were chosen by hand stay.
 */
export function withGrowth(
  part: FreeCurve,
  kind: GrowthName,
  runs: Growth['runs'] = part.growth?.runs ?? 'along',
): Pick<FreeCurve, 'growth' | 'filled' | 'weightPx'> {
  const walk = walkOf(part);
  const length = walk.ok ? walk.value.length : 300;
  // From the middle or from both ends there are two stems.
  const startOf = (name: GrowthName, from: Growth['runs']) => startingGarland(name, from === 'along' ? length : length / 2);
  const { weightPx, ...sizes } = startOf(kind, runs);
  const { growth: before, filled } = part;
  if (!before)
    // Leaves stand on the line: an inside that is painted would hide half of them.
    return { growth: growthSchema.parse({ kind, runs, ...sizes }), filled: false, weightPx: Math.min(part.weightPx, weightPx) };
  const usual = startOf(before.kind, before.runs);
  const isUsual = before.everyPx === usual.everyPx && before.lengthPx === usual.lengthPx && before.openDeg === usual.openDeg;
  return { growth: { ...before, kind, runs, ...(isUsual ? sizes : {}) }, filled, weightPx: part.weightPx };
}

/** What is there when something grows along the curve; `undefined` where it has no length to grow on. */
function grown(part: FreeCurve, growth: Growth, weightPx: number): readonly PaintedFill[] | undefined {
  const walk = walkOf(part);
  if (!walk.ok) return undefined;
  const { stem, leaves, blooms } = grownAlong(walk.value, part.closed, weightPx, growth);
  const pieces = [
    { path: stem, paint: part.paint },
    { path: leaves, paint: part.paint },
    { path: blooms, paint: growth.bloomPaint },
  ];
  return pieces.flatMap(({ path, paint }) =>
    path.verbs === '' ? [] : [{ kind: 'fill' as const, path, rule: 'nonzero' as const, paint, opacity: 1 }],
  );
}

/** A drawn curve: a stroke made an outline, an area, or both, or what grows along it. It cuts, divides and holds others as every part does. */
export const curve: PartKind<typeof curveSchema> = {
  schema: curveSchema,
  label: 'Free curve',
  describe: (part) =>
    `curve · ${part.growth ? `${growthRow(part.growth.kind).label.toLowerCase()} · ` : ''}${part.points.length} points${part.closed ? ' · closed' : ''}`,
  refer: (part, to) => (part.weightFrom ? { ...part, weightFrom: to(part.weightFrom, 'stroke') ?? null } : part),
  draw: (part, { paths, sibling }) => {
    const path = freeCurve(part.points, part.closed);
    const weightPx = part.weightFrom ? (sibling(part.weightFrom)?.strokePx ?? part.weightPx) : part.weightPx;
    const nodes: PaintedFill[] = [];
    const fill = (region: Region) => region.path.verbs !== '' && nodes.push({ kind: 'fill', ...region, paint: part.paint, opacity: 1 });
    const area = { path, rule: 'nonzero' } as const;
    const branch = part.growth && part.points.length > 1 ? grown(part, part.growth, weightPx) : undefined;
    const stroke = !branch && weightPx > 0 && part.points.length > 1 ? paths.band(area, weightPx, part.join, part.cap) : undefined;
    if (part.closed && part.filled) fill(stroke ? paths.weld([area, stroke]) : area);
    else if (stroke) fill(stroke);
    nodes.push(...(branch ?? []));
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
