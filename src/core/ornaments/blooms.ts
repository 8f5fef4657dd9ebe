import { mapPath, PathPen, rotation, translation, type Path } from '../geometry';
import { ellipse } from '../shapes/ellipse';
import { chance, leaf, layered } from './brush';

/** Kinds of blooms, each within a circle of radius 1 about the origin, leaving open what lies between its petals. */
export const BLOOMS = ['anemone', 'daisy', 'rose', 'peony', 'star-flower'] as const;
export type BloomKind = (typeof BLOOMS)[number];

const dot = (radius: number): Path => ellipse(2 * radius, 2 * radius);

/** Petals that stand on a circle, each round at its end and notched where asked. */
function petals(count: number, from: number, to: number, width: number, turn: number, notch = 0): readonly Path[] {
  const half = width / 2;
  const first = new PathPen()
    .move(0, -from)
    .cubic(-half * 0.9, -from - (to - from) * 0.25, -half * 1.15, -to + (to - from) * 0.1, -half * 0.42, -to)
    .cubic(-half * 0.2, -to, -half * 0.1, -to + notch, 0, -to + notch)
    .cubic(half * 0.1, -to + notch, half * 0.2, -to, half * 0.42, -to)
    .cubic(half * 1.15, -to + (to - from) * 0.1, half * 0.9, -from - (to - from) * 0.25, 0, -from)
    .close()
    .path();
  return Array.from({ length: count }, (_, index) => mapPath(first, rotation(turn + (index * 360) / count)));
}

/** A bloom by its kind, turned by its seed where no turn is given. */
export function bloom(kind: BloomKind, seed: number, turnDeg?: number): Path {
  const turn = turnDeg ?? 180 * chance(seed, 1, 1);
  switch (kind) {
    case 'anemone':
      return layered([...petals(6, 0.36, 0.98, 0.84, turn, 0.05), dot(0.24)]);
    case 'daisy':
      return layered([...petals(12, 0.34, 0.95, 0.4, turn, -0.04), dot(0.22)]);
    case 'rose':
      return layered([...petals(5, 0.62, 0.98, 1.05, turn, 0.06), ...petals(5, 0.3, 0.56, 0.58, turn + 36), dot(0.2)]);
    case 'peony':
      return layered([...petals(9, 0.66, 0.98, 0.62, turn, 0.06), ...petals(7, 0.36, 0.6, 0.44, turn + 20), dot(0.26)]);
    case 'star-flower':
      return layered([...petals(5, 0.28, 0.94, 0.56, turn, -0.05), dot(0.18)]);
  }
}

/** A small twig of leaves within a circle of radius 1, along the first axis. */
export function sprig(seed: number, weight: number): Path {
  const pieces: Path[] = [leaf({ x: -0.1, y: 0 }, 0, 1.06, 0.42 * weight)];
  for (const way of [-1, 1]) {
    const open = way * (0.85 + 0.2 * chance(seed, way + 2, 3));
    pieces.push(
      leaf({ x: -0.72, y: 0 }, open, 0.74, 0.44 * weight),
      mapPath(leaf({ x: 0, y: 0 }, open, 0.56, 0.42 * weight), translation(-0.22, 0)),
    );
  }
  pieces.push(
    new PathPen()
      .move(-0.98, -0.05 * weight)
      .line(0.1, -0.035 * weight)
      .line(0.1, 0.035 * weight)
      .line(-0.98, 0.05 * weight)
      .close()
      .path(),
  );
  return layered(pieces);
}
