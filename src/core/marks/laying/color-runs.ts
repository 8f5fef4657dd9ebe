import { coverageOf, distanceThrough, fieldOutline } from '../../fields';
import {
  boundsOf,
  contoursNear,
  flatten,
  gridOver,
  PathPen,
  type Affine,
  type CellGrid,
  type PathAlgebra,
  type Point,
  type Region,
} from '../../geometry';

/** Colors that change by less than this a pixel are taken to change by so much. */
const SLOWEST = 1e-6;

/**
 * A piece of an area with its own straight run of colors: files know gradients along a line and outward alone, so that one that bends is laid
 * in pieces, back to front.
 */
export interface ColorRun {
  readonly region: Region;
  readonly kind: 'linear' | 'radial';
  /** From the gradient's plane, where colors run from 0 to 1 along the first axis, or outward, to that of the area. */
  readonly map: Affine;
  /** Whether its colors run from the last to the first. */
  readonly backward?: true;
}
type Run = Omit<ColorRun, 'region'>;

/**
 * How far a piece reaches under the next one, as a share of that: well under it where all is opaque, so that nothing shines through between
 * them; a hair where it would show.
 */
const under = (opaque: boolean): number => (opaque ? 0.35 : HAIR);
const HAIR = 0.1;

/** A run whose value at `at` is `value` and grows by `slope` a pixel along a direction. */
function straight(at: Point, value: number, direction: Point, slope: number): Run {
  // Where hardly anything changes, the run is long, and not endless.
  const length = 1 / Math.max(Math.abs(slope), SLOWEST);
  const [x, y] = [direction.x * length, direction.y * length];
  return { kind: 'linear', map: { a: x, b: y, c: -y, d: x, e: at.x - x * value, f: at.y - y * value } };
}

/** So many wedges around a middle; colors are off by less than half a wedge where they all meet, and by far less elsewhere. */
const WEDGES = { whole: 120, each: 48 } as const;

/** Colors that run around a middle, clockwise from a direction. @param over how finely: one box for many pieces, or one for each */
export function runsAround(
  area: Region,
  {
    middle,
    toward,
    over,
    opaque,
  }: { readonly middle: Point; readonly toward: Point; readonly over: keyof typeof WEDGES; readonly opaque: boolean },
  paths: PathAlgebra,
): readonly ColorRun[] {
  const box = boundsOf(area.path);
  if (!box) return [];
  const count = WEDGES[over];
  const corners = [
    { x: box.left, y: box.top },
    { x: box.right, y: box.top },
    { x: box.right, y: box.bottom },
    { x: box.left, y: box.bottom },
  ];
  const reach = Math.max(...corners.map(({ x, y }) => Math.hypot(x - middle.x, y - middle.y)));
  if (reach === 0) return [];
  const start = Math.atan2(toward.y - middle.y, toward.x - middle.x);
  const step = (2 * Math.PI) / count;
  const near = contoursNear(area);
  const far = (1.02 * reach) / Math.cos(step);
  return Array.from({ length: count }, (_, n): ColorRun | undefined => {
    const [from, to] = [start + n * step, start + (n + 1) * step];
    const along = (angle: number, by: number): Point => ({ x: middle.x + Math.cos(angle) * by, y: middle.y + Math.sin(angle) * by });
    // Each lies under the next; the first one under the last.
    const rays = [n === 0 ? from - step * under(opaque) : from, from, to, n === count - 1 ? to : to + step * under(opaque)];
    const pen = new PathPen().move(middle.x, middle.y);
    for (const { x, y } of rays.map((ray) => along(ray, far))) pen.line(x, y);
    const wedge: Region = { path: pen.close().path(), rule: 'nonzero' };
    const reached = boundsOf(wedge.path);
    const region = reached && paths.combine('intersect', near(reached), wedge);
    if (!region || region.path.verbs === '') return undefined;
    const between = (from + to) / 2;
    const direction = { x: -Math.sin(between), y: Math.cos(between) };
    // A straight run is right at one distance from the middle: halfway between the nearest and the farthest of the piece.
    const away = flatten(region.path, reach / 400).flatMap((ring) => ring.map(({ x, y }) => Math.hypot(x - middle.x, y - middle.y)));
    const radius = Math.max(reach * 0.02, (Math.min(...away) + Math.max(...away)) / 2);
    return { region, ...straight(along(between, radius), (n + 0.5) / count, direction, 1 / (2 * Math.PI * radius)) };
  }).filter((run) => run !== undefined);
}
/** Cells along the longer side of a piece, and bands of color along its strokes at most. */
const [CELLS, BANDS] = [150, 32];
/** Ends nearer to one another than this share of the longest way are one. */
const CLOSE = 0.15;
/** A band is at least so many cells long. */
const LEAST_CELLS = 3;
/** A cell belongs to a stroke from this much of it on, so that hairlines are not broken. */
const TOUCHED = 0.04;

/** Cells that hang together. */
function piecesOf(inside: Uint8Array, columns: number): readonly (readonly number[])[] {
  const seen = new Uint8Array(inside.length);
  const pieces: number[][] = [];
  for (let first = 0; first < inside.length; first++) {
    if (!inside[first] || seen[first]) continue;
    const own: number[] = [first];
    seen[first] = 1;
    const reach = (cell: number) => {
      if (!inside[cell] || seen[cell]) return;
      seen[cell] = 1;
      own.push(cell);
    };
    // Grids have a free cell all around, so that rows never run into one another.
    for (const cell of own) {
      reach(cell - 1);
      reach(cell + 1);
      reach(cell - columns);
      reach(cell + columns);
    }
    pieces.push(own);
  }
  return pieces;
}

/**
 * Colors that run along the strokes of an area, from its place nearest to one point to that nearest to another, through what lies between; each
 * of its pieces by itself.
 */
export function runsAlong(
  area: Region,
  { from, to, opaque }: { readonly from: Point; readonly to: Point; readonly opaque: boolean },
  paths: PathAlgebra,
): readonly ColorRun[] {
  const box = boundsOf(area.path);
  if (!box || (box.right === box.left && box.bottom === box.top)) return [];
  const grid = gridOver(box, CELLS);
  const { columns, rows } = grid;
  const inside = new Uint8Array(columns * rows);
  coverageOf(area, grid).forEach((cover, cell) => (inside[cell] = cover > TOUCHED ? 1 : 0));
  const middleOf = (cell: number): Point => ({
    x: grid.left + ((cell % columns) + 0.5) * grid.cell,
    y: grid.top + (Math.floor(cell / columns) + 0.5) * grid.cell,
  });
  const nearest = (cells: readonly number[], { x, y }: Point): number => {
    let [best, away] = [cells[0] as number, Infinity];
    for (const cell of cells) {
      const middle = middleOf(cell);
      const own = Math.hypot(middle.x - x, middle.y - y);
      if (own < away) [best, away] = [cell, own];
    }
    return best;
  };
  return piecesOf(inside, columns).flatMap((cells) => {
    const [first, last] = [nearest(cells, from), nearest(cells, to)];
    const start = distanceThrough(inside, columns, rows, first);
    const end = distanceThrough(inside, columns, rows, last);
    const longest = cells.reduce((most, cell) => Math.max(most, start[cell] as number), 1);
    const way = start[last] as number;
    // Where both ends are one place, colors spread from there.
    const apart = way > CLOSE * longest;
    // How far along, from 0 at one end to 1 at the other: by both ways, so that side branches keep the color of where they leave.
    const value = new Float32Array(columns * rows).fill(-1);
    for (const cell of cells) {
      const [one, other] = [start[cell] as number, end[cell] as number];
      value[cell] = apart ? one / (one + other) : one / longest;
    }
    const bands = Math.max(1, Math.min(BANDS, Math.floor((apart ? way : longest) / LEAST_CELLS)));
    const along: Along = { cells, value, first: middleOf(first), last: middleOf(last), bands, opaque, grid, middleOf };
    return Array.from({ length: bands }, (_, band) => bandRuns(area, along, band, paths)).flat();
  });
}

/** One piece of an area, and how far along its strokes every cell of it is. */
interface Along {
  readonly cells: readonly number[];
  readonly value: Float32Array;
  readonly first: Point;
  readonly last: Point;
  readonly bands: number;
  readonly opaque: boolean;
  readonly grid: CellGrid;
  readonly middleOf: (cell: number) => Point;
}

/** Cells around a stroke that take its value over, so that a band reaches across its edge. */
const AROUND = 2;

function bandRuns(
  area: Region,
  { cells: all, value, first, last, bands, opaque, grid, middleOf }: Along,
  band: number,
  paths: PathAlgebra,
): readonly ColorRun[] {
  const { columns } = grid;
  const [low, high] = [band / bands, (band + 1) / bands];
  // On under the next one; the last and first bands hold all that is left.
  const least = band === 0 ? -0.5 : low;
  const [most, rim] = [under(opaque), HAIR].map((share) => high + (band === bands - 1 ? 1 : share / bands)) as [number, number];
  // Cells on both sides let the outline fall between them.
  const room = 2 / bands;
  const near = new Uint8Array(value.length);
  for (const cell of all) if ((value[cell] as number) > low - room && (value[cell] as number) < high + room) near[cell] = 1;
  return piecesOf(near, columns).flatMap((cells): readonly ColorRun[] => {
    const own = cells.filter((cell) => (value[cell] as number) >= least && (value[cell] as number) <= most);
    if (own.length === 0) return [];
    const depths = new Map<number, number>();
    for (const cell of cells) {
      const here = value[cell] as number;
      // At the rim hardly under the next one: what is drawn twice there would be a little bolder.
      const isRim = [cell - 1, cell + 1, cell - columns, cell + columns].some((beside) => (value[beside] as number) < 0);
      depths.set(cell, Math.min(here - least, (isRim ? rim : most) - here));
    }
    let edge: readonly number[] = cells;
    for (let ring = 0; ring < AROUND; ring++) {
      const next: number[] = [];
      for (const cell of edge)
        for (const beside of [cell - 1, cell + 1, cell - columns, cell + columns])
          if (beside >= 0 && beside < value.length && !depths.has(beside) && (ring === 0 || (value[beside] as number) < 0)) {
            depths.set(beside, depths.get(cell) as number);
            next.push(beside);
          }
      edge = next;
    }
    const outline = outlineOf(depths, grid);
    if (outline.path.verbs === '') return [];
    const region = paths.combine('intersect', area, outline);
    if (region.path.verbs === '') return [];
    const places = own.map((cell) => ({ ...middleOf(cell), value: value[cell] as number }));
    return [{ region, ...nearestRun(places, { first, last }, grid.cell) }];
  });
}

/** The outline of where values of a few cells are above nought. */
function outlineOf(values: ReadonlyMap<number, number>, { columns, left, top, cell }: CellGrid): Region {
  let [minX, maxX, minY, maxY] = [Infinity, 0, Infinity, 0];
  for (const at of values.keys()) {
    const [x, y] = [at % columns, Math.floor(at / columns)];
    [minX, maxX, minY, maxY] = [Math.min(minX, x), Math.max(maxX, x), Math.min(minY, y), Math.max(maxY, y)];
  }
  // A free cell all around.
  const [wide, high] = [maxX - minX + 3, maxY - minY + 3];
  const field = new Float32Array(wide * high).fill(-1);
  for (const [at, value] of values) field[(Math.floor(at / columns) - minY + 1) * wide + (at % columns) - minX + 1] = value;
  return fieldOutline(field, { columns: wide, rows: high, left: left + (minX - 1) * cell, top: top + (minY - 1) * cell, cell }, 0.15, 0.3);
}

interface Place extends Point {
  readonly value: number;
}
interface Fitted {
  readonly run: Run;
  /** Sum of squares by which it is off. */
  readonly off: number;
}

/** The run that comes nearest to values at places: a straight one, or one that spreads from where the strokes begin or end. */
function nearestRun(places: readonly Place[], { first, last }: { readonly first: Point; readonly last: Point }, cell: number): Run {
  const runs = [fitted(places, cell), spreading(places, first, false), spreading(places, last, true)];
  return runs.reduce((best, run) => (run.off < best.off ? run : best)).run;
}

/** Colors that spread from a place, by least squares. @param backward whether they are the last ones there */
function spreading(places: readonly Place[], from: Point, backward: boolean): Fitted {
  let [rr, rv] = [0, 0];
  const away = places.map(({ x, y, value }) => {
    const [r, v] = [Math.hypot(x - from.x, y - from.y), backward ? 1 - value : value];
    rr += r * r;
    rv += r * v;
    return { r, v };
  });
  const slope = rr > 0 ? rv / rr : 0;
  if (slope <= 0) return { run: straight(from, backward ? 1 : 0, { x: 1, y: 0 }, 0), off: Infinity };
  const by = 1 / slope;
  return {
    run: { kind: 'radial', map: { a: by, b: 0, c: 0, d: by, e: from.x, f: from.y }, ...(backward ? { backward: true as const } : {}) },
    off: away.reduce((sum, { r, v }) => sum + (v - slope * r) ** 2, 0),
  };
}

/** The straight run that comes nearest to values at places, by least squares. */
function fitted(places: readonly Place[], cell: number): Fitted {
  const mean = (of: (place: Place) => number) => places.reduce((sum, place) => sum + of(place), 0) / places.length;
  const [x, y, v] = [mean((place) => place.x), mean((place) => place.y), mean((place) => place.value)];
  let [xx, xy, yy, xv, yv] = [0, 0, 0, 0, 0];
  for (const place of places) {
    const [dx, dy, dv] = [place.x - x, place.y - y, place.value - v];
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
    xv += dx * dv;
    yv += dy * dv;
  }
  const whole = xx * yy - xy * xy;
  // A line of cells tells one slope alone.
  const [gx, gy] =
    whole > cell ** 4 * 0.01
      ? [(xv * yy - yv * xy) / whole, (yv * xx - xv * xy) / whole]
      : [xx > yy ? xv / xx : 0, yy >= xx && yy > 0 ? yv / yy : 0];
  const slope = Math.hypot(gx, gy);
  const direction = slope > 0 ? { x: gx / slope, y: gy / slope } : { x: 1, y: 0 };
  return {
    run: straight({ x, y }, v, direction, slope),
    off: places.reduce((sum, place) => sum + (place.value - v - gx * (place.x - x) - gy * (place.y - y)) ** 2, 0),
  };
}
