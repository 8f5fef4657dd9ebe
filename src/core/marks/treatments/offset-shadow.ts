import { z } from 'zod';
import { grown, mapPath, translation } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { painted, silhouette, withBehind } from '../treating/layers';
import { angleDeg, lengthPx, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const offsetShadowSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('offset-shadow'),
  angleDeg: angleDeg.default(45),
  distancePx: lengthPx(0, 10_000).default(8),
  /** How much larger than the picture it is, all around. */
  growPx: lengthPx(0, 500).default(0),
  /** White between the face and the shadow. */
  gapPx: lengthPx(0, 500).default(0),
  opacityPercent: percent.default(100),
  paint: paintSchema.default({ role: 'second' }),
});

/** The silhouette once more, a little aside and behind. */
export const offsetShadow: TreatmentKind<typeof offsetShadowSchema> = {
  schema: offsetShadowSchema,
  label: 'Offset shadow',
  words: ['shadow', 'hard shadow', 'flat shadow', 'shift', 'shade'],
  hint: 'The silhouette once more, a little aside and behind, with a hard edge',
  describe: (shadow) => `${shadow.distancePx} px at ${Math.round(shadow.angleDeg)}°`,
  controls: [
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', hint: 'Where it goes: 0 to the right, 90 down' },
    { type: 'number', field: 'distancePx', label: 'Distance', unit: 'px', hint: 'How far aside the shadow stands' },
    { type: 'number', field: 'growPx', label: 'Larger by', unit: 'px', hint: 'How much larger than the picture the shadow is, all around' },
    { type: 'number', field: 'gapPx', label: 'Gap', unit: 'px', hint: 'What is left free between the face and the shadow' },
    { type: 'number', field: 'opacityPercent', label: 'Opacity', unit: '%', hint: 'How strongly the shadow shows' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the shadow is painted with' },
  ],
  handles: [{ type: 'throw', angle: 'angleDeg', length: 'distancePx' }],
  inOneColor: 'kept',
  treat: (shadow, layers, { paths }) => {
    const area = silhouette(layers, paths);
    const turn = (shadow.angleDeg * Math.PI) / 180;
    const moved = translation(shadow.distancePx * Math.cos(turn), shadow.distancePx * Math.sin(turn));
    const larger = grown(area, shadow.growPx, 'round', paths);
    const there = { path: mapPath(larger.path, moved), rule: larger.rule };
    const made = shadow.gapPx > 0 ? paths.combine('subtract', there, grown(area, shadow.gapPx, 'round', paths)) : there;
    return withBehind(layers, area, made, painted(made, shadow.paint, shadow.opacityPercent / 100), paths);
  },
};
