import { boundsOf, type Point } from '../../../geometry';
import { outlineOf } from '../../../shapes';
import { enclosing, formOf, larger, shapeArea, type FormInput, type Kit } from '../../building/kit';
import type { Paint } from '../../drawing/paint';

export const FRAMES = ['none', 'circle', 'diamond', 'square', 'shield', 'polygon', 'arch', 'wreath', 'oval'] as const;
export type Frame = (typeof FRAMES)[number];

/** A frame about its own center, as wide as 200, and how far below its center the middle of what it holds stands, as a share of its size. */
const FORMS: { readonly [F in Exclude<Frame, 'none' | 'wreath'>]: { readonly form: FormInput; readonly drop: number } } = {
  circle: { form: { form: 'disk', widthPx: 200, heightPx: 200 }, drop: 0 },
  diamond: { form: { form: 'polygon', widthPx: 200, heightPx: 200, corners: 4 }, drop: 0 },
  square: { form: { form: 'panel', widthPx: 200, heightPx: 200, cornerPx: 0 }, drop: 0 },
  shield: { form: { form: 'heaterShield', widthPx: 200, heightPx: 236 }, drop: -0.07 },
  polygon: { form: { form: 'polygon', widthPx: 200, heightPx: 220, corners: 6 }, drop: 0 },
  arch: { form: { form: 'arch', widthPx: 200, heightPx: 270 }, drop: 0.05 },
  oval: { form: { form: 'disk', widthPx: 200, heightPx: 250 }, drop: 0 },
};

export interface FrameStyle {
  readonly frame: Frame;
  /** Air around the letters, in percent of their height. */
  readonly airPercent: number;
  /** A filled ground, a line, or both. */
  readonly filled: boolean;
  readonly linePercent: number;
  readonly paint: Paint;
  readonly ground: Paint;
}

/**
 * A frame around letters that balance on the origin, as small as their outlines and the air allow.
 * @param points of the letters' outlines; @returns nothing is drawn where there is no frame
 */
export function framed(
  kit: Kit,
  points: readonly Point[],
  height: number,
  { frame, airPercent, filled, linePercent, paint, ground }: FrameStyle,
): void {
  if (frame === 'none' || points.length === 0) return;
  const air = (height * airPercent) / 100;
  if (frame === 'wreath') {
    const reach = Math.max(...points.map(({ x, y }) => Math.hypot(x, y))) + air;
    const radius = reach * 1.16;
    if (filled) kit.shape('ground', 'Ground', { form: 'disk', widthPx: reach * 2, heightPx: reach * 2 }, paint);
    kit.shape(
      'frame',
      'Wreath',
      { form: 'laurel', radiusPx: radius, sweepDeg: 158, leaves: 13, leafPercent: 118, weightPx: radius * 0.022, fullnessPercent: 46 },
      paint,
    );
    return;
  }
  const { form, drop } = FORMS[frame];
  const box = boundsOf(outlineOf(formOf(form)));
  const size = box ? box.bottom - box.top : 200;
  // Letters stand on the frame's optical middle: lower than its box's in an arch, higher in a shield.
  let by = enclosing(shapeArea(form), points, air);
  for (let step = 0; step < (drop === 0 ? 0 : 3); step++) {
    const off = drop * size * by;
    by = enclosing(
      shapeArea(form),
      points.map(({ x, y }) => ({ x, y: y + off })),
      air,
    );
  }
  const at = { x: 0, y: -drop * size * by };
  const line = (height * linePercent) / 100;
  if (filled) {
    kit.shape('frame', 'Frame', larger(form, by), paint, at);
    if (line > 0) {
      const inner = (share: number) => larger(form, by * (1 - share));
      kit.shape('frame-line', 'Inner line', inner(0.07), ground, at);
      kit.shape('frame-ground', 'Ground', inner(0.07 + (2 * line) / (size * by)), paint, at);
    }
    return;
  }
  const outer = by + line / 100;
  kit.shape('frame', 'Frame', larger(form, outer), paint, at);
  kit.shape('frame-ground', 'Ground', larger(form, by), ground, at);
}
