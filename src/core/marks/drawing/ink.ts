import { boundsOf, unite, type Affine, type Bounds } from '../../geometry';
import { walkNodes, type DrawingNode } from './drawing';
import type { PaintedNode } from './painted';

/** Exact ink bounds of nodes under a map: of bodies, unless `shown` asks for all that is seen. */
export function inkOf(nodes: readonly (DrawingNode | PaintedNode)[], map: Affine, shown = false): Bounds | undefined {
  let ink: Bounds | undefined;
  walkNodes(
    nodes,
    ({ path }, spot) => {
      ink = unite(ink, boundsOf(path, spot.map));
    },
    { map, shown },
  );
  return ink;
}

/** Whether anything in a picture shows more, or less, than its body. */
export const showsMore = (nodes: readonly PaintedNode[]): boolean =>
  nodes.some((node) => node.kind === 'group' && (node.body !== undefined || showsMore(node.children)));
