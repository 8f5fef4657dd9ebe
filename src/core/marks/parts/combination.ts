import { z } from 'zod';
import { islandsOf, type PathAlgebra, type Region } from '../../geometry';
import { areaOfMember, membersSchema, referMembers, paintOfMember } from '../gathering/members';
import { paintSchema, type Paint } from '../drawing/paint';
import { partBase } from '../part-base';
import type { PartKind } from '../part-kind';
import type { PaintedFill } from '../drawing/painted';
import { weave } from '../gathering/weave';

export const COMBINATIONS = ['unite', 'subtract', 'intersect', 'exclude', 'divide', 'weave'] as const;
export type CombinationHow = (typeof COMBINATIONS)[number];

export const combinationSchema = z.strictObject({
  ...partBase,
  kind: z.literal('combination'),
  members: membersSchema,
  how: z.enum(COMBINATIONS),
  /** `null` takes the paint of the backmost part; woven parts keep their own. */
  paint: paintSchema.nullable().default(null),
  /** Divided pieces that are painted otherwise or left out, counted in the order they are found. */
  pieces: z
    .array(z.strictObject({ index: z.number().int().min(0).max(999), paint: paintSchema.optional(), out: z.boolean().optional() }))
    .max(200)
    .default([]),
  /** White between what passes over and what passes under; between divided pieces. */
  gapPx: z.number().min(0).max(500).default(4),
  /** Which begins on top where shapes are woven. */
  firstOver: z.boolean().default(true),
  /** Crossings at which over and under are exchanged, counted from left to right. */
  switched: z.array(z.number().int().min(0).max(199)).max(200).optional(),
});
export type Combination = z.infer<typeof combinationSchema>;

const LABELS: { readonly [H in CombinationHow]: string } = {
  unite: 'United',
  subtract: 'Subtracted',
  intersect: 'Intersected',
  exclude: 'Excluded',
  divide: 'Divided',
  weave: 'Woven',
};
export const combinationLabel = (how: CombinationHow): string => LABELS[how];

const INK: Paint = { role: 'ink' };

/** The backmost area cut along all others: what lies outside of them, and what lies in each, piece by piece. */
function divide(areas: readonly Region[], paths: PathAlgebra): readonly Region[] {
  const [first, ...cutters] = areas;
  if (!first) return [];
  const pieces = cutters.reduce<readonly Region[]>(
    (before, cutter) => before.flatMap((piece) => [paths.combine('subtract', piece, cutter), paths.combine('intersect', piece, cutter)]),
    [first],
  );
  return pieces.flatMap((piece) => islandsOf(piece));
}

function combined(part: Combination, areas: readonly Region[], paths: PathAlgebra): readonly Region[] {
  const [first, ...rest] = areas;
  if (!first) return [];
  if (part.how === 'unite') return [paths.weld(areas)];
  if (part.how === 'subtract') return [rest.length === 0 ? first : paths.combine('subtract', first, paths.weld(rest))];
  if (part.how === 'divide') return divide(areas, paths);
  const how = part.how === 'weave' ? 'unite' : part.how;
  return [rest.reduce((sum, area) => paths.combine(how, sum, area), first)];
}

/** Parts made into one area, live: it can be opened again, and follows whatever is done to a member. */
export const combination: PartKind<typeof combinationSchema> = {
  schema: combinationSchema,
  label: 'Combination',
  called: (part) => combinationLabel(part.how),
  describe: (part) => `${LABELS[part.how].toLowerCase()} · ${part.members.length} parts`,
  refer: referMembers,
  draw: (part, { members, paths }) => {
    const areas = members.map((member) => areaOfMember(member, paths));
    const paints = members.map((member) => paintOfMember(member) ?? INK);
    const woven =
      part.how === 'weave'
        ? weave(areas, { gap: part.gapPx, first: part.firstOver, ...(part.switched ? { switched: part.switched } : {}) }, paths)
        : undefined;
    const made = woven?.areas ?? combined(part, areas, paths);
    const nodes = made.flatMap((region, index): readonly PaintedFill[] => {
      const own = part.how === 'divide' ? part.pieces.find((piece) => piece.index === index) : undefined;
      if (own?.out || region.path.verbs === '') return [];
      const paint = own?.paint ?? (part.how === 'weave' ? (part.paint ?? paints[index]) : (part.paint ?? paints[0])) ?? INK;
      return [{ kind: 'fill', path: region.path, rule: region.rule, paint, opacity: 1 }];
    });
    const nothing = members.length > 0 && nodes.length === 0;
    return {
      nodes,
      ...(woven ? { crossings: woven.crossings.map(({ x, y }) => ({ x, y })) } : {}),
      notices: nothing
        ? [
            {
              code: 'nothing-left',
              message: 'Nothing is left of these parts when they are combined this way.',
              fix: 'Move them, or combine them otherwise.',
            },
          ]
        : [],
    };
  },
};
