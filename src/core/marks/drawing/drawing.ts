import type { Hex } from '../../color/hex';
import { compose, IDENTITY, mapPath, type Affine, type FillRule, type Path, type Region } from '../../geometry';

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

export const SPREADS = ['pad', 'reflect', 'repeat'] as const;

/** Colors that pass into one another. @source W3C SVG 2, 14.2 "Gradients" */
export interface Gradient<Stop = { readonly color: Hex }> {
  readonly kind: 'linear' | 'radial';
  /** From the gradient's plane to the fill's coordinates. Linear ones run from 0 0 to 1 0 there, radial ones from 0 0 to the unit circle. */
  readonly map: Affine;
  /** What lies before the first stop and beyond the last. */
  readonly spread: (typeof SPREADS)[number];
  /** In order; `at` and `opacity` in [0, 1]. */
  readonly stops: readonly (Stop & { readonly at: number; readonly opacity: number })[];
}

/** One filled outline, in its group's coordinates. */
export interface Fill {
  readonly kind: 'fill';
  readonly path: Path;
  readonly rule: FillRule;
  /** Of a gradient: the color that stands for it where only one can be. */
  readonly color: Hex;
  readonly gradient?: Gradient;
  /** In [0, 1]. */
  readonly opacity: number;
}

/** A picture seen through an outline, in its group's coordinates. */
export interface PictureFill {
  readonly kind: 'picture';
  /** The digest of its file; each writer knows where the pixels are. */
  readonly sha256: string;
  /** From the unit square that the picture fills, 0 0 its upper left, to the group's coordinates. */
  readonly map: Affine;
  /** What is seen of it: all of its frame, or what was left when it was cut. */
  readonly path: Path;
  readonly rule: FillRule;
  /** Whether some of its pixels let through what lies behind. */
  readonly clear?: true;
  /** In [0, 1]. */
  readonly opacity: number;
}

/** Where there is one color, what is painted in such a group is hatched, left open, or not there at all. */
export type OneColorBehavior = 'hatched' | 'open' | 'dropped';

/** Nodes that are painted together, back to front, then placed, made translucent and blended as one. */
export interface Group {
  readonly kind: 'group';
  /** The part this group draws, unique within a drawing; empty where it stands for no part. */
  readonly id: string;
  readonly transform: Affine;
  readonly opacity: number;
  readonly blend: Blend;
  /** Nothing outside this outline (in the group's own coordinates) is painted. */
  readonly clip?: { readonly path: Path; readonly rule: FillRule };
  /** An area, in the group's own coordinates, that is taken away from all that is painted before the group. Nobody outside the resolver meets one. */
  readonly carves?: Region;
  /** Tones, in the group's own coordinates, that fall on all that is painted before the group and on nothing else. Nobody outside the resolver meets them. */
  readonly shades?: readonly Fill[];
  /** What becomes of it where there is one color, where that is not decided by what is seen. */
  readonly oneColor?: OneColorBehavior;
  /** Whether its children are pieces of one thing, for files that cannot show it whole: they are never told apart. */
  readonly pieces?: true;
  readonly children: readonly DrawingNode[];
}

export type DrawingNode = Fill | PictureFill | Group;

/** What a group is to whoever walks through nodes, dressed or not. */
type Walked = Omit<Group, 'children'> & {
  readonly children: readonly unknown[];
  /** Of a picture with treatments: what stands for it wherever it is followed or measured. */
  readonly body?: readonly unknown[];
};
type LeafOf<N> = Exclude<N, { readonly kind: 'group' }>;

/** Where a leaf lies: its plane's map to the one that the walk began in, and the groups around it, the outermost first. */
export interface Spot {
  readonly map: Affine;
  readonly around: readonly { readonly group: Walked; readonly map: Affine }[];
}

/**
 * Goes through nodes back to front and shows every one that is painted, with where it lies: the one walk for all who measure, cut or look
 * through drawings.
 * Where a group has a body besides what it shows, the body is what is met, unless `shown` asks for what is seen.
 * @param enters whether a group is gone into; all are, unless said otherwise
 */
export function walkNodes<N extends { readonly kind: string }>(
  nodes: readonly N[],
  visit: (leaf: LeafOf<N>, spot: Spot) => void,
  {
    map = IDENTITY,
    enters,
    shown = false,
  }: { readonly map?: Affine; readonly enters?: (group: Walked) => boolean; readonly shown?: boolean } = {},
): void {
  const into = (inner: readonly N[], spot: Spot): void => {
    for (const node of inner) {
      if (node.kind !== 'group') {
        visit(node as LeafOf<N>, spot);
        continue;
      }
      const group = node as unknown as Walked;
      if (enters && !enters(group)) continue;
      const own = compose(spot.map, group.transform);
      into(((shown ? undefined : group.body) ?? group.children) as readonly N[], {
        map: own,
        around: [...spot.around, { group, map: own }],
      });
    }
  };
  into(nodes, { map, around: [] });
}

/** The digests of all pictures in a drawing, each once. */
export function picturesIn(drawing: Drawing): readonly string[] {
  const found = new Set<string>();
  walkNodes<DrawingNode>(drawing.groups, (node) => node.kind === 'picture' && found.add(node.sha256));
  return [...found];
}

/** How large every picture of a drawing is shown at most, in mark pixels along its own sides. */
export function pictureSizes(drawing: Drawing): ReadonlyMap<string, { readonly width: number; readonly height: number }> {
  const sizes = new Map<string, { readonly width: number; readonly height: number }>();
  walkNodes<DrawingNode>(drawing.groups, (node, { map }) => {
    if (node.kind !== 'picture') return;
    const { a, b, c, d } = compose(map, node.map);
    const before = sizes.get(node.sha256) ?? { width: 0, height: 0 };
    sizes.set(node.sha256, { width: Math.max(before.width, Math.hypot(a, b)), height: Math.max(before.height, Math.hypot(c, d)) });
  });
  return sizes;
}

/** The outlines of all that is painted, each where it lies in the plane that `map` leads to: of bodies, unless `shown` asks for what is seen. */
export function outlinesIn<N extends DrawingNode | { readonly kind: string }>(
  nodes: readonly N[],
  map: Affine = IDENTITY,
  shown = false,
): readonly Region[] {
  const found: Region[] = [];
  walkNodes(
    nodes,
    (leaf, { map: own }) => {
      const { path, rule } = leaf as unknown as Region;
      found.push({ path: mapPath(path, own), rule });
    },
    { map, shown },
  );
  return found;
}

/** What anybody sees of a mark: renderer-free, back to front, in mark pixels. */
export interface Drawing {
  readonly groups: readonly Group[];
}
