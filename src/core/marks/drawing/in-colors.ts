import type { Dress } from '../../color/dressings';
import type { PathAlgebra } from '../../geometry';
import { laidOut } from '../laying';
import type { DrawingNode, Fill } from './drawing';
import { colorOf } from './paint';
import type { PaintedNode } from './painted';

/**
 * Nodes in the colors of a dressing, as they are seen: what stood for a treated picture's body is left behind, and what no file can paint by
 * itself is laid in pieces.
 */
export const inColors = (nodes: readonly PaintedNode[], dress: Dress, paths: PathAlgebra): readonly DrawingNode[] =>
  nodes.map((node) => {
    if (node.kind === 'group') {
      const { body: _body, shades, ...group } = node;
      // Where there is one color no tone of another falls on anything.
      const fallen = shades && dress.loose === undefined ? { shades: inColors(shades, dress, paths) as readonly Fill[] } : {};
      return { ...group, ...fallen, children: inColors(node.children, dress, paths) };
    }
    if (node.kind === 'picture') return node;
    const { laid, ...plain } = node;
    // One color has no other to pass into.
    const inPieces = laid && laidOut(node, dress.loose === undefined, paths);
    if (inPieces) return inColors([inPieces], dress, paths)[0] as DrawingNode;
    const { paint, gradient, ...fill } = plain;
    const stops = gradient?.stops.map(({ at, opacity, paint: stop }) => ({ at, opacity, color: colorOf(stop, dress) })) ?? [];
    const color = colorOf(paint, dress);
    if (!gradient || dress.loose !== undefined) return { ...fill, color };
    return { ...fill, color, gradient: { ...gradient, stops } };
  });
