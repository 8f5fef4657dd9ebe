import { z } from 'zod';
import { coverageOf, gaussian, levelsOf, softGrid } from '../../fields';
import { boundsOf, distanceInside, IDENTITY } from '../../geometry';
import type { PaintedNode } from '../drawing/painted';
import { silhouette, timesFor } from '../treating/layers';
import { lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const featherSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('feather'),
  widthPx: lengthPx(0.5, 1000).default(4),
});

/** So many steps from nothing to whole. */
const STEPS = 20;
/** Runs from 0 to 1 without a corner at either end. */
const smooth = (t: number): number => t * t * (3 - 2 * t);

/** An edge that runs out to nothing, inward from where it was. */
export const feather: TreatmentKind<typeof featherSchema> = {
  schema: featherSchema,
  label: 'Soft edge',
  words: ['feather', 'fade', 'soft', 'blur', 'vignette', 'mist'],
  hint: 'Its edge runs out to nothing, inward: nothing becomes larger',
  describe: ({ widthPx }) => `over ${widthPx} px`,
  controls: [{ type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How far inside the edge it is whole again' }],
  handles: [{ type: 'edge', length: 'widthPx', side: -1 }],
  inOneColor: 'kept',
  treat: ({ widthPx }, layers, { paths }) => {
    const area = silhouette(layers, paths);
    const box = boundsOf(area.path);
    if (!box) return layers;
    // As far inside as the edge is wide it is whole; strokes thinner than that stay fainter, and stay.
    const grid = softGrid(box, widthPx / 4);
    const { columns, rows, cell } = grid;
    const mask = Uint8Array.from(coverageOf(area, grid), (share) => (share >= 0.5 ? 1 : 0));
    const away = gaussian(distanceInside(mask, columns, rows), columns, rows, 0.6);
    const left = away.map((cells) => smooth(Math.min(1, Math.max(0, ((cells - 0.5) * cell) / widthPx))));
    const steps = timesFor(layers, STEPS);
    if (steps < 2) return layers;
    const through = (nodes: readonly PaintedNode[]): readonly PaintedNode[] =>
      nodes.length === 0
        ? nodes
        : levelsOf(left, grid, steps, 1).map(({ region: { path, rule }, opacity }) => ({
            ...{ kind: 'group', id: '', transform: IDENTITY, opacity, blend: 'normal' },
            clip: { path, rule },
            children: nodes,
          }));
    return { ...layers, behind: through(layers.behind), face: through(layers.face), front: through(layers.front) };
  },
};
