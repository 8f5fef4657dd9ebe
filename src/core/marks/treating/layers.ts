import { boundsOf, compose, contoursNear, IDENTITY, invert, mapPath, type Affine, type PathAlgebra, type Region } from '../../geometry';
import { outlinesIn } from '../drawing/drawing';
import type { Paint } from '../drawing/paint';
import type { PaintedFill, PaintedNode } from '../drawing/painted';
import type { Layers } from './treatment';

export const layersOf = (face: readonly PaintedNode[]): Layers => ({ behind: [], face, front: [] });

/** All that is painted, back to front. */
export const allOf = ({ behind, face, front }: Layers): readonly PaintedNode[] => [...behind, ...face, ...front];

/** A region in one paint; nothing where there is no area. */
export const painted = ({ path, rule }: Region, paint: Paint, opacity = 1): readonly PaintedFill[] =>
  path.verbs === '' || opacity <= 0 ? [] : [{ kind: 'fill', path, rule, paint, opacity }];

const areas = new WeakMap<readonly PaintedNode[], Region>();

/** What nodes cover, as one area in their own plane; welded once for each list of nodes. */
function areaOf(nodes: readonly PaintedNode[], paths: PathAlgebra): Region {
  const kept = areas.get(nodes);
  if (kept) return kept;
  const area = paths.weld(outlinesIn(nodes, IDENTITY, true));
  areas.set(nodes, area);
  return area;
}

/** The outlines of all that is seen so far, one by one: letters grown one by one and welded then are quicker than the welded word, and the same area. */
export const outlinesOf = ({ behind, face, front }: Layers): readonly Region[] =>
  outlinesIn([...behind, ...face, ...front], IDENTITY, true);

/** What the face covers. */
export const faceArea = ({ face }: Layers, paths: PathAlgebra): Region => areaOf(face, paths);

/** All that is seen of a picture so far, as one area. */
export function silhouette(layers: Layers, paths: PathAlgebra): Region {
  if (layers.behind.length === 0 && layers.front.length === 0) return areaOf(layers.face, paths);
  return paths.weld(outlinesOf(layers));
}

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
  return nodes.flatMap((node): readonly PaintedNode[] => {
    if (node.kind !== 'group') return change(node, map);
    return [{ ...node, children: mapLeaves(node.children, change, compose(map, node.transform)) }];
  });
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
