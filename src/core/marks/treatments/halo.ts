import { z } from 'zod';
import { JOINS } from '../../geometry';
import { allGrown } from '../treating/layers';
import { lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const haloSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('halo'),
  widthPx: lengthPx(0.1).default(10),
  join: z.enum(JOINS).default('round'),
});

/** White kept around everything: what lies behind is cut away there, as a true hole. */
export const halo: TreatmentKind<typeof haloSchema> = {
  schema: haloSchema,
  label: 'Halo',
  words: ['halo', 'gap', 'air', 'clear zone', 'mask', 'separation'],
  hint: 'Keeps a rim free all around: whatever lies behind is cut away there, a true hole in every file',
  describe: ({ widthPx }) => `${widthPx} px free`,
  controls: [
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How wide the free rim is' },
    {
      type: 'choice',
      field: 'join',
      label: 'Corners',
      hint: 'How the rim goes round a corner',
      options: JOINS.map((value) => ({ value, label: value })),
    },
  ],
  handles: [{ type: 'edge', length: 'widthPx', side: 1 }],
  inOneColor: 'kept',
  treat: (halo, layers, { paths }) => {
    const rim = allGrown(layers, halo.widthPx, halo.join, paths);
    return { ...layers, carves: layers.carves ? paths.weld([layers.carves, rim]) : rim };
  },
};
