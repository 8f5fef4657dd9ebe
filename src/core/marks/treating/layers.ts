import {
  boundsOf,
  compose,
  contoursNear,
  grown,
  IDENTITY,
  invert,
  mapPath,
  weldGrown,
  type Affine,
  type Join,
  type PathAlgebra,
  type Region,
} from '../../geometry';
import { outlinesIn, walkNodes } from '../drawing/drawing';
import type { Paint } from '../drawing/paint';
import type { PaintedFill, PaintedNode } from '../drawing/painted';
import type { Layers } from './treatment';

export const layersOf = (face: readonly PaintedNode[]): Layers => ({ behind: [], face, front: [] });

/** All that is painted, back to front. */
export const allOf = ({ behind, face, front }: Layers): readonly PaintedNode[] => [...behind, ...face, ...front];

/** A region in one paint; nothing where there is no area. */
export const painted = ({ path, rule }: Region, paint: Paint, opacity = 1): readonly PaintedFill[] =>
  path.verbs === '' || opacity <= 0 ? [] : [{ kind: 'fill', path, rule, paint, opacity }];

const areas = new WeakMap<PathAlgebra, WeakMap<object, Region>>();

/** An area of something, found once with each algebra: what was combined unchecked is never taken for what is checked. */
function foundBy(paths: PathAlgebra, of: object, find: () => Region): Region {
  const known = areas.get(paths) ?? new WeakMap<object, Region>();
  areas.set(paths, known);
  const area = known.get(of) ?? find();
  known.set(of, area);
  return area;
}

/** What nodes cover, as one area in their own plane; welded once for each list of nodes. */
const areaOf = (nodes: readonly PaintedNode[], paths: PathAlgebra): Region => foundBy(paths, nodes, () => paths.weld(outlinesOnce(nodes)));

/**
 * The outlines of all that is seen so far, one by one: letters grown one by one and welded then are quicker than the welded word, and the same area.
 * What is shown many times at one place, as a soft edge shows it, is one outline.
 */
export const outlinesOf = ({ behind, face, front }: Layers): readonly Region[] => outlinesOnce([...behind, ...face, ...front]);
function outlinesOnce(nodes: readonly PaintedNode[]): readonly Region[] {
  const found: Region[] = [];
  const places = new Map<object, Set<string>>();
  walkNodes(
    nodes,
    (leaf, { map }) => {
      const place = Object.values(map).join();
      const known = places.get(leaf) ?? new Set();
      if (known.has(place)) return;
      places.set(leaf, known.add(place));
      found.push({ path: mapPath(leaf.path, map), rule: leaf.rule });
    },
    { shown: true },
  );
  return found;
}

/** So many outlines a treatment that repeats a picture may make of it: several of them on one part would multiply. */
const MOST_OUTLINES = 1500;
/** How often a picture may be repeated, at most `wanted` times. */
export const timesFor = (layers: Layers, wanted: number): number =>
  Math.min(wanted, Math.floor(MOST_OUTLINES / Math.max(1, outlinesIn(allOf(layers), IDENTITY, true).length)));

/** What the face covers. */
export const faceArea = ({ face }: Layers, paths: PathAlgebra): Region => areaOf(face, paths);

/** All that is seen of a picture so far, as one area. */
export function silhouette(layers: Layers, paths: PathAlgebra): Region {
  const known = silhouettes.get(layers);
  if (known) return known();
  if (layers.behind.length === 0 && layers.front.length === 0) return areaOf(layers.face, paths);
  return foundBy(paths, layers, () => paths.weld(outlinesOf(layers)));
}
/** Silhouettes that whoever made the layers knows. */
const silhouettes = new WeakMap<Layers, () => Region>();

/** Layers with one area more behind: their silhouette is the one before and that area, whatever they were welded of. @param area of the silhouette before */
export function withBehind(layers: Layers, area: Region, more: Region, nodes: readonly PaintedNode[], paths: PathAlgebra): Layers {
  if (nodes.length === 0) return layers;
  const made: Layers = { ...layers, behind: [...nodes, ...layers.behind] };
  let welded: Region | undefined;
  silhouettes.set(made, () => (welded ??= paths.weld([area, more])));
  return made;
}

/** Areas that hold all that is seen, with how far it must be grown at least until nothing in them stays open. */
const filled = new WeakMap<Layers, { readonly area: Region; readonly from: number }>();
export function fillsWith(layers: Layers, area: Region, from: number): void {
  filled.set(layers, { area, from });
}

/** Layers that an area behind them covers whole: it is their silhouette. */
export function coveredBy(layers: Layers, area: Region): Layers {
  silhouettes.set(layers, () => area);
  fillsWith(layers, area, 0);
  return layers;
}

/** All that is seen grown by a distance: of the one area that it fills then, where that is known, else piece by piece. */
export function allGrown(layers: Layers, by: number, join: Join, paths: PathAlgebra): Region {
  const known = filled.get(layers);
  return known && by >= known.from ? grown(known.area, by, join, paths) : weldGrown(outlinesOf(layers), by, join, paths);
}
/** From which distance on growing fills all gaps of what is seen, where that is known. */
export const fillsFrom = (layers: Layers): number => filled.get(layers)?.from ?? 0;

type Leaf = Exclude<PaintedNode, { readonly kind: 'group' }>;

/**
 * Nodes with every leaf of what is seen exchanged.
 * @param change is given each leaf with the map from its own plane to that of the nodes, and gives leaves in the leaf's own plane
 */
export function mapLeaves(
  nodes: readonly PaintedNode[],
  change: (leaf: Leaf, map: Affine) => readonly PaintedNode[],
  map: Affine = IDENTITY,
): readonly PaintedNode[] {
  // What is shown many times at one place is changed once, and stays one thing.
  const known = new Map<Leaf, Map<string, readonly PaintedNode[]>>();
  const into = (inner: readonly PaintedNode[], own: Affine): readonly PaintedNode[] =>
    inner.flatMap((node): readonly PaintedNode[] => {
      if (node.kind === 'group') return [{ ...node, children: into(node.children, compose(own, node.transform)) }];
      const places = known.get(node) ?? new Map<string, readonly PaintedNode[]>();
      known.set(node, places);
      const place = Object.values(own).join();
      const made = places.get(place) ?? change(node, own);
      places.set(place, made);
      return made;
    });
  return into(nodes, map);
}

/** Takes an area away from every leaf, each by what of it comes near. @param area in the nodes' plane */
export function cutAway(nodes: readonly PaintedNode[], area: Region, paths: PathAlgebra): readonly PaintedNode[] {
  const near = contoursNear(area);
  return cutLeaves(
    nodes,
    'subtract',
    (leaf) => {
      const box = boundsOf(leaf.path);
      const knife = box && near(box);
      return knife && knife.path.verbs !== '' ? knife : undefined;
    },
    paths,
  );
}

/** Nodes with an area taken away from every leaf, or all but the area. @param area in the nodes' plane, as it is wanted for a leaf there */
export function cutLeaves(
  nodes: readonly PaintedNode[],
  how: 'subtract' | 'intersect',
  area: (leaf: Region) => Region | undefined,
  paths: PathAlgebra,
): readonly PaintedNode[] {
  return mapLeaves(nodes, (leaf, map) => {
    const there: Region = map === IDENTITY ? leaf : { path: mapPath(leaf.path, map), rule: leaf.rule };
    const knife = area(there);
    const back = map === IDENTITY ? IDENTITY : invert(map);
    if (!knife || !back) return [leaf];
    const { path, rule } = paths.combine(how, { path: there.path, rule: there.rule }, knife);
    return path.verbs === '' ? [] : [{ ...leaf, path: back === IDENTITY ? path : mapPath(path, back), rule }];
  });
}
