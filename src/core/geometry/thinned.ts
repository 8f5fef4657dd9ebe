import type { Point } from './point';

/** Which points between the ends of some spans have to stay, so that no point lies farther than a distance from what is left. */
function keptBetween(
  at: (index: number) => Point,
  count: number,
  spans: readonly (readonly [number, number])[],
  within: number,
): Uint8Array {
  const kept = new Uint8Array(count);
  const stack = [...spans];
  for (const span of spans) for (const end of span) kept[end] = 1;
  for (let span = stack.pop(); span; span = stack.pop()) {
    const [from, to] = span;
    const [a, b] = [at(from), at(to)];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const length = Math.hypot(dx, dy);
    let worst = within;
    let split = -1;
    for (let index = from + 1; index < to; index++) {
      const { x, y } = at(index);
      const off = length > 0 ? Math.abs((x - a.x) * dy - (y - a.y) * dx) / length : Math.hypot(x - a.x, y - a.y);
      if (off > worst) [worst, split] = [off, index];
    }
    if (split < 0) continue;
    kept[split] = 1;
    stack.push([from, split], [split, to]);
  }
  return kept;
}

/**
 * The points of an open line that have to stay, by their places in it: its ends, and as few others as keep the rest within a distance.
 * @source D. Douglas, T. Peucker, Cartographica 10(2), 1973
 */
export function thinnedLine(points: readonly Point[], within: number): readonly number[] {
  if (points.length < 3) return points.map((_, index) => index);
  const kept = keptBetween((index) => points[index] as Point, points.length, [[0, points.length - 1]], within);
  return points.flatMap((_, index) => (kept[index] ? [index] : []));
}

/** A closed line with as few of its points as keep it within a distance of all: two open lines, from its first point to the farthest from it, and back. */
export function thinnedRing(ring: readonly Point[], within: number): readonly Point[] {
  const [first] = ring;
  if (ring.length < 4 || !first) return ring;
  let far = 0;
  let most = 0;
  ring.forEach(({ x, y }, index) => {
    const away = (x - first.x) ** 2 + (y - first.y) ** 2;
    if (away > most) [most, far] = [away, index];
  });
  const spans: readonly (readonly [number, number])[] = [
    [0, far],
    [far, ring.length],
  ];
  const kept = keptBetween((index) => ring[index % ring.length] as Point, ring.length + 1, spans, within);
  return ring.filter((_, index) => kept[index]);
}
