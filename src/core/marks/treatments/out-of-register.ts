import { z } from 'zod';
import { translation } from '../../geometry';
import { BLENDS } from '../drawing/drawing';
import { paintSchema } from '../drawing/paint';
import { faceArea, painted } from '../treating/layers';
import { angleDeg, lengthPx, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const outOfRegisterSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('out-of-register'),
  angleDeg: angleDeg.default(30),
  distancePx: lengthPx(0, 1000).default(4),
  opacityPercent: percent.default(90),
  blend: z.enum(BLENDS).default('multiply'),
  paint: paintSchema.default({ role: 'accent' }),
});

/** A second ink that was not laid exactly over the first, as in simple printing. */
export const outOfRegister: TreatmentKind<typeof outOfRegisterSchema> = {
  schema: outOfRegisterSchema,
  label: 'Out of register',
  words: ['misprint', 'offset print', 'riso', 'second ink', 'overprint', 'register'],
  hint: 'A second ink laid a little beside the first, darker where both meet, as in simple printing',
  describe: ({ distancePx, angleDeg: angle }) => `${distancePx} px at ${Math.round(angle)}°`,
  controls: [
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', hint: 'Where the second ink went: 0 to the right, 90 down' },
    { type: 'number', field: 'distancePx', label: 'Distance', unit: 'px', hint: 'How far beside the first it lies' },
    { type: 'number', field: 'opacityPercent', label: 'Opacity', unit: '%', hint: 'How strongly the second ink shows' },
    {
      type: 'choice',
      field: 'blend',
      label: 'Meets the first',
      hint: 'What is seen where both inks meet',
      options: [
        { value: 'multiply', label: 'darker' },
        { value: 'normal', label: 'covering' },
        { value: 'screen', label: 'lighter' },
      ],
    },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'The second ink' },
  ],
  handles: [{ type: 'throw', angle: 'angleDeg', length: 'distancePx' }],
  inOneColor: 'dropped',
  treat: (second, layers, { paths }) => {
    const turn = (second.angleDeg * Math.PI) / 180;
    const children = painted(faceArea(layers, paths), second.paint);
    if (children.length === 0) return layers;
    return {
      ...layers,
      front: [
        ...layers.front,
        {
          kind: 'group',
          id: '',
          transform: translation(second.distancePx * Math.cos(turn), second.distancePx * Math.sin(turn)),
          opacity: second.opacityPercent / 100,
          blend: second.blend,
          children,
        },
      ],
    };
  },
};
