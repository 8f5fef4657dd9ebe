import { bisector } from 'd3';
import { flatten, type Polygon } from './flatten';
import { areApart, boundsOf, centerOf, heightOf, widthOf, type Bounds } from './bounds';
import { NUMBERS_OF, type Path, type Verb } from './path';
import { joinPaths } from './path';
import type { Point } from './point';
import type { Region } from './region';

/** The contours of a path, each as a path of its own. */
export function contoursOf(path: Path): readonly Path[] {
  const contours: Path[] = [];
  let verbs = '';
  let from = 0;
  let at = 0;
  const finish = () => {
    if (verbs.length > 1) contours.push({ verbs, coords: path.coords.slice(from, at) });
    verbs = '';
    from = at;
  };
  for (const verb of path.verbs as Iterable<Verb>) {
    if (verb === 'M') finish();
    verbs += verb;
    at += NUMBERS_OF[verb];
  }
  finish();
  return contours;
}

function encloses(polygon: Polygon, { x, y }: Point): boolean {
  let odd = false;
  polygon.forEach((a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    if (a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) odd = !odd;
  });
  return odd;
}

/**
 * Whether a polygon lies in another that it does not cross. Contours touch in single points, which lie neither inside nor outside: the middles
 * of three sides are asked, and two that agree are right.
 */
function liesIn(polygon: Polygon, other: Polygon): boolean {
  const asked = (share: number): boolean => {
    const at = Math.floor(polygon.length * share);
    const [a, b] = [polygon[at] as Point, polygon[(at + 1) % polygon.length] as Point];
    return encloses(other, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  };
  const [first, second] = [asked(0), asked(1 / 3)];
  return first === second ? first : asked(2 / 3);
}

/** How deep every polygon lies in the others: even ones are ink, odd ones holes. */
export const depthsOf = (polygons: readonly Polygon[]): readonly number[] => enclosing(polygons).map((around) => around.length);

/**
 * For every polygon the numbers of those that it lies in. It is only asked of those whose box holds the middle of its own: chords of curves that touch
 * may reach out of each other's boxes by a little, their middles do not.
 */
function enclosing(polygons: readonly Polygon[]): readonly (readonly number[])[] {
  const boxes = polygons.map(boxOf);
  return polygons.map((polygon, index) => {
    const { x, y } = centerOf(boxes[index] as Bounds);
    return polygons.flatMap((other, at) => {
      const { left, right, top, bottom } = boxes[at] as Bounds;
      return at !== index && left <= x && x <= right && top <= y && y <= bottom && liesIn(polygon, other) ? [at] : [];
    });
  });
}

function boxOf(polygon: Polygon): Bounds {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of polygon) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  return { left, top, right, bottom };
}

/** A piece of ink that hangs together, with its holes. */
export interface Island extends Region {
  /** The same piece without its holes. */
  readonly solid: Path;
}

/**
 * The pieces of ink of a welded area, each with its own holes, by how deep contours lie in one another.
 * @param region contours that do not cross (what combining returns)
 * @param fine largest distance between curves and the chords by which nesting is told
 */
export function islandsOf(region: Region, fine = 0.05): readonly Island[] {
  const contours = contoursOf(region.path).flatMap((path) => {
    const [polygon] = flatten(path, fine);
    return polygon && polygon.length > 2 ? [{ path, polygon }] : [];
  });
  const around = enclosing(contours.map(({ polygon }) => polygon));
  return contours.flatMap(({ path }, index) => {
    const depth = (around[index] as readonly number[]).length;
    if (depth % 2 === 1) return [];
    const holes = contours.filter(
      (_, at) => (around[at] as readonly number[]).length === depth + 1 && (around[at] as readonly number[]).includes(index),
    );
    return [{ path: joinPaths([path, ...holes.map((hole) => hole.path)]), rule: 'evenodd' as const, solid: path }];
  });
}

/** Boxes that differ by less than this share of their size are of the same piece. */
const SAME_PIECE = 0.01;
const byLeft = bisector(({ left }: Bounds) => left).left;

/**
 * Tells of a piece that is left when areas were cut whether it was drawn so: the dot of a letter is no crumb, however small it is set.
 * @param drawn the areas before anything was cut; looked at when a piece is asked for first
 */
export function drawnPieces(drawn: readonly Region[]): (piece: Region) => boolean {
  let boxes: readonly Bounds[] | undefined;
  return ({ path }) => {
    const box = boundsOf(path);
    if (!box) return false;
    // From left to right: of thousands of specks only those are compared that begin about there.
    boxes ??= drawn
      .flatMap((region) => contoursOf(region.path).flatMap((contour) => boundsOf(contour) ?? []))
      .sort((one, other) => one.left - other.left);
    const off = SAME_PIECE * Math.max(widthOf(box), heightOf(box));
    const isNear = (one: number, other: number): boolean => Math.abs(one - other) <= off;
    for (let at = byLeft(boxes, box.left - off); at < boxes.length; at++) {
      const { left, top, right, bottom } = boxes[at] as Bounds;
      if (left > box.left + off) return false;
      if (isNear(top, box.top) && isNear(right, box.right) && isNear(bottom, box.bottom)) return true;
    }
    return false;
  };
}

/**
 * What of a region may reach into a box: the contours that come near it. A region of thousands of specks is cut out of a letter by the few that lie on it.
 * @returns for a box the contours whose own boxes meet it
 */
export function contoursNear({ path, rule }: Region): (box: Bounds) => Region {
  const all = contoursOf(path).map((contour) => ({ contour, bounds: boundsOf(contour) }));
  return (box) => ({
    path: joinPaths(all.flatMap(({ contour, bounds }) => (areApart(bounds, box) ? [] : [contour]))),
    rule,
  });
}
