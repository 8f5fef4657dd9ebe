import { z } from 'zod';
import { boundsOf, compose, translation, type Affine } from '../../geometry';
import type { PaintedNode } from '../drawing/painted';
import { allOf, silhouette, timesFor } from '../treating/layers';
import { angleDeg, lengthPx, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const fadingCopiesSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('fading-copies'),
  count: z.number().int().min(1).max(24).default(4),
  angleDeg: angleDeg.default(0),
  distancePx: lengthPx(0, 2000).default(10),
  /** How much smaller each copy is than the one before it. */
  smallerPercent: z.number().min(-50).max(50).default(0),
  fadePercent: percent.default(35),
});

/** Copies that step away behind it, each fainter. */
export const fadingCopies: TreatmentKind<typeof fadingCopiesSchema> = {
  schema: fadingCopiesSchema,
  label: 'Fading copies',
  words: ['echo', 'motion', 'trail', 'speed', 'repeat', 'steps', 'ghost'],
  hint: 'Copies of it step away behind it, each fainter than the one before',
  describe: ({ count, distancePx }) => `${count}, every ${distancePx} px`,
  controls: [
    { type: 'number', field: 'count', label: 'Copies', hint: 'How many stand behind it' },
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', hint: 'Where they go: 0 to the right, 90 down' },
    { type: 'number', field: 'distancePx', label: 'Apart', unit: 'px', hint: 'From one to the next' },
    { type: 'number', field: 'smallerPercent', label: 'Smaller', unit: '%', hint: 'Each than the one before it; below 0 larger' },
    { type: 'number', field: 'fadePercent', label: 'Fade', unit: '%', hint: 'How much fainter each is than the one before it' },
  ],
  handles: [{ type: 'throw', angle: 'angleDeg', length: 'distancePx' }],
  inOneColor: 'dropped',
  treat: (copies, layers, { paths }) => {
    const box = boundsOf(silhouette(layers, paths).path);
    if (!box) return layers;
    const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
    const turn = (copies.angleDeg * Math.PI) / 180;
    const whole = allOf(layers);
    const behind: PaintedNode[] = [];
    for (let n = timesFor(layers, copies.count); n >= 1; n--) {
      const size = (1 - copies.smallerPercent / 100) ** n;
      const away = translation(n * copies.distancePx * Math.cos(turn) + cx, n * copies.distancePx * Math.sin(turn) + cy);
      const transform: Affine = compose(compose(away, { a: size, b: 0, c: 0, d: size, e: 0, f: 0 }), translation(-cx, -cy));
      const opacity = (1 - copies.fadePercent / 100) ** n;
      if (opacity > 0.004) behind.push({ kind: 'group', id: '', transform, opacity, blend: 'normal', children: whole });
    }
    return { ...layers, behind: [...behind, ...layers.behind] };
  },
};
