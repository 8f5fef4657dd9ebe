import { z } from 'zod';
import { invert, mapPath, roughened, type Region } from '../../geometry';
import { mapLeaves } from '../treating/layers';
import { lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const roughEdgeSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('rough-edge'),
  depthPx: lengthPx(0, 200).default(1.5),
  grainPx: lengthPx(0.5, 500).default(8),
  seed: z.number().int().min(0).max(999_999).default(1),
});

/** An edge as a dry stamp or an old block leaves it. */
export const roughEdge: TreatmentKind<typeof roughEdgeSchema> = {
  schema: roughEdgeSchema,
  label: 'Rough edge',
  words: ['rough', 'uneven', 'hand cut', 'linocut', 'worn', 'torn', 'letterpress', 'ragged'],
  hint: 'Edges as an old printing block leaves them, the same again for the same seed',
  describe: ({ depthPx, grainPx }) => `${depthPx} px deep, every ${grainPx} px`,
  controls: [
    {
      type: 'number',
      field: 'depthPx',
      label: 'Depth',
      unit: 'px',
      step: 0.5,
      hint: 'Farthest that the edge leaves its place, to either side',
    },
    { type: 'number', field: 'grainPx', label: 'Grain', unit: 'px', hint: 'How long one bump is' },
    { type: 'number', field: 'seed', label: 'Seed', hint: 'Another number is another edge of the same kind' },
  ],
  inOneColor: 'kept',
  treat: ({ depthPx, grainPx, seed }, layers, { paths }) => {
    let piece = 0;
    return {
      ...layers,
      face: mapLeaves(layers.face, (leaf, map) => {
        const back = invert(map);
        if (!back || depthPx === 0 || leaf.path.verbs === '') return [leaf];
        const there: Region = paths.weld([{ path: mapPath(leaf.path, map), rule: leaf.rule }]);
        const made = roughened(there, { seed: seed + 7919 * piece++, depth: depthPx, grain: grainPx });
        return [{ ...leaf, path: mapPath(made.path, back), rule: made.rule }];
      }),
    };
  },
};
