import { compose, flatten, mapPath, rotation, translation, type Affine, type Point, type Polygon } from '../../geometry';
import type { FlatLetter } from './flat-text';
import type { Touch } from './schema';

/** Curves are flattened to within this many 1/1000 em before outlines are brought together. */
const FLATTEN_PERMILLE = 0.5;

interface Edge {
  readonly a: Point;
  readonly b: Point;
}

const edgesOf = (polygons: readonly Polygon[]): readonly Edge[] =>
  polygons.flatMap((polygon) => polygon.map((a, index) => ({ a, b: polygon[(index + 1) % polygon.length] ?? a })));

/** The x of an edge at a height, nearest to the side asked for; nothing where the edge does not reach. */
function edgeAt({ a, b }: Edge, y: number, side: 'left' | 'right'): number | undefined {
  if (y < Math.min(a.y, b.y) || y > Math.max(a.y, b.y)) return undefined;
  if (a.y === b.y) return side === 'left' ? Math.min(a.x, b.x) : Math.max(a.x, b.x);
  return a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x);
}

/**
 * How far the right outline can move left until it first meets the left one. Exact for polygons: the distance along x is piecewise linear in y,
 * so that it is least at a corner of one of them.
 * @returns Infinity when they share no height
 */
export function horizontalGap(left: readonly Polygon[], right: readonly Polygon[]): number {
  const leftEdges = edgesOf(left);
  const rightEdges = edgesOf(right);
  let least = Infinity;
  for (const { a } of leftEdges)
    for (const edge of rightEdges) {
      const x = edgeAt(edge, a.y, 'left');
      if (x !== undefined) least = Math.min(least, x - a.x);
    }
  for (const { a } of rightEdges)
    for (const edge of leftEdges) {
      const x = edgeAt(edge, a.y, 'right');
      if (x !== undefined) least = Math.min(least, a.x - x);
    }
  return least;
}

const turnedAbout = (map: Affine, center: Point, angleDeg: number): Affine => {
  if (angleDeg === 0) return map;
  const x = map.a * center.x + map.c * center.y + map.e;
  const y = map.b * center.x + map.d * center.y + map.f;
  return compose(compose(translation(x, y), compose(rotation(angleDeg), translation(-x, -y))), map);
};

/**
 * Brings every letter up to the one before it until their outlines meet, moving (and, where that does not suffice, turning) within the limits.
 * What follows moves along. Pairs that cannot meet within the limits are moved as far as they may.
 * @returns the letters, and the pairs that still do not touch
 */
export function touchLetters(
  letters: readonly FlatLetter[],
  touch: Touch,
): { readonly letters: readonly FlatLetter[]; readonly apart: readonly string[] } {
  const apart: string[] = [];
  const angles = [0, ...Array.from({ length: Math.floor(touch.mostDeg) }, (_, n) => [n + 1, -n - 1]).flat()];
  let shift = 0;
  let before: { readonly polygons: readonly Polygon[]; readonly letter: FlatLetter } | undefined;
  const placed = letters.map((letter): FlatLetter => {
    const moved = compose(translation(shift, 0), letter.map);
    const polygonsAt = (map: Affine) => flatten(mapPath(letter.outline.path, map), FLATTEN_PERMILLE);
    if (letter.outline.path.verbs === '') {
      before = undefined;
      return { ...letter, map: moved, left: letter.left + shift, right: letter.right + shift };
    }
    let best = { angleDeg: 0, gap: Infinity };
    if (before)
      for (const angleDeg of angles) {
        const gap = horizontalGap(before.polygons, polygonsAt(turnedAbout(moved, letter.center, angleDeg)));
        if (gap < best.gap) best = { angleDeg, gap };
        if (gap <= touch.mostPermille) break;
      }
    // Letters that overlap already stay where they are.
    const by = before && best.gap > 0 ? Math.min(Number.isFinite(best.gap) ? best.gap + touch.overlapPermille : 0, touch.mostPermille) : 0;
    if (before && (best.gap === Infinity || best.gap > touch.mostPermille)) apart.push(before.letter.letter.text + letter.letter.text);
    shift -= by;
    const map = compose(translation(-by, 0), turnedAbout(moved, letter.center, best.angleDeg));
    before = { polygons: polygonsAt(map), letter };
    return { ...letter, map, left: letter.left + shift, right: letter.right + shift };
  });
  return { letters: placed, apart };
}
