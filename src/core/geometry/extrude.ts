import { apply, type Affine } from './affine';
import { flatten, type Polygon } from './flatten';
import { contoursOf, depthsOf } from './islands';
import { PathPen, type Path } from './path';
import { at, curvesOf, slope, split, type Curve } from './curves';
import type { Point } from './point';
import type { PathAlgebra, Region } from './region';
import { FINEST_PX, NOUGHT } from '../numeric/tolerances';

/** Places on a curve at which its direction is looked at; between two of them it turns across the way at most once. */
const LOOKS = 24;
/** Halvings that lead to the place where it does: far below single floats. */
const HALVINGS = 40;

/** A piece in parts that are each passed from one side only, with that side: +1, −1, or 0 for what runs along the way. */
function sided(piece: Curve, way: (from: Point) => Point): readonly { readonly piece: Curve; readonly side: number }[] {
  const facing = (t: number): number => {
    const [to, along] = [way(at(piece, t)), slope(piece, t)];
    const cross = along.x * to.y - along.y * to.x;
    return Math.abs(cross) <= NOUGHT * Math.hypot(along.x, along.y) * Math.hypot(to.x, to.y) ? 0 : Math.sign(cross);
  };
  if (piece.length === 2) {
    // Straight lines are passed from one side all along, on parallel ways and on ways to one point alike.
    return [{ piece, side: facing(0.5) }];
  }
  const cuts: number[] = [];
  const middles = Array.from({ length: LOOKS }, (_, index) => (index + 0.5) / LOOKS);
  for (const [index, t] of middles.entries()) {
    const before = middles[index - 1];
    if (before === undefined || facing(before) === facing(t)) continue;
    let [low, high] = [before, t];
    const side = facing(low);
    for (let n = 0; n < HALVINGS; n++) {
      const middle = (low + high) / 2;
      if (facing(middle) === side) low = middle;
      else high = middle;
    }
    cuts.push((low + high) / 2);
  }
  const found: { piece: Curve; side: number }[] = [];
  let rest = piece;
  let done = 0;
  for (const cut of cuts) {
    const [left, right] = split(rest, (cut - done) / (1 - done));
    found.push({ piece: left, side: facing((done + cut) / 2) });
    rest = right;
    done = cut;
  }
  found.push({ piece: rest, side: facing((done + 1) / 2) });
  return found;
}

const drawPiece = (pen: PathPen, points: readonly Point[]): void => {
  const [a, b, c] = points as readonly [Point, Point | undefined, Point | undefined];
  if (c && b) pen.cubic(a.x, a.y, b.x, b.y, c.x, c.y);
  else if (b) pen.quadratic(a.x, a.y, b.x, b.y);
  else pen.line(a.x, a.y);
};

/** The area that a run of pieces passes over on its way. */
function sweep(run: readonly Curve[], far: Affine): Path {
  const pen = new PathPen();
  const start = run[0]?.[0] as Point;
  pen.move(start.x, start.y);
  for (const piece of run) drawPiece(pen, piece.slice(1));
  const end = apply(far, run.at(-1)?.at(-1) as Point);
  pen.line(end.x, end.y);
  for (const piece of [...run].reverse())
    drawPiece(
      pen,
      [...piece]
        .reverse()
        .slice(1)
        .map((point) => apply(far, point)),
    );
  return pen.close().path();
}

/** The side on which the way leaves the ink along a contour: it bounds ink, or a hole, and runs either way round. @param depth how many contours lie around it */
function leavingSide(polygon: Polygon, depth: number): number {
  const turns = polygon.reduce((sum, { x, y }, index) => {
    const next = polygon[(index + 1) % polygon.length] ?? polygon[0];
    return next ? sum + x * next.y - next.x * y : sum;
  }, 0);
  return (turns > 0 ? -1 : 1) * (depth % 2 === 0 ? 1 : -1);
}

/**
 * All that an area passes over on its way to another place: the Minkowski sum with a segment where it is only moved, a bundle that runs
 * together where it becomes smaller. Curves stay curves.
 * @param area contours that do not cross (welded)
 * @param far a move, or a move with an even change of size; every point goes straight to its image
 * @source what lies in the sum but not in the area is reached through the outline where the way leaves the area; the outline's runs that are
 * left are each swept by themselves (they cross the way from one side only, so that their sweeps do not cross themselves) and all is united
 */
export function extrude(area: Region, far: Affine, paths: PathAlgebra): Region {
  const way = (from: Point): Point => {
    const to = apply(far, from);
    return { x: to.x - from.x, y: to.y - from.y };
  };
  const size = area.path.coords.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  const contours = contoursOf(area.path).flatMap((path) => {
    const [polygon] = flatten(path, Math.max(FINEST_PX, size / 5000));
    return polygon && polygon.length > 2 ? [{ path, polygon }] : [];
  });
  const depths = depthsOf(contours.map(({ polygon }) => polygon));
  const sweeps: Path[] = [];
  for (const [index, { path, polygon }] of contours.entries()) {
    const leaving = leavingSide(polygon, depths[index] ?? 0);
    const pieces = curvesOf(path).flatMap((piece) => sided(piece, way));
    const runs: { side: number; pieces: Curve[] }[] = [];
    for (const { piece, side } of pieces) {
      const last = runs.at(-1);
      if (last && last.side === side) last.pieces.push(piece);
      else runs.push({ side, pieces: [piece] });
    }
    const [first, last] = [runs[0], runs.at(-1)];
    if (first && last && first !== last && first.side === last.side) {
      first.pieces.unshift(...last.pieces);
      runs.pop();
    }
    // Where the way goes into the ink, what is passed over is ink already.
    for (const run of runs) if (run.side === leaving) sweeps.push(sweep(run.pieces, far));
  }
  return sweeps.length === 0 ? area : paths.weld([area, ...sweeps.map((path): Region => ({ path, rule: 'nonzero' }))]);
}
