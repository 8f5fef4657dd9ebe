import type { Hex } from '../color/hex';
import type { Affine, FillRule, Path } from '../geometry';

/** How a group's colors meet what lies behind it. @source W3C Compositing and Blending Level 1, 5 "mix-blend-mode" */
export const BLENDS = [
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
] as const;
export type Blend = (typeof BLENDS)[number];

/** One filled outline, in its group's coordinates. */
export interface Fill {
  readonly kind: 'fill';
  readonly path: Path;
  readonly rule: FillRule;
  readonly color: Hex;
  /** In [0, 1]. */
  readonly opacity: number;
}

/** Nodes that are painted together, back to front, then placed, made translucent and blended as one. */
export interface Group {
  readonly kind: 'group';
  /** The part this group draws; unique within a drawing. */
  readonly id: string;
  readonly transform: Affine;
  readonly opacity: number;
  readonly blend: Blend;
  /** Nothing outside this outline (in the group's own coordinates) is painted. */
  readonly clip?: { readonly path: Path; readonly rule: FillRule };
  readonly children: readonly DrawingNode[];
}

export type DrawingNode = Fill | Group;

/** What anybody sees of a mark: renderer-free, back to front, in mark pixels. */
export interface Drawing {
  readonly groups: readonly Group[];
}
