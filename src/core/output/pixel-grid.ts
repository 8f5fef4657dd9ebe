import { apply, compose, IDENTITY, invert, NUMBERS_OF, type Affine, type Bounds, type Path, type Verb } from '../geometry';
import { walkNodes, type Drawing, type DrawingNode, type Group } from '../marks';

/** An edge shorter than this, in pixels, is a detail of a curve, not a side that looks soft. */
const SIDE_PX = 4;
/** An edge leans so little, in pixels over its length, that it counts as upright or level. */
const LEAN_PX = 0.02;
/** An edge lies on the grid when it is off by no more than this: its pixels are within 5 of 255 of full. */
export const ON_GRID_PX = 0.02;
/** Places are told apart to this. */
const SAME_PX = 0.01;
/** Sides nearer than this may fall together: nothing that is seen lies between them. */
const ONE_SIDE_PX = 0.1;

/** The upright and level sides of a drawing in pixels: how much length lies at which place. */
interface Sides {
  readonly x: Map<number, number>;
  readonly y: Map<number, number>;
}

/** From the mark's plane to the pixels of a frame. */
const toPixels = (box: Bounds, widthPx: number): Affine => {
  const scale = widthPx / (box.right - box.left);
  return { a: scale, b: 0, c: 0, d: scale, e: -box.left * scale, f: -box.top * scale };
};

/** Goes along the straight pieces of a path, those that close it among them. */
function eachStraight(path: Path, map: Affine, visit: (x0: number, y0: number, x1: number, y1: number) => void): void {
  let at = 0;
  let [startX, startY, x, y] = [0, 0, 0, 0];
  for (const verb of path.verbs as Iterable<Verb>) {
    const count = NUMBERS_OF[verb];
    if (verb === 'Z') {
      if (x !== startX || y !== startY) visit(x, y, startX, startY);
      [x, y] = [startX, startY];
      continue;
    }
    const end = apply(map, { x: path.coords[at + count - 2] as number, y: path.coords[at + count - 1] as number });
    if (verb === 'L') visit(x, y, end.x, end.y);
    if (verb === 'M') [startX, startY] = [end.x, end.y];
    [x, y] = [end.x, end.y];
    at += count;
  }
}

function sidesOf(drawing: Drawing, pixels: Affine): Sides {
  const sides: Sides = { x: new Map(), y: new Map() };
  const add = (side: Map<number, number>, at: number, length: number) => {
    const place = Math.round(at / SAME_PX) * SAME_PX;
    side.set(place, (side.get(place) ?? 0) + length);
  };
  walkNodes<DrawingNode>(
    drawing.groups,
    (node, { map }) => {
      if (node.kind !== 'fill') return;
      eachStraight(node.path, compose(pixels, map), (x0, y0, x1, y1) => {
        const [dx, dy] = [Math.abs(x1 - x0), Math.abs(y1 - y0)];
        if (dy >= SIDE_PX && dx <= LEAN_PX) add(sides.x, (x0 + x1) / 2, dy);
        else if (dx >= SIDE_PX && dy <= LEAN_PX) add(sides.y, (y0 + y1) / 2, dx);
      });
    },
    { shown: true },
  );
  return sides;
}

/** Sides that lie between pixels, and so look soft at this size. */
export interface BlurredSides {
  /** Length of all upright and level sides, in pixels. */
  readonly allPx: number;
  /** Length of those that lie off the grid by more than `ON_GRID_PX`. */
  readonly blurredPx: number;
}

/** How much of a drawing's upright and level sides is blurred in a picture of that size. */
export function blurredSides(drawing: Drawing, box: Bounds, widthPx: number): BlurredSides {
  const { x, y } = sidesOf(drawing, toPixels(box, widthPx));
  let [allPx, blurredPx] = [0, 0];
  for (const [at, length] of [...x, ...y]) {
    allPx += length;
    if (Math.abs(at - Math.round(at)) > ON_GRID_PX) blurredPx += length;
  }
  return { allPx, blurredPx };
}

/** A monotone map of one axis, straight between its stations. */
function fitted(side: ReadonlyMap<number, number>): (at: number) => number {
  // The longest sides choose their pixel first; others keep at least half of their distance from those that have chosen, so that no stroke is
  // lost and none turns over.
  const stations: { readonly from: number; readonly to: number }[] = [];
  for (const [from] of [...side].sort((one, other) => other[1] - one[1] || one[0] - other[0])) {
    const after = stations.findIndex((station) => station.from > from);
    const [low, high] = after < 0 ? [stations.at(-1), undefined] : [stations[after - 1], stations[after]];
    const moved =
      low && high
        ? low.to + ((from - low.from) / (high.from - low.from)) * (high.to - low.to)
        : from + (low ? low.to - low.from : high ? high.to - high.from : 0);
    const room = (one: { readonly from: number; readonly to: number } | undefined, to: number) =>
      !one ||
      Math.abs(from - one.from) < ONE_SIDE_PX ||
      Math.abs(to - one.to) >= Math.max(Math.min(1, Math.round(Math.abs(from - one.from))), Math.abs(from - one.from) / 2);
    const chosen = [Math.round(moved), Math.floor(moved), Math.ceil(moved)].find(
      (to) => room(low, to) && room(high, to) && (!low || to >= low.to) && (!high || to <= high.to),
    );
    if (chosen === undefined) continue;
    stations.splice(after < 0 ? stations.length : after, 0, { from, to: chosen });
  }
  if (stations.length === 0) return (at) => at;
  return (at) => {
    const next = stations.findIndex(({ from }) => from >= at);
    const [low, high] = next < 0 ? [stations.at(-1), undefined] : [stations[next - 1], stations[next]];
    if (low && high) return low.to + ((at - low.from) / (high.from - low.from)) * (high.to - low.to);
    const end = (low ?? high) as { readonly from: number; readonly to: number };
    return at + end.to - end.from;
  };
}

/**
 * A drawing with its upright and level sides on whole pixels of a frame: both axes are stretched a little, piece by piece, so that shapes keep
 * meeting where they met. No side moves by more than about a pixel; pictures and the numbers of gradients stay where they are.
 * @source the idea is that of fitting letters to a grid: R. D. Hersch, "Character Generation under Grid Constraints", SIGGRAPH 1987
 */
export function onPixelGrid(drawing: Drawing, box: Bounds, widthPx: number): Drawing {
  const pixels = toPixels(box, widthPx);
  const sides = sidesOf(drawing, pixels);
  if (sides.x.size === 0 && sides.y.size === 0) return drawing;
  const back = invert(pixels) ?? IDENTITY;
  const [fitX, fitY] = [fitted(sides.x), fitted(sides.y)];
  const moved = (path: Path, map: Affine, home: Affine): Path => {
    const coords = path.coords.slice();
    for (let at = 0; at < coords.length; at += 2) {
      const there = apply(map, { x: coords[at] as number, y: coords[at + 1] as number });
      const here = apply(home, { x: fitX(there.x), y: fitY(there.y) });
      [coords[at], coords[at + 1]] = [here.x, here.y];
    }
    return { verbs: path.verbs, coords };
  };
  const inGroup = (group: Group, outer: Affine): Group => {
    const map = compose(outer, group.transform);
    const full = compose(pixels, map);
    const home = compose(invert(map) ?? IDENTITY, back);
    return {
      ...group,
      ...(group.clip ? { clip: { ...group.clip, path: moved(group.clip.path, full, home) } } : {}),
      children: group.children.map((node): DrawingNode =>
        node.kind === 'group' ? inGroup(node, map) : node.kind === 'fill' ? { ...node, path: moved(node.path, full, home) } : node,
      ),
    };
  };
  return { ...drawing, groups: drawing.groups.map((group) => inGroup(group, IDENTITY)) };
}
