import { z } from 'zod';
import { softCoverage, softGrid } from '../../fields';
import { boundsOf, grown, mapPath, translation } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { silhouette } from '../treating/layers';
import { sigmaOf, softPaint } from '../treating/soft';
import { angleDeg, lengthPx, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const softShadowSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('soft-shadow'),
  angleDeg: angleDeg.default(60),
  distancePx: lengthPx(0, 5000).default(6),
  softPx: lengthPx(0.5, 1000).default(12),
  /** How much larger than the picture it is before it is softened. */
  growPx: lengthPx(0, 500).default(0),
  opacityPercent: percent.default(45),
  paint: paintSchema.default({ role: 'ink' }),
});

/** A shadow that the picture throws on what lies some way behind it, or without a distance a glow all around. */
export const softShadow: TreatmentKind<typeof softShadowSchema> = {
  schema: softShadowSchema,
  label: 'Soft shadow',
  words: ['drop shadow', 'shadow', 'blur', 'depth', 'lift', 'glow', 'shade'],
  hint: 'A soft shadow behind it, made of outlines: it stays sharp data in every file. At no distance, in a light color, it is a glow',
  describe: ({ distancePx, softPx, opacityPercent }) => `${distancePx} px away, ${softPx} px soft, ${opacityPercent} %`,
  controls: [
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', hint: 'Where it falls: 0 to the right, 90 down' },
    { type: 'number', field: 'distancePx', label: 'Distance', unit: 'px', hint: 'How far aside it falls; 0 is all around' },
    { type: 'number', field: 'softPx', label: 'Soft', unit: 'px', hint: 'How wide its edge runs out' },
    { type: 'number', field: 'growPx', label: 'Larger by', unit: 'px', hint: 'How much larger than the picture it is' },
    { type: 'number', field: 'opacityPercent', label: 'Opacity', unit: '%', hint: 'How strong it is where it is full' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What it is painted with' },
  ],
  handles: [{ type: 'throw', angle: 'angleDeg', length: 'distancePx' }],
  seenInOwnColor: true,
  inOneColor: 'dropped',
  treat: (shadow, layers, { paths }) => {
    const turn = (shadow.angleDeg * Math.PI) / 180;
    const moved = translation(shadow.distancePx * Math.cos(turn), shadow.distancePx * Math.sin(turn));
    const larger = grown(silhouette(layers, paths), shadow.growPx, 'round', paths);
    const area = { path: mapPath(larger.path, moved), rule: larger.rule };
    const box = boundsOf(area.path);
    if (!box) return layers;
    const sigma = sigmaOf(shadow.softPx);
    const reach = 3 * sigma;
    const grid = softGrid({ left: box.left - reach, top: box.top - reach, right: box.right + reach, bottom: box.bottom + reach }, sigma);
    const tone = softCoverage(area, grid, sigma);
    return { ...layers, behind: [...softPaint(tone, grid, shadow.paint, shadow.opacityPercent), ...layers.behind] };
  },
};
