import { z } from 'zod';
import { shrunk } from '../../geometry';
import { allGrown, silhouette } from '../treating/layers';
import { treatmentBase, type TreatmentKind } from '../treating/treatment';

export const knockOutSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('knock-out'),
  /** How much larger (or, below 0, smaller) than the part the hole is, all around. */
  gapPx: z.number().min(-500).max(2000).default(0),
});

/** The part becomes a hole in all that lies behind it. */
export const knockOut: TreatmentKind<typeof knockOutSchema> = {
  schema: knockOutSchema,
  label: 'Knock-out',
  words: ['knock out', 'knockout', 'cut out', 'hole', 'stencil', 'reversed out'],
  hint: 'Is not painted any more, but cut as a true hole out of all that lies behind it',
  describe: ({ gapPx }) => (gapPx === 0 ? 'its own shape' : `${gapPx} px ${gapPx > 0 ? 'larger' : 'smaller'}`),
  controls: [
    {
      type: 'number',
      field: 'gapPx',
      label: 'Gap',
      unit: 'px',
      hint: 'How much larger than the part the hole is, all around; below 0 it is smaller',
    },
  ],
  inOneColor: 'kept',
  treat: ({ gapPx }, layers, { paths }) => {
    const hole = gapPx > 0 ? allGrown(layers, gapPx, 'round', paths) : shrunk(silhouette(layers, paths), -gapPx, paths);
    return { behind: [], face: [], front: [], carves: layers.carves ? paths.weld([layers.carves, hole]) : hole };
  },
};
