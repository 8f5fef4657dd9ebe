import { boundsOf, distanceInside, fillRows, flatten, gridOver, segmentGrid, type Region } from '../geometry';
import { distanceTo } from './false-contours';

/** Cells on the longer side over which the area is looked at: at least, and at most. */
const CELLS = { least: 56, most: 260 } as const;
/** A growth of fewer cells than this is not told from none. */
const LEAST_REACH = 3;
/** Cells nearer to the edge than this may be on either side of it: half a cell's diagonal at both outlines. */
const UNSURE_CELLS = 1.6;
/** So finely the outline that was grown is flattened: what the mean of the distances is off by stays far below what two libraries may differ by. */
const FINE = 0.004;
/** Places looked at on the grown outline, at least. */
const PLACES = 80;

/**
 * Whether an area is another one grown outward by a distance with round joins, by the definition: every point of its outline lies at that distance
 * from the other's outline, and what lies nearer is inside, what lies farther outside. Much quicker than growing it a second time.
 * @param off largest difference in area, as a share of the grown one
 * @returns false where it is not, or cannot be told; then it must be checked otherwise
 */
export function growthHolds(area: Region, grown: Region, by: number, off: number): boolean {
  const box = boundsOf(grown.path);
  if (!box || area.path.verbs === '') return false;
  const longer = Math.max(box.right - box.left, box.bottom - box.top);
  // A narrow band around a large area is looked at in cells that are small enough for it.
  const wanted = Math.ceil((LEAST_REACH * 1.05 * longer) / by);
  if (wanted > CELLS.most) return false;
  const grid = gridOver(box, Math.max(CELLS.least, wanted));
  const { columns, rows, cell } = grid;
  const outside = new Uint8Array(columns * rows).fill(1);
  fillRows(area, grid, (row, from, to) => outside.fill(0, row * columns + from, row * columns + to));
  const away = distanceInside(outside, columns, rows);
  const inside = new Uint8Array(columns * rows);
  let cells = 0;
  fillRows(grown, grid, (row, from, to) => {
    inside.fill(1, row * columns + from, row * columns + to);
    cells += to - from;
  });
  const reach = by / cell;
  for (let at = 0; at < away.length; at++) {
    const distance = away[at] as number;
    if (inside[at] ? distance > reach + UNSURE_CELLS : distance < reach - UNSURE_CELLS) return false;
  }
  const sides = segmentGrid(flatten(area.path, FINE));
  if (sides.count === 0) return false;
  let sum = 0;
  let perimeter = 0;
  let worst = 0;
  const polygons = flatten(grown.path, 0.01);
  const count = polygons.reduce((all, polygon) => all + polygon.length, 0);
  const step = Math.max(1, Math.floor(count / PLACES));
  let passed = 0;
  let places = 0;
  for (const polygon of polygons)
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      perimeter += Math.hypot(b.x - a.x, b.y - a.y);
      // Corners of the polygon lie on the outline itself.
      if (passed++ % step !== 0) return;
      const error = distanceTo(sides, a, by * 1.02) - by;
      sum += error;
      places++;
      worst = Math.max(worst, Math.abs(error));
    });
  const covered = cells * cell * cell;
  return worst < 0.02 * by && places > 0 && Math.abs(sum / places) * perimeter <= off * covered;
}
