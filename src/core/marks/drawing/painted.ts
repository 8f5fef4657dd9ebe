import { compose, IDENTITY, invert, type Affine } from '../../geometry';
import type { Fill, Gradient, Group, PictureFill } from './drawing';
import type { Laid } from './laid';
import type { Paint } from './paint';

/** A filled outline before it is dressed: it knows what it is painted with, not which color that is. */
export type PaintedFill = Omit<Fill, 'color' | 'gradient'> & {
  readonly paint: Paint;
  readonly gradient?: Gradient<{ readonly paint: Paint }>;
  readonly laid?: Laid;
};
export type PaintedGroup = Omit<Group, 'children' | 'shades'> & {
  readonly children: readonly PaintedNode[];
  readonly shades?: readonly PaintedFill[];
  /** Of a picture with treatments: the picture without them, which is what others follow, fit, align with and measure. */
  readonly body?: readonly PaintedNode[];
};
export type PaintedNode = PaintedFill | PictureFill | PaintedGroup;

/** A fill in one paint, without the colors that passed into one another; what is knitted stays so. */
export function plainly(fill: PaintedFill, paint: Paint): PaintedFill {
  const { gradient: _gradient, laid, ...plain } = fill;
  return { ...plain, paint, ...(laid?.knit ? { laid: { knit: laid.knit } } : {}) };
}

/** A fill whose colors and stitches go along into another plane; its outline is left to whoever cuts it. @param map from the fill's plane to the other one */
export function movedPaint(fill: PaintedFill, map: Affine): PaintedFill {
  const { gradient, laid, ...plain } = fill;
  const back = invert(map) ?? IDENTITY;
  const knit = laid?.knit && { ...laid.knit, map: compose(laid.knit.map, back) };
  return {
    ...plain,
    // What bends goes by where its gradient lies.
    ...(gradient ? { gradient: { ...gradient, map: compose(map, gradient.map) } } : {}),
    ...(laid ? { laid: { ...laid, ...(knit ? { knit } : {}) } } : {}),
  };
}
