import { z } from 'zod';
import { coverageOf, gaussian, softCoverage, softGrid } from '../../fields';
import { boundsOf, distanceInside } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { faceArea } from '../treating/layers';
import { QUICK_CELLS, softWithin } from '../treating/soft';
import { lengthPx, percent, treatmentBase, type Layers, type TreatContext, type TreatmentKind } from '../treating/treatment';

const SHAPES = ['round', 'cut'] as const;

export const reliefSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('relief'),
  /** Whether it stands out of the sheet, or is sunk into it. */
  sunk: z.boolean().default(false),
  shape: z.enum(SHAPES).default('round'),
  widthPx: lengthPx(0.5, 500).default(8),
  lightPercent: percent.default(60),
  shadePercent: percent.default(45),
  light: paintSchema.default({ role: 'paper' }),
  shade: paintSchema.default({ role: 'ink' }),
});

/** The slope of a softened edge at its steepest, times its standard deviation: 1 ÷ √2π. */
const STEEPEST = 1 / Math.sqrt(2 * Math.PI);

/** Rims that catch the light of the mark on one side and lie in shade on the other. */
export const relief: TreatmentKind<typeof reliefSchema> = {
  schema: reliefSchema,
  label: 'Relief',
  words: ['emboss', 'deboss', 'bevel', 'raised', 'sunk', 'chiseled', 'carved', '3d', 'coin'],
  hint: 'Edges in the light of the mark: raised or sunk, rounded or cut like a chiseled letter; outlines in every file',
  describe: ({ sunk, shape, widthPx }) => `${sunk ? 'sunk' : 'raised'}, ${shape}, ${widthPx} px`,
  controls: [
    { type: 'tick', field: 'sunk', label: 'Sunk', hint: 'Into the sheet instead of out of it' },
    {
      type: 'choice',
      field: 'shape',
      label: 'Edge',
      hint: 'Rounded like a coin, or cut in flat faces like a chiseled letter',
      options: SHAPES.map((value) => ({ value, label: value === 'round' ? 'rounded' : 'cut' })),
    },
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How wide the sloping edge is' },
    { type: 'number', field: 'lightPercent', label: 'Light', unit: '%', hint: 'How strong the lit side is' },
    { type: 'number', field: 'shadePercent', label: 'Shade', unit: '%', hint: 'How strong the shaded side is' },
    { type: 'paint', field: 'light', label: 'Lit', hint: 'What the lit side is painted with' },
    { type: 'paint', field: 'shade', label: 'Shaded', hint: 'What the shaded side is painted with' },
  ],
  handles: [{ type: 'edge', length: 'widthPx', side: -1 }],
  inOneColor: 'dropped',
  lit: true,
  treat: (relief, layers, context) => raised(relief, layers, context, false),
  quick: (relief, layers, context) => raised(relief, layers, context, true),
};

function raised(relief: z.infer<typeof reliefSchema>, layers: Layers, { paths, light }: TreatContext, quick: boolean): Layers {
  const area = faceArea(layers, paths);
  const box = boundsOf(area.path);
  if (!box) return layers;
  // A rounded edge is a softened one; its slope is felt over two standard deviations.
  const sigma = relief.widthPx / 2;
  const grid = softGrid(box, relief.shape === 'round' ? sigma : relief.widthPx / 4, quick ? QUICK_CELLS : 1);
  const { columns, rows, cell } = grid;
  const covered = coverageOf(area, grid);
  const wide = relief.widthPx / cell;
  const height =
    relief.shape === 'round'
      ? softCoverage(area, grid, sigma)
      : gaussian(
          distanceInside(
            Uint8Array.from(covered, (share) => (share >= 0.5 ? 1 : 0)),
            columns,
            rows,
          ).map((away) => Math.min(away, wide)),
          columns,
          rows,
          0.7,
        );
  const full = relief.shape === 'round' ? (STEEPEST * cell) / sigma : 1;
  const toward = (light.fromDeg * Math.PI) / 180;
  const [lx, ly] = [Math.cos(toward), Math.sin(toward)];
  const near = gaussian(covered, columns, rows, 1);
  const lit = new Float32Array(columns * rows);
  const shaded = new Float32Array(columns * rows);
  for (let row = 1; row < rows - 1; row++)
    for (let column = 1; column < columns - 1; column++) {
      const at = row * columns + column;
      if ((near[at] as number) < 0.02) continue;
      const across = ((height[at + 1] as number) - (height[at - 1] as number)) / 2;
      const down = ((height[at + columns] as number) - (height[at - columns] as number)) / 2;
      // It rises inward: the side that faces the light rises away from it.
      const bright = (-(across * lx + down * ly) / full) * (relief.sunk ? -1 : 1);
      if (bright > 0) lit[at] = Math.min(1, bright);
      else shaded[at] = Math.min(1, -bright);
    }
  const within = { area, paths, quick };
  return {
    ...layers,
    front: [
      ...layers.front,
      ...softWithin(shaded, grid, relief.shade, relief.shadePercent, within),
      ...softWithin(lit, grid, relief.light, relief.lightPercent, within),
    ],
  };
}
