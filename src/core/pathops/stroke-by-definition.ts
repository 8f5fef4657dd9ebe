import { areaD, FillRule, unionD, type PathD, type PathsD } from 'clipper2-ts';
import type { Join, Point } from '../geometry';

/** Corners that turn less than this (radians) belong to a flattened curve: their outer side is round whatever the join. */
const CURVE_TURN = 0.25;
/** Largest turn between two points of a round join, in radians. */
const ROUND_STEP = 0.05;
/** Points nearer than this are one, in the outline's unit. */
const SAME_POINT = 1e-7;
/** Pieces united at once: a union of few is quick, and a tree of unions stays so. */
const BATCH = 60;

const positive = (polygon: PathD): PathD => (areaD(polygon) < 0 ? polygon.reverse() : polygon);
const without = (loop: PathD): PathD =>
  loop.filter(({ x, y }, index) => {
    const before = loop.at(index - 1);
    return before === undefined || Math.hypot(x - before.x, y - before.y) > SAME_POINT;
  });

/** The corner's own piece, on the outer side of a turn from direction `u` to `v` at `at`; empty where the outline goes straight on. */
function joinAt(at: Point, u: Point, v: Point, half: number, join: Join, miterLimit: number): PathD {
  const sine = u.x * v.y - u.y * v.x;
  const turned = Math.abs(Math.atan2(sine, u.x * v.x + u.y * v.y));
  if (turned < 1e-9) return [];
  const side = sine > 0 ? -half : half;
  const from = { x: at.x - u.y * side, y: at.y + u.x * side };
  const to = { x: at.x - v.y * side, y: at.y + v.x * side };
  const between: PathD = [];
  if (join === 'round' || turned < CURVE_TURN) {
    const start = Math.atan2(from.y - at.y, from.x - at.x);
    const sweep = sine > 0 ? turned : -turned;
    const steps = Math.ceil(turned / ROUND_STEP);
    for (let step = 1; step < steps; step++)
      between.push({
        x: at.x + half * Math.cos(start + (sweep * step) / steps),
        y: at.y + half * Math.sin(start + (sweep * step) / steps),
      });
  } else if (join === 'miter' && 1 / Math.cos(turned / 2) <= miterLimit) {
    const reach = Math.tan(turned / 2) * half;
    between.push({ x: from.x + u.x * reach, y: from.y + u.y * reach });
  }
  return positive([{ x: at.x, y: at.y }, from, ...between, to]);
}

/**
 * What a stroke of closed polygons covers, by its very definition: a rectangle along each segment, a join at each corner, united. A miter
 * beyond its limit becomes a bevel. Slow, without special cases, and so the judge where two quicker ways differ.
 * @param half half the stroke's width, in the polygons' unit
 * @source SVG 2, 13.5 "Computing the shape of the stroke"
 */
export function strokeByDefinition(loops: PathsD, half: number, join: Join, miterLimit: number, precision: number): PathsD {
  const pieces: PathsD = [];
  for (const loop of loops) {
    const points = without(loop);
    const directions = points.map(({ x, y }, index) => {
      const next = points[(index + 1) % points.length] ?? { x, y };
      const length = Math.hypot(next.x - x, next.y - y);
      return { x: (next.x - x) / length, y: (next.y - y) / length };
    });
    for (const [index, a] of points.entries()) {
      const [b, u, v] = [points[(index + 1) % points.length], directions[index], directions[(index + 1) % points.length]];
      if (!b || !u || !v || points.length < 2) continue;
      const [x, y] = [-u.y * half, u.x * half];
      pieces.push(
        positive([
          { x: a.x + x, y: a.y + y },
          { x: b.x + x, y: b.y + y },
          { x: b.x - x, y: b.y - y },
          { x: a.x - x, y: a.y - y },
        ]),
      );
      const corner = joinAt(b, u, v, half, join, miterLimit);
      if (corner.length > 2) pieces.push(corner);
    }
  }
  let level: PathsD[] = [];
  for (let from = 0; from < pieces.length; from += BATCH)
    level.push(unionD(pieces.slice(from, from + BATCH), [], FillRule.NonZero, precision));
  while (level.length > 1) {
    const above: PathsD[] = [];
    for (let index = 0; index < level.length; index += 2)
      above.push(unionD([...(level[index] ?? []), ...(level[index + 1] ?? [])], [], FillRule.NonZero, precision));
    level = above;
  }
  return level[0] ?? [];
}
