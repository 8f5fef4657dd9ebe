import type { Fill, Gradient, Group, PictureFill } from './drawing';
import type { Paint } from './paint';

/** A filled outline before it is dressed: it knows what it is painted with, not which color that is. */
export type PaintedFill = Omit<Fill, 'color' | 'gradient'> & {
  readonly paint: Paint;
  readonly gradient?: Gradient<{ readonly paint: Paint }>;
};
export type PaintedGroup = Omit<Group, 'children' | 'shades'> & {
  readonly children: readonly PaintedNode[];
  readonly shades?: readonly PaintedFill[];
  /** Of a picture with treatments: the picture without them, which is what others follow, fit, align with and measure. */
  readonly body?: readonly PaintedNode[];
};
export type PaintedNode = PaintedFill | PictureFill | PaintedGroup;
