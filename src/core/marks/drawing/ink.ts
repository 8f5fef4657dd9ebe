import { boundsOf, unite, type Affine, type Bounds } from '../../geometry';
import { walkNodes, type DrawingNode } from './drawing';
import type { PaintedNode } from './painted';

/** What two boxes share. */
function shared(one: Bounds | undefined, other: Bounds | undefined): Bounds | undefined {
  if (!one || !other) return undefined;
  const box = {
    left: Math.max(one.left, other.left),
    top: Math.max(one.top, other.top),
    right: Math.min(one.right, other.right),
    bottom: Math.min(one.bottom, other.bottom),
  };
  return box.left <= box.right && box.top <= box.bottom ? box : undefined;
}

/**
 * Exact ink bounds of nodes under a map: of bodies, unless `shown` asks for all that is seen. What is seen through an outline reaches at most
 * as far as that.
 */
export function inkOf(nodes: readonly (DrawingNode | PaintedNode)[], map: Affine, shown = false): Bounds | undefined {
  let ink: Bounds | undefined;
  walkNodes(
    nodes,
    ({ path }, spot) => {
      let box = boundsOf(path, spot.map);
      for (const { group, map: there } of spot.around) if (group.clip) box = shared(box, boundsOf(group.clip.path, there));
      ink = unite(ink, box);
    },
    { map, shown },
  );
  return ink;
}

/** Whether anything in a picture shows more, or less, than its body. */
export const showsMore = (nodes: readonly PaintedNode[]): boolean =>
  nodes.some((node) => node.kind === 'group' && (node.body !== undefined || showsMore(node.children)));
