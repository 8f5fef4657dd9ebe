import { z } from 'zod';
import { boundsOf, centerOf, compose, extrude, grown, scaling, stripes, translation, type Affine, type Bounds } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { painted, silhouette, withBehind } from '../treating/layers';
import { angleDeg, lengthPx, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

/** The far end of a shadow that runs out in a point, as a share of the near one. */
const NEXT_TO_A_POINT = 0.0001;

export const blockShadowSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('block-shadow'),
  angleDeg: angleDeg.default(45),
  depthPx: lengthPx(0, 10_000).default(20),
  /** How much smaller its far end is; at 100 it runs to a point. */
  taperPercent: percent.default(0),
  /** White between the face and the block. */
  gapPx: lengthPx(0, 500).default(0),
  fill: z.enum(['solid', 'lines']).default('solid'),
  pitchPx: lengthPx(0.5, 500).default(5),
  thicknessPx: lengthPx(0.1, 500).default(2),
  paint: paintSchema.default({ role: 'second' }),
});
export type BlockShadow = z.infer<typeof blockShadowSchema>;

/** Where the far end of the block stands. */
export function farEnd(
  { angleDeg: angle, depthPx, taperPercent }: Pick<BlockShadow, 'angleDeg' | 'depthPx' | 'taperPercent'>,
  box: Bounds,
): Affine {
  const turn = (angle * Math.PI) / 180;
  const moved = translation(depthPx * Math.cos(turn), depthPx * Math.sin(turn));
  if (taperPercent === 0) return moved;
  const { x, y } = centerOf(box);
  // A point stands for no area at all; next to nothing does.
  const size = Math.max(NEXT_TO_A_POINT, 1 - taperPercent / 100);
  return compose(moved, compose(translation(x, y), compose(scaling(size), translation(-x, -y))));
}

/** The depth of a solid block behind everything: straight back, tapering, or drawn with shade lines. */
export const blockShadow: TreatmentKind<typeof blockShadowSchema> = {
  schema: blockShadowSchema,
  label: 'Block shadow',
  words: ['block', 'depth', 'extrude', 'extrusion', '3d', 'long shadow', 'solid shadow', 'shade'],
  hint: 'The depth of a solid block behind everything: straight back, tapering to a point, or drawn with shade lines',
  describe: (block) => `${block.depthPx} px at ${Math.round(block.angleDeg)}°${block.fill === 'lines' ? ' · lines' : ''}`,
  controls: [
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', hint: 'Where it goes: 0 to the right, 90 down' },
    { type: 'number', field: 'depthPx', label: 'Depth', unit: 'px', hint: 'How far back the block reaches' },
    {
      type: 'number',
      field: 'taperPercent',
      label: 'Taper',
      unit: '%',
      hint: 'How much smaller its far end is; at 100 it runs to a point',
    },
    { type: 'number', field: 'gapPx', label: 'Gap', unit: 'px', hint: 'What is left free between the face and the block' },
    {
      type: 'choice',
      field: 'fill',
      label: 'Drawn',
      hint: 'In one solid color, or with shade lines',
      options: [
        { value: 'solid', label: 'solid' },
        { value: 'lines', label: 'shade lines' },
      ],
    },
    {
      type: 'number',
      field: 'pitchPx',
      label: 'Pitch',
      unit: 'px',
      hint: 'From one shade line to the next',
      when: ({ fill }) => fill === 'lines',
    },
    {
      type: 'number',
      field: 'thicknessPx',
      label: 'Thickness',
      unit: 'px',
      hint: 'How thick one shade line is',
      when: ({ fill }) => fill === 'lines',
    },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the block is painted with' },
  ],
  handles: [{ type: 'throw', angle: 'angleDeg', length: 'depthPx' }],
  inOneColor: 'kept',
  quick: 'unchecked',
  treat: (block, layers, { paths }) => {
    const area = silhouette(layers, paths);
    const box = boundsOf(area.path);
    if (!box || block.depthPx === 0) return layers;
    let made = extrude(area, farEnd(block, box), paths);
    if (block.gapPx > 0) made = paths.combine('subtract', made, grown(area, block.gapPx, 'miter', paths));
    if (block.fill === 'lines') {
      const beside = block.gapPx > 0 ? made : paths.combine('subtract', made, area);
      const around = boundsOf(beside.path) ?? box;
      // Lines that run with the depth would not show it; these cross it at a slant.
      const lines = stripes(
        { angleDeg: block.angleDeg + 90, pitch: block.pitchPx, thickness: Math.min(block.thicknessPx, block.pitchPx) },
        around,
      );
      made = paths.combine('intersect', beside, lines);
    }
    return withBehind(layers, area, made, painted(made, block.paint), paths);
  },
};
