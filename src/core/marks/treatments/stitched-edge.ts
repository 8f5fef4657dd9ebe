import { z } from 'zod';
import { CAPS, dashesAlong, grown, shrunk, type Region } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { painted, silhouette } from '../treating/layers';
import { lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const stitchedEdgeSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('stitched-edge'),
  /** Inside of the outline; below 0 outside of it. */
  insetPx: z.number().min(-1000).max(1000).default(5),
  widthPx: lengthPx(0.1, 500).default(2),
  dashPx: lengthPx(0.1, 1000).default(9),
  gapPx: lengthPx(0.1, 1000).default(5),
  cap: z.enum(CAPS).default('round'),
  paint: paintSchema.default({ role: 'paper' }),
});

/** Stitches or dashes along the outline. */
export const stitchedEdge: TreatmentKind<typeof stitchedEdgeSchema> = {
  schema: stitchedEdgeSchema,
  label: 'Stitched edge',
  words: ['stitch', 'stitching', 'dash', 'dashed', 'dotted', 'sewn', 'seam', 'patch'],
  hint: 'Stitches, dashes or dots along the outline, a whole number on every edge',
  describe: ({ dashPx, gapPx }) => `${dashPx} px and ${gapPx} px`,
  controls: [
    {
      type: 'number',
      field: 'insetPx',
      label: 'From the edge',
      unit: 'px',
      hint: 'How far inside of the outline they stand; below 0 outside of it',
    },
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How thick a stitch is' },
    { type: 'number', field: 'dashPx', label: 'Stitch', unit: 'px', hint: 'How long a stitch is' },
    {
      type: 'number',
      field: 'gapPx',
      label: 'Gap',
      unit: 'px',
      hint: 'What is left free between stitches; brought to a whole number of them',
    },
    { type: 'choice', field: 'cap', label: 'Ends', hint: 'How a stitch ends', options: CAPS.map((value) => ({ value, label: value })) },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'The thread' },
  ],
  handles: [{ type: 'edge', length: 'insetPx', side: -1 }],
  inOneColor: 'kept',
  quick: 'unchecked',
  treat: (stitches, layers, { paths }) => {
    const area = silhouette(layers, paths);
    const edge = stitches.insetPx < 0 ? grown(area, -stitches.insetPx, 'round', paths) : shrunk(area, stitches.insetPx, paths);
    const lines = dashesAlong(edge.path, { dash: stitches.dashPx, gap: stitches.gapPx });
    if (lines.verbs === '') return layers;
    const made: Region = paths.band({ path: lines, rule: 'nonzero' }, stitches.widthPx, 'round', stitches.cap);
    return { ...layers, front: [...layers.front, ...painted(made, stitches.paint)] };
  },
};
