import { fieldOutline } from '../fields/field-outline';
import { EMPTY_PATH, onSpline, type CellGrid, type Point, type Region } from '../geometry';
import { notNought } from '../numeric/tolerances';
import type { Brush } from './brush';

/** One line of a hand. */
export interface HandLine {
  /** Where the hand went, in order; a single point is a dab. */
  readonly points: readonly Point[];
  /** How hard the hand pressed at each point, as a share of the width in (0, 1]; the whole width where nothing is said. */
  readonly pressures?: readonly number[];
  readonly width: number;
  readonly seed: number;
}

/** Cells across the width: finer ones are not seen, coarser ones show. */
const CELLS_ACROSS = 18;
/** Cells along the longer side of the line's box. */
const MOST_CELLS = 1500;
/** Edges are held to so many cells; specks smaller than so many cells are left out. */
const [WITHIN_CELLS, SPECK_CELLS] = [0.18, 4];
/** Steps of the smooth way, beside one a point. */
const MOST_PLACES = 1200;

interface WayPoint extends Point {
  /** From where the line begins. */
  readonly along: number;
  /** Half of the width here. */
  readonly half: number;
}

/** A smooth way through all points, at even steps. */
function smoothWay({ points, pressures, width }: HandLine): readonly WayPoint[] {
  const halfAt = (at: number): number => ((pressures?.[at] ?? 1) * width) / 2;
  const [first] = points;
  if (!first) return [];
  const step = notNought(Math.max(width / 8, lengthOf(points) / MOST_PLACES));
  const way: WayPoint[] = [{ ...first, along: 0, half: halfAt(0) }];
  for (let n = 0; n + 1 < points.length; n++) {
    const [from, to] = [points[n] as Point, points[n + 1] as Point];
    const count = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / step));
    for (let k = 1; k <= count; k++) {
      const t = k / count;
      const { x, y } = onSpline(points, n, t);
      const last = way.at(-1) as WayPoint;
      way.push({ x, y, along: last.along + Math.hypot(x - last.x, y - last.y), half: halfAt(n) * (1 - t) + halfAt(n + 1) * t });
    }
  }
  return way;
}

const lengthOf = (points: readonly Point[]): number =>
  points.reduce((sum, { x, y }, n) => sum + (n > 0 ? Math.hypot(x - (points[n - 1] as Point).x, y - (points[n - 1] as Point).y) : 0), 0);

/**
 * What a brush covers along a line: a smooth way through the hand's points, and on square cells how far inside of the ink each place lies.
 * @returns smooth closed curves in the points' own plane; the same again for the same line. Error: edges stand within a quarter of a cell, a cell
 * being 1/18 of the width, or 1/1500 of a longer line's box
 */
export function strokeRegion(line: HandLine, brush: Brush): Region {
  const way = smoothWay(line);
  const nothing: Region = { path: EMPTY_PATH, rule: 'evenodd' };
  if (way.length === 0 || !(line.width > 0)) return nothing;
  const [left, top] = [Math.min(...way.map(({ x, half }) => x - half)), Math.min(...way.map(({ y, half }) => y - half))];
  const [right, bottom] = [Math.max(...way.map(({ x, half }) => x + half)), Math.max(...way.map(({ y, half }) => y + half))];
  const cell = notNought(Math.max(line.width / CELLS_ACROSS, Math.max(right - left, bottom - top) / MOST_CELLS));
  const grid: CellGrid = {
    ...{ cell, left: left - 2 * cell, top: top - 2 * cell },
    columns: Math.ceil((right - left) / cell) + 4,
    rows: Math.ceil((bottom - top) / cell) + 4,
  };
  const values = new Float32Array(grid.columns * grid.rows).fill(-1);
  /** How near each cell lies to the way, in halves of the width there: of a line that crosses itself the nearer run counts. */
  const nearest = new Float32Array(values.length).fill(Infinity);
  const length = (way.at(-1) as WayPoint).along / line.width;
  way.forEach((to, n) => {
    const from = way[Math.max(0, n - 1)] as WayPoint;
    if (n === 0 && way.length > 1) return;
    const reach = Math.max(from.half, to.half) + 2 * cell;
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const run = dx * dx + dy * dy;
    const column = (x: number) => Math.round((x - grid.left) / cell - 0.5);
    const row = (y: number) => Math.round((y - grid.top) / cell - 0.5);
    for (let r = Math.max(0, row(Math.min(from.y, to.y) - reach)); r <= Math.min(grid.rows - 1, row(Math.max(from.y, to.y) + reach)); r++)
      for (
        let c = Math.max(0, column(Math.min(from.x, to.x) - reach));
        c <= Math.min(grid.columns - 1, column(Math.max(from.x, to.x) + reach));
        c++
      ) {
        const [x, y] = [grid.left + (c + 0.5) * cell, grid.top + (r + 0.5) * cell];
        const [fx, fy] = [x - from.x, y - from.y];
        const t = run > 0 ? Math.min(1, Math.max(0, (fx * dx + fy * dy) / run)) : 0;
        const [ax, ay] = [fx - t * dx, fy - t * dy];
        const half = notNought(from.half + t * (to.half - from.half));
        const off = Math.hypot(ax, ay) / half;
        const at = r * grid.columns + c;
        if (off >= (nearest[at] as number)) continue;
        nearest[at] = off;
        // Beyond its ends the way goes on straight; a dab looks to the right.
        const [ux, uy] = run > 0 ? [dx / Math.sqrt(run), dy / Math.sqrt(run)] : [1, 0];
        const along = (from.along + fx * ux + fy * uy) / line.width;
        values[at] = off > 1.6 ? -0.6 : brush.inked({ off, across: (ux * fy - uy * fx) / half, along, length }, line.seed);
      }
  });
  return fieldOutline(values, grid, WITHIN_CELLS, SPECK_CELLS);
}
