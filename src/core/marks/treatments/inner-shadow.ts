import { z } from 'zod';
import { between, coverageOf, gaussian, softCoverage, softGrid } from '../../fields';
import { boundsOf } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { faceArea } from '../treating/layers';
import { QUICK_CELLS, sigmaOf, softWithin } from '../treating/soft';
import { angleDeg, lengthPx, percent, treatmentBase, type Layers, type TreatContext, type TreatmentKind } from '../treating/treatment';

export const innerShadowSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('inner-shadow'),
  angleDeg: angleDeg.default(60),
  distancePx: lengthPx(0, 2000).default(3),
  softPx: lengthPx(0.5, 500).default(6),
  opacityPercent: percent.default(50),
  paint: paintSchema.default({ role: 'ink' }),
});

/** The picture as a hole: its rim throws a shadow into it. */
export const innerShadow: TreatmentKind<typeof innerShadowSchema> = {
  schema: innerShadowSchema,
  label: 'Inner shadow',
  words: ['inner shadow', 'cut out', 'hole', 'sunk', 'inset', 'inner glow', 'pressed'],
  hint: 'Its rim throws a soft shadow into it, as if it were cut out of the sheet; in a light color it glows from its edge',
  describe: ({ distancePx, softPx, opacityPercent }) => `${distancePx} px in, ${softPx} px soft, ${opacityPercent} %`,
  controls: [
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', hint: 'Where the shadow falls: 0 to the right, 90 down' },
    { type: 'number', field: 'distancePx', label: 'Distance', unit: 'px', hint: 'How far it falls; 0 is along every edge alike' },
    { type: 'number', field: 'softPx', label: 'Soft', unit: 'px', hint: 'How wide it runs out' },
    { type: 'number', field: 'opacityPercent', label: 'Opacity', unit: '%', hint: 'How strong it is where it is full' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What it is painted with' },
  ],
  handles: [{ type: 'throw', angle: 'angleDeg', length: 'distancePx' }],
  inOneColor: 'dropped',
  treat: (shadow, layers, context) => sunk(shadow, layers, context, false),
  quick: (shadow, layers, context) => sunk(shadow, layers, context, true),
};

function sunk(shadow: z.infer<typeof innerShadowSchema>, layers: Layers, { paths }: TreatContext, quick: boolean): Layers {
  const area = faceArea(layers, paths);
  const box = boundsOf(area.path);
  if (!box) return layers;
  const sigma = sigmaOf(shadow.softPx);
  const grid = softGrid(box, sigma, quick ? QUICK_CELLS : 1);
  const covered = coverageOf(area, grid);
  const soft = softCoverage(area, grid, sigma);
  const turn = (shadow.angleDeg * Math.PI) / 180;
  const [dx, dy] = [(shadow.distancePx * Math.cos(turn)) / grid.cell, (shadow.distancePx * Math.sin(turn)) / grid.cell];
  // What is not the picture, softened and moved; a cell beyond the edge it ends, so that it is cut by the true edge.
  const near = gaussian(covered, grid.columns, grid.rows, 1);
  const tone = Float32Array.from(soft, (_, cell) =>
    (near[cell] as number) < 0.02 ? 0 : 1 - between(soft, grid, (cell % grid.columns) - dx, Math.floor(cell / grid.columns) - dy),
  );
  const inside = softWithin(tone, grid, shadow.paint, shadow.opacityPercent, { area, paths, quick });
  return { ...layers, front: [...layers.front, ...inside] };
}
