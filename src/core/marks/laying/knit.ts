import { coverageOf } from '../../fields';
import {
  boundsOf,
  fillRows,
  IDENTITY,
  invert,
  mapPath,
  PathPen,
  scaling,
  stackedRows,
  type PathAlgebra,
  type Region,
  type Stretch,
} from '../../geometry';
import type { Knit } from '../drawing/laid';
import { numberOf } from '../drawing/number-of';
import { foundOnce } from './found-once';

/** The rows over one outline. */
interface Rows extends Pick<Knit, 'left' | 'top' | 'pitch' | 'row' | 'yarn'> {
  readonly columns: number;
  readonly rows: number;
}

/** One stitch of stockinette: two legs that lean toward one another at the foot, and lie beside those of the row above. */
function drawStitch(pen: PathPen, x: number, y: number, { pitch, row, yarn }: Rows): void {
  const [topX, topY, footX, footY] = [pitch * 0.09, y - row * 0.1, pitch * 0.46, y + row * 1.02];
  const [dx, dy] = [footX - topX, footY - topY];
  const length = Math.hypot(dx, dy);
  // Legs of two rows are this far apart, across; so much room the yarn has.
  const half = (yarn * row * dx) / length / 2;
  // Along the leg and across it, both as shares of one: a rounded bar, fuller toward the top.
  const place = (side: number, along: number, across: number) => {
    const [px, py] = [topX + dx * along - (dy / length) * half * across, topY + dy * along + (dx / length) * half * across];
    return { x: side > 0 ? x + px : x + pitch - px, y: py };
  };
  for (const side of [1, -1]) {
    // Both are drawn the same way around, so that where they meet they are one.
    const at = (along: number, across: number) => place(side, along, across * side);
    const curve = (one: ReturnType<typeof at>, other: ReturnType<typeof at>, to: ReturnType<typeof at>) =>
      pen.cubic(one.x, one.y, other.x, other.y, to.x, to.y);
    const start = at(0, 0);
    pen.move(start.x, start.y);
    curve(at(0, 0.7), at(0.1, 1), at(0.26, 1));
    curve(at(0.6, 1), at(0.85, 0.9), at(1, 0));
    curve(at(0.85, -0.9), at(0.6, -1), at(0.26, -1));
    curve(at(0.1, -1), at(0, -0.7), at(0, 0));
    pen.close();
  }
}

/** A stitch by its place among the others. */
interface Place {
  readonly row: number;
  readonly column: number;
}
/** The grid of stitches, made square: it knows no others. */
const squared = (area: Region, { left, top, pitch, row, columns, rows }: Rows) => ({
  region: { path: mapPath(area.path, scaling(1, pitch / row)), rule: area.rule },
  grid: { left, top: (top * pitch) / row, cell: pitch, columns, rows },
});

/** Stitches whose middles an area covers. */
function stitchesIn(area: Region, over: Rows): readonly Place[] {
  const { region, grid } = squared(area, over);
  const covered = new Uint8Array(grid.columns * grid.rows);
  fillRows(region, grid, (row, from, to) => covered.fill(1, row * grid.columns + from, row * grid.columns + to));
  const found: Place[] = [];
  covered.forEach((is, cell) => is && found.push({ row: Math.floor(cell / grid.columns), column: cell % grid.columns }));
  return found;
}

/** Stitches that an area touches: those that lie in it with all that is around them, and those that its outline may cut. */
function stitchesAt(area: Region, over: Rows, seenThrough: boolean): { readonly whole: readonly Place[]; readonly rim: readonly Place[] } {
  const { region, grid } = squared(area, over);
  const { columns, rows } = grid;
  const cover = coverageOf(region, grid);
  const at = (row: number, column: number) =>
    row < 0 || column < 0 || row >= rows || column >= columns ? 0 : (cover[row * columns + column] as number);
  const [whole, rim]: [Place[], Place[]] = [[], []];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const around = [-1, 0, 1].flatMap((down) => [-1, 0, 1].map((across) => at(row + down, column + across)));
      if (around.every((each) => each > 0.999)) whole.push({ row, column });
      // Legs reach into the rows above and below.
      else if (seenThrough ? [-1, 0, 1].some((down) => at(row + down, column) > 0) : around.some((each) => each > 0))
        rim.push({ row, column });
    }
  return { whole, rim };
}

/** Stitches at their places, as one outline. */
function drawnAt(places: readonly Place[], over: Rows): Region {
  const { left, top, pitch, row } = over;
  const pen = new PathPen();
  for (const place of places) drawStitch(pen, left + place.column * pitch, top + place.row * row, over);
  return { path: pen.path(), rule: 'nonzero' };
}

/** Rows over what an area covers, with one to spare all around. */
function rowsOver(area: Region, { left, top, pitch, row, yarn }: Knit): Rows | undefined {
  const box = boundsOf(area.path);
  if (!box) return undefined;
  const before = (at: number, from: number, step: number) => Math.floor((at - from) / step) - 1;
  const [column, line] = [before(box.left, left, pitch), before(box.top, top, row)];
  return {
    left: left + column * pitch,
    top: top + line * row,
    pitch,
    row,
    yarn,
    columns: before(box.right, left, pitch) + 3 - column,
    rows: before(box.bottom, top, row) + 3 - line,
  };
}

/**
 * The outline of whole stitches that make an area: those whose middles it covers, a row a little narrower than the stitches in it.
 * @param area in the plane of the rows
 */
export function wholeStitches(area: Region, knit: Knit): Region {
  const over = rowsOver(area, knit);
  if (!over) return area;
  const rows: Stretch[][] = Array.from({ length: over.rows }, () => []);
  const places = stitchesIn(area, over);
  let from = 0;
  places.forEach((place, n) => {
    if (follows(place, places[n + 1])) return;
    const at = (column: number) => over.left + column * over.pitch;
    rows[place.row]?.push([at((places[from] as Place).column + 0.12), at(place.column + 0.88)]);
    from = n + 1;
  });
  return stackedRows(rows, over.top, over.row);
}
const follows = (one: Place, other: Place | undefined): boolean =>
  other !== undefined && one.row === other.row && one.column + 1 === other.column;

const kept = foundOnce<readonly (readonly Region[])[]>();

/**
 * The stitches of an outline. Those whose middles lie in one of several areas go together; the outline cuts those at its rim, unless it is
 * still the one that whole stitches made.
 * @param area the outline, and @param parts areas that share it, in the fill's plane
 * @returns for each part its stitches, in the fill's plane; whole ones, and those that are cut
 */
export function stitches(area: Region, parts: readonly Region[], knit: Knit, paths: PathAlgebra): readonly (readonly Region[])[] {
  const { map, whole: made, left, top, pitch, row, yarn, seenThrough = false } = knit;
  const back = invert(map);
  if (!back) return [];
  const home = (region: Region): Region => (back === IDENTITY ? region : { path: mapPath(region.path, back), rule: region.rule });
  const there = (region: Region): Region => (map === IDENTITY ? region : { path: mapPath(region.path, map), rule: region.rule });
  const key = JSON.stringify([
    left,
    top,
    pitch,
    row,
    yarn,
    map,
    seenThrough,
    made?.path === area.path,
    parts.length > 1 && parts.map(({ path }) => numberOf(path)),
  ]);
  return kept(area.path, key, () => {
    const here = there(area);
    const over = rowsOver(here, knit);
    if (!over) return [];
    if (made?.path === area.path)
      return shared(stitchesIn(here, over), parts.map(there), over).map((places) => [home(drawnAt(places, over))]);
    const { whole, rim } = stitchesAt(here, over, seenThrough);
    const [inner, cut] = [shared(whole, parts.map(there), over), shared(rim, parts.map(there), over)];
    return parts.map((_, n) => {
      const rimmed = drawnAt(cut[n] ?? [], over);
      return [home(drawnAt(inner[n] ?? [], over)), home(seenThrough ? rimmed : paths.combine('intersect', rimmed, here))];
    });
  });
}

/** Stitches by the part that each belongs to: the last one that covers its middle, else the nearest before it. */
function shared(places: readonly Place[], parts: readonly Region[], over: Rows): readonly (readonly Place[])[] {
  if (parts.length <= 1) return [places];
  const owner = new Map<number, number>();
  const at = ({ row, column }: Place) => row * over.columns + column;
  parts.forEach((part, n) => stitchesIn(part, over).forEach((place) => owner.set(at(place), n)));
  const made: Place[][] = parts.map(() => []);
  for (const place of places) {
    const near = [0, 1, -1].flatMap((down) =>
      [0, 1, -1].map((across) => owner.get(at({ row: place.row + down, column: place.column + across }))),
    );
    made[near.find((each) => each !== undefined) ?? 0]?.push(place);
  }
  return made;
}
