import { boundsOf, flatten, grown, islandsOf, type PathAlgebra, type Point, type Region, weightOf } from '../../geometry';

/** A place where two shapes cross. */
interface Crossing {
  readonly pair: readonly [number, number];
  readonly place: Region;
  readonly center: Point;
  /** How far along the outline of either shape it lies. */
  readonly along: readonly [number, number];
  /** Which of the pair passes over: 0 or 1. */
  over?: 0 | 1;
}

/** How far along a shape's longest outline the place nearest to a point lies. */
function alongOutline(region: Region, point: Point): number {
  const polygons = flatten(region.path, 0.25);
  const lengths = polygons.map((polygon) =>
    polygon.reduce((sum, a, index) => sum + distance(a, polygon[(index + 1) % polygon.length] ?? a), 0),
  );
  const polygon = polygons[lengths.indexOf(Math.max(...lengths))] ?? [];
  let [best, nearest, walked] = [0, Infinity, 0];
  polygon.forEach((a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    const side = distance(a, b);
    const t = side === 0 ? 0 : Math.min(1, Math.max(0, ((point.x - a.x) * (b.x - a.x) + (point.y - a.y) * (b.y - a.y)) / (side * side)));
    const away = Math.hypot(a.x + t * (b.x - a.x) - point.x, a.y + t * (b.y - a.y) - point.y);
    if (away < nearest) [nearest, best] = [away, walked + t * side];
    walked += side;
  });
  return best;
}
const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

function crossingsOf(shapes: readonly Region[], paths: PathAlgebra): readonly Crossing[] {
  const found: Crossing[] = [];
  shapes.forEach((one, i) =>
    shapes.slice(i + 1).forEach((other, offset) => {
      const j = i + 1 + offset;
      for (const island of islandsOf(paths.combine('intersect', one, other))) {
        const box = boundsOf(island.path);
        const center = weightOf([island], 0.1) ?? (box && { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 });
        if (!center) continue;
        found.push({ pair: [i, j], place: island, center, along: [alongOutline(one, center), alongOutline(other, center)] });
      }
    }),
  );
  return found;
}

/** Along every shape, over and under take turns from crossing to crossing; where that cannot be everywhere, the first choice holds. */
function alternate(crossings: readonly Crossing[], shapes: number): void {
  const orders = Array.from({ length: shapes }, (_, shape) =>
    crossings
      .filter(({ pair }) => pair.includes(shape))
      .map((crossing) => ({ crossing, at: crossing.along[crossing.pair[0] === shape ? 0 : 1] }))
      .sort((one, other) => one.at - other.at)
      .map(({ crossing }) => crossing),
  );
  const isOver = (crossing: Crossing, shape: number) => crossing.over !== undefined && crossing.pair[crossing.over] === shape;
  for (const first of crossings) {
    if (first.over !== undefined) continue;
    first.over = 1;
    const waiting = [first];
    for (let here = waiting.pop(); here; here = waiting.pop())
      for (const shape of here.pair) {
        const order = orders[shape] as readonly Crossing[];
        const at = order.indexOf(here);
        for (const next of [order[(at + 1) % order.length], order.at(at - 1)]) {
          if (!next || next === here || next.over !== undefined) continue;
          const over = !isOver(here, shape);
          next.over = (next.pair[0] === shape) === over ? 0 : 1;
          waiting.push(next);
        }
      }
  }
}

/**
 * Shapes that pass over and under each other alternately: at every crossing the one that goes under stops short of the other by an even gap.
 * @param shapes welded areas, back to front
 * @param first which of the first two begins on top
 * @returns the areas in the same order
 */
export function weave(shapes: readonly Region[], gap: number, first: boolean, paths: PathAlgebra): readonly Region[] {
  const crossings = crossingsOf(shapes, paths);
  alternate(crossings, shapes.length);
  const wide = new Map<number, Region>();
  const widened = (shape: number): Region => {
    const kept = wide.get(shape) ?? grown(shapes[shape] as Region, gap, 'round', paths);
    wide.set(shape, kept);
    return kept;
  };
  return shapes.map((shape, index) =>
    crossings.reduce((rest, { pair, place, over }) => {
      if (!pair.includes(index) || over === undefined) return rest;
      const top = pair[first ? over : 1 - over] as number;
      if (top === index) return rest;
      // Only around this crossing, so that the two meet elsewhere as they will.
      const near = grown(place, 2.5 * gap + 0.5, 'round', paths);
      return paths.combine('subtract', rest, paths.combine('intersect', widened(top), near));
    }, shape),
  );
}
