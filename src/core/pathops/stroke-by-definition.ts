import { areaD, FillRule, unionD, type PathD, type PathsD } from 'clipper2-ts';
import { chordsOf, contoursOf, headings, curvesOf, type Join, type Path, type Point } from '../geometry';
import { NOUGHT } from '../numeric/tolerances';

/** Largest turn between two points of a round join, in radians. */
const ROUND_STEP = 0.05;
/** Pieces united at once: a union of few is quick, and a tree of unions stays so. */
const BATCH = 60;

const positive = (polygon: PathD): PathD => (areaD(polygon) < 0 ? polygon.reverse() : polygon);
/** The corner's own piece, on the outer side of a turn from direction `u` to `v` at `at`; empty where the outline goes straight on. */
function joinAt(at: Point, u: Point, v: Point, half: number, join: Join, miterLimit: number): PathD {
  const sine = u.x * v.y - u.y * v.x;
  const turned = Math.abs(Math.atan2(sine, u.x * v.x + u.y * v.y));
  if (turned < NOUGHT) return [];
  const side = sine > 0 ? -half : half;
  const from = { x: at.x - u.y * side, y: at.y + u.x * side };
  const to = { x: at.x - v.y * side, y: at.y + v.x * side };
  const between: PathD = [];
  if (join === 'round') {
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
 * What a stroke of closed outlines covers, by its very definition: a rectangle along each chord of a curve, a round turn from chord to chord,
 * a join where two curves meet, by the ways in which they meet there, united. A miter beyond its limit becomes a bevel. Slow, without
 * special cases, and so the judge where two quicker ways differ.
 * @param half half the stroke's width, in the path's unit
 * @param fine largest distance between a curve and its chords
 * @source SVG 2, 13.5 "Computing the shape of the stroke"
 */
export function strokeByDefinition(path: Path, half: number, join: Join, miterLimit: number, fine: number, precision: number): PathsD {
  const pieces: PathsD = [];
  const corner = (at: Point, u: Point, v: Point, how: Join) => {
    const made = joinAt(at, u, v, half, how, miterLimit);
    if (made.length > 2) pieces.push(made);
  };
  for (const contour of contoursOf(path)) {
    const curves = curvesOf(contour);
    for (const [index, curve] of curves.entries()) {
      const { out, into } = headings(curve);
      const points = chordsOf(curve, fine);
      let heading = out;
      for (let n = 1; n < points.length; n++) {
        const [a, b] = [points[n - 1] as Point, points[n] as Point];
        const length = Math.hypot(b.x - a.x, b.y - a.y);
        if (length === 0) continue;
        const along = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
        corner(a, heading, along, 'round');
        const [x, y] = [-along.y * half, along.x * half];
        pieces.push(
          positive([
            { x: a.x + x, y: a.y + y },
            { x: b.x + x, y: b.y + y },
            { x: b.x - x, y: b.y - y },
            { x: a.x - x, y: a.y - y },
          ]),
        );
        heading = along;
      }
      const end = curve.at(-1) as Point;
      corner(end, heading, into, 'round');
      corner(end, into, headings(curves[(index + 1) % curves.length] ?? curve).out, join);
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
