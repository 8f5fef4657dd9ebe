import { contours } from 'd3';
import { PathPen, thinnedRing, type CellGrid, type Path, type Point, type Region } from '../geometry';

/** Corners sharper than this stay corners; all else becomes a smooth curve: cos 50°. */
const CORNER = Math.cos((50 * Math.PI) / 180);

/** Points are written with as few digits as keep them within so many cells of where they are. */
const WRITTEN_CELLS = 0.05;

/** A closed line as smooth curves through the middles of its sides; sharp corners stay. */
function drawSmooth(pen: PathPen, long: readonly Point[], short: (value: number) => number): void {
  const count = long.length;
  const ring = long.map(({ x, y }): Point => ({ x: short(x), y: short(y) }));
  const at = (index: number): Point => ring[(index + count) % count] as Point;
  const middle = (index: number): Point => ({
    x: short((at(index).x + at(index + 1).x) / 2),
    y: short((at(index).y + at(index + 1).y) / 2),
  });
  const start = middle(-1);
  pen.move(start.x, start.y);
  for (let index = 0; index < count; index++) {
    const [before, here, after] = [at(index - 1), at(index), at(index + 1)];
    const [ax, ay, bx, by] = [here.x - before.x, here.y - before.y, after.x - here.x, after.y - here.y];
    const straight = (ax * bx + ay * by) / (Math.hypot(ax, ay) * Math.hypot(bx, by) || 1);
    const to = middle(index);
    if (straight < CORNER) pen.line(here.x, here.y).line(to.x, to.y);
    else pen.quadratic(here.x, here.y, to.x, to.y);
  }
  pen.close();
}

/**
 * The outline of where a field is above a level, as smooth curves.
 * @param values one for the middle of each cell
 * @param within largest distance between the outline and its simpler form, in cells
 * @param smallest contours of less area than this, in cells, are left out
 * @source marching squares with linear interpolation (d3-contour)
 */
export function fieldOutline(
  values: Float32Array,
  { columns, rows, left, top, cell }: CellGrid,
  within: number,
  smallest: number,
  level = 0,
): Region {
  const made = contours()
    .size([columns, rows])
    .smooth(true)
    .contour(values as unknown as number[], level);
  const pen = new PathPen();
  const digits = Math.max(0, Math.ceil(-Math.log10(2 * WRITTEN_CELLS * cell)));
  const whole = 10 ** Math.min(12, digits);
  const short = (value: number): number => (Math.sign(value) * Math.round(Math.abs(value) * whole)) / whole;
  for (const polygon of made.coordinates)
    for (const ring of polygon) {
      // The last point is the first one again. A value stands for the middle of its cell.
      const points = ring.slice(0, -1).map(([x = 0, y = 0]): Point => ({ x: left + x * cell, y: top + y * cell }));
      if (areaOf(points) < smallest * cell * cell) continue;
      const few = thinnedRing(points, within * cell);
      if (few.length >= 3) drawSmooth(pen, few, short);
    }
  const path: Path = pen.path();
  return { path, rule: 'evenodd' };
}

const areaOf = (ring: readonly Point[]): number =>
  Math.abs(
    ring.reduce((sum, { x, y }, index) => {
      const next = ring[(index + 1) % ring.length] as Point;
      return sum + x * next.y - next.x * y;
    }, 0) / 2,
  );
