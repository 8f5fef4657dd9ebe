import { z } from 'zod';
import { softCoverage, softGrid } from '../../fields';
import { boundsOf, mapPath, translation } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { silhouette } from '../treating/layers';
import { sigmaOf, softPaint } from '../treating/soft';
import { angleDeg, lengthPx, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const separationSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('separation'),
  softPx: lengthPx(0.5, 500).default(10),
  angleDeg: angleDeg.default(90),
  distancePx: lengthPx(0, 1000).default(0),
  opacityPercent: percent.default(45),
  paint: paintSchema.default({ role: 'ink' }),
});

/** What lies in front darkens what lies just behind it, and nothing beyond: bare paper stays clean. */
export const separation: TreatmentKind<typeof separationSchema> = {
  schema: separationSchema,
  label: 'Soft separation',
  words: ['separation', 'overlap', 'weave', 'depth', 'shade', 'contact shadow', 'in front'],
  hint: 'Darkens what lies just behind it and nothing beyond: bare paper stays clean, and overlaps read',
  describe: ({ softPx, opacityPercent }) => `${softPx} px soft, ${opacityPercent} %`,
  controls: [
    { type: 'number', field: 'softPx', label: 'Soft', unit: 'px', hint: 'How wide the shade runs out' },
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', hint: 'Where it falls: 0 to the right, 90 down' },
    { type: 'number', field: 'distancePx', label: 'Distance', unit: 'px', hint: 'How far aside it falls; 0 is along every edge alike' },
    { type: 'number', field: 'opacityPercent', label: 'Opacity', unit: '%', hint: 'How strong it is beside the edge' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What it is painted with' },
  ],
  handles: [{ type: 'throw', angle: 'angleDeg', length: 'distancePx' }],
  seenInOwnColor: true,
  inOneColor: 'dropped',
  treat: (shade, layers, { paths }) => {
    const turn = (shade.angleDeg * Math.PI) / 180;
    const whole = silhouette(layers, paths);
    const area = {
      path: mapPath(whole.path, translation(shade.distancePx * Math.cos(turn), shade.distancePx * Math.sin(turn))),
      rule: whole.rule,
    };
    const box = boundsOf(area.path);
    if (!box) return layers;
    const sigma = sigmaOf(shade.softPx);
    const reach = 3 * sigma;
    const grid = softGrid({ left: box.left - reach, top: box.top - reach, right: box.right + reach, bottom: box.bottom + reach }, sigma);
    // Beside a straight edge half of it is left: from there it runs out.
    const tone = softCoverage(area, grid, sigma).map((share) => Math.min(1, 2 * share));
    return { ...layers, shades: [...(layers.shades ?? []), ...softPaint(tone, grid, shade.paint, shade.opacityPercent, 'cut')] };
  },
};
