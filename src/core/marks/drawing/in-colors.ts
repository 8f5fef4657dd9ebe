import type { Dress } from '../../color/dressings';
import type { DrawingNode, Fill } from './drawing';
import { colorOf } from './paint';
import type { PaintedNode } from './painted';

/** Nodes in the colors of a dressing, as they are seen: what stood for a treated picture's body is left behind. */
export const inColors = (nodes: readonly PaintedNode[], dress: Dress): readonly DrawingNode[] =>
  nodes.map((node) => {
    if (node.kind === 'group') {
      const { body: _body, shades, ...group } = node;
      // Where there is one color no tone of another falls on anything.
      const fallen = shades && dress.loose === undefined ? { shades: inColors(shades, dress) as readonly Fill[] } : {};
      return { ...group, ...fallen, children: inColors(node.children, dress) };
    }
    if (node.kind === 'picture') return node;
    const { paint, gradient, ...fill } = node;
    const stops = gradient?.stops.map(({ at, opacity, paint: stop }) => ({ at, opacity, color: colorOf(stop, dress) })) ?? [];
    const color = colorOf(paint, dress);
    // One color has no other to pass into.
    if (!gradient || dress.loose !== undefined) return { ...fill, color };
    return { ...fill, color, gradient: { ...gradient, stops } };
  });
