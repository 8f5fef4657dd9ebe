import { notNought } from '../../numeric/tolerances';
import { z } from 'zod';
import { boundsOf, compose, invert, mapPath, warpPath, type Warp } from '../../geometry';
import { mapLeaves, silhouette } from '../treating/layers';
import { percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const perspectiveSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('perspective'),
  /** About the upright axis; above 0 its right side goes away. */
  turnDeg: z.number().min(-75).max(75).default(25),
  /** About the level axis; above 0 its upper side goes away. */
  tiltDeg: z.number().min(-75).max(75).default(0),
  /** How near the eye is: 0 is far away, where nothing runs together. */
  vanishPercent: percent.default(50),
});

/** The nearest eye stands as far away as so many times the larger side. */
const NEAREST = 0.9;
/** Outlines come this near to their true image, in px. */
const TOLERANCE = 0.05;

/** The picture on a sheet that is turned in space. */
export const perspective: TreatmentKind<typeof perspectiveSchema> = {
  schema: perspectiveSchema,
  label: 'Perspective',
  words: ['perspective', 'turn', 'tilt', '3d', 'space', 'vanishing point', 'rotate', 'angle'],
  hint: 'Turns it in space about either axis; what is farther away becomes smaller, as outlines',
  describe: ({ turnDeg, tiltDeg }) => `${turnDeg}° about, ${tiltDeg}° back`,
  controls: [
    { type: 'number', field: 'turnDeg', label: 'About', unit: '°', hint: 'About the upright axis: above 0 its right side goes away' },
    { type: 'number', field: 'tiltDeg', label: 'Back', unit: '°', hint: 'About the level axis: above 0 its upper side goes away' },
    { type: 'number', field: 'vanishPercent', label: 'Vanishing', unit: '%', hint: 'How strongly what is far runs together' },
  ],
  inOneColor: 'kept',
  treat: ({ turnDeg, tiltDeg, vanishPercent }, layers, { paths }) => {
    const box = boundsOf(silhouette(layers, paths).path);
    if (!box || (turnDeg === 0 && tiltDeg === 0)) return layers;
    const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
    const side = notNought(Math.max(box.right - box.left, box.bottom - box.top));
    const near = vanishPercent === 0 ? 0 : vanishPercent / 100 / (NEAREST * side);
    const [cy1, sy1] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
    const [cx1, sx1] = [Math.cos((tiltDeg * Math.PI) / 180), Math.sin((tiltDeg * Math.PI) / 180)];
    // Turned about both axes, then seen by an eye before its middle: x′ = x ÷ (1 + depth × near).
    const warp: Warp = (x, y) => {
      const [u, v] = [x - cx, y - cy];
      const [px, py] = [u * cy1 + v * sx1 * sy1, v * cx1];
      const w = 1 + (u * sy1 - v * sx1 * cy1) * near;
      const [wx, wy] = [sy1 * near, -sx1 * cy1 * near];
      return {
        x: cx + px / w,
        y: cy + py / w,
        acrossX: (cy1 * w - px * wx) / (w * w),
        acrossY: (-py * wx) / (w * w),
        downX: (sx1 * sy1 * w - px * wy) / (w * w),
        downY: (cx1 * w - py * wy) / (w * w),
      };
    };
    const turned = (nodes: typeof layers.face) =>
      mapLeaves(nodes, (leaf, map) => {
        const back = invert(map);
        if (!back) return [leaf];
        // A picture of pixels cannot be bent: it keeps its place and is leaned as a whole.
        if (leaf.kind === 'picture') {
          const at = warp(cx, cy);
          const lean = { a: at.acrossX, b: at.acrossY, c: at.downX, d: at.downY, e: 0, f: 0 };
          const about = compose(compose({ a: 1, b: 0, c: 0, d: 1, e: cx, f: cy }, lean), { a: 1, b: 0, c: 0, d: 1, e: -cx, f: -cy });
          const own = compose(back, compose(about, map));
          return [{ ...leaf, map: compose(own, leaf.map), path: mapPath(leaf.path, own) }];
        }
        return [{ ...leaf, path: mapPath(warpPath(mapPath(leaf.path, map), warp, TOLERANCE), back) }];
      });
    return { ...layers, behind: turned(layers.behind), face: turned(layers.face), front: turned(layers.front) };
  },
};
