import { z } from 'zod';
import { grown, JOINS, type PathAlgebra, type Region } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { allGrown, fillsFrom, fillsWith, painted } from '../treating/layers';
import { lengthPx, percent, treatmentBase, type Layers, type TreatmentKind } from '../treating/treatment';

export const steppingOutlinesSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('stepping-outlines'),
  count: z.number().int().min(1).max(12).default(3),
  widthPx: lengthPx(0.1, 500).default(3),
  gapPx: lengthPx(0, 500).default(4),
  /** How much fainter each one is than the one before it. */
  fadePercent: percent.default(0),
  /** How much thinner each one is than the one before it. */
  thinnerPercent: percent.default(0),
  join: z.enum(JOINS).default('round'),
  paint: paintSchema.default({ role: 'ink' }),
});

type Steps = z.infer<typeof steppingOutlinesSchema>;

/** @param at all that is seen, grown by a distance; asked from the inside out */
function stepped(steps: Steps, layers: Layers, paths: PathAlgebra, at: (distance: number) => Region): Layers {
  const lines: Region[] = [];
  let [from, outer] = [0, undefined as Region | undefined];
  for (let index = 0; index < steps.count; index++) {
    const width = steps.widthPx * (1 - steps.thinnerPercent / 100) ** index;
    from += steps.gapPx;
    const inner = at(from);
    outer = at(from + width);
    lines.push(paths.combine('subtract', outer, inner));
    from += width;
  }
  const nodes = lines.flatMap((line, index) => painted(line, steps.paint, (1 - steps.fadePercent / 100) ** index));
  const made = { ...layers, behind: [...nodes, ...layers.behind] };
  // What goes around these lines next goes around the outermost, once it is wide enough to close the gaps between them.
  if (outer && nodes.length === lines.length) fillsWith(made, outer, Math.max(fillsFrom(layers), steps.gapPx / 2));
  return made;
}

/** Outlines that step away from the picture, one around the other. */
export const steppingOutlines: TreatmentKind<typeof steppingOutlinesSchema> = {
  schema: steppingOutlinesSchema,
  label: 'Stepping outlines',
  words: ['echo', 'ripple', 'double outline', 'several outlines', 'steps', 'rings'],
  hint: 'Lines that step away from the outline, one around the other; they can fade or become thinner',
  describe: ({ count, widthPx, gapPx }) => `${count} × ${widthPx} px, ${gapPx} px apart`,
  controls: [
    { type: 'number', field: 'count', label: 'How many', hint: 'How many lines there are' },
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How thick the first line is' },
    { type: 'number', field: 'gapPx', label: 'Gap', unit: 'px', hint: 'What is left free between them' },
    { type: 'number', field: 'fadePercent', label: 'Fades by', unit: '%', hint: 'How much fainter each line is than the one before it' },
    {
      type: 'number',
      field: 'thinnerPercent',
      label: 'Thinner by',
      unit: '%',
      hint: 'How much thinner each line is than the one before it',
    },
    {
      type: 'choice',
      field: 'join',
      label: 'Corners',
      hint: 'How the lines go round a corner',
      options: JOINS.map((value) => ({ value, label: value })),
    },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the lines are painted with' },
  ],
  handles: [{ type: 'edge', length: 'gapPx', side: 1 }],
  seenInOwnColor: true,
  inOneColor: 'kept',
  treat: (steps, layers, { paths }) => stepped(steps, layers, paths, (distance) => allGrown(layers, distance, steps.join, paths)),
  // Each from the one before it, which has fewer corners than all the letters, and combined unchecked.
  quick: (steps, layers, { paths: checked }) => {
    const paths = checked.unchecked ?? checked;
    let [before, reached] = [undefined as Region | undefined, 0];
    return stepped(steps, layers, paths, (distance) => {
      before = before ? grown(before, distance - reached, steps.join, paths) : allGrown(layers, distance, steps.join, paths);
      reached = distance;
      return before;
    });
  },
};
