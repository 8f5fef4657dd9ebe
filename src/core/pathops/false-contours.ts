import { contoursOf, flatten, joinPaths, segmentGrid, type Path, type Point, type Polygon, type SegmentGrid } from '../geometry';

/** Outlines are flattened this finely, as a share of the distance. */
const FINE = 0.01;
/** A contour is false when it lies nearer than this share of the distance; true ones lie at all of it. */
const NEARER = 0.98;
/** Points looked at on one contour. */
const SAMPLES = 24;

/** The shortest distance from a point to any side, looked for within a reach. */
export function distanceTo(grid: SegmentGrid, { x, y }: Point, reach: number): number {
  let least = reach * reach;
  const { ends } = grid;
  grid.near(x - reach, y - reach, x + reach, y + reach, (side) => {
    const x0 = ends[4 * side] as number;
    const y0 = ends[4 * side + 1] as number;
    const dx = (ends[4 * side + 2] as number) - x0;
    const dy = (ends[4 * side + 3] as number) - y0;
    const along = Math.min(1, Math.max(0, ((x - x0) * dx + (y - y0) * dy) / (dx * dx + dy * dy)));
    const ex = x0 + along * dx - x;
    const ey = y0 + along * dy - y;
    const away = ex * ex + ey * ey;
    if (away < least) least = away;
  });
  return Math.sqrt(least);
}

/** Points on a polygon, evenly many sides apart, each in the middle of its side. */
const sampled = (polygon: Polygon): readonly Point[] => {
  const step = Math.max(1, Math.floor(polygon.length / SAMPLES));
  return polygon.flatMap((a, index) => {
    if (index % step !== 0) return [];
    const b = polygon[(index + 1) % polygon.length] ?? a;
    return [{ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }];
  });
};

/**
 * A band's outline without contours that the stroker leaves where a curve turns more tightly than the band is wide: a dot whose
 * radius is smaller than the band's keeps a false hole. Every point of a true contour lies at the band's distance from the outline.
 * @param band contours that do not cross
 * @param outline what the band runs along
 * @param by half of the band's width
 */
export function withoutFalseContours(band: Path, outline: Path, by: number): Path {
  const contours = contoursOf(band);
  if (contours.length < 2) return band;
  const grid = segmentGrid(flatten(outline, by * FINE));
  if (grid.count === 0) return band;
  const kept = contours.filter((contour) => {
    const points = flatten(contour, by * FINE).flatMap(sampled);
    const sum = points.reduce((total, point) => total + distanceTo(grid, point, by), 0);
    return sum >= NEARER * by * points.length;
  });
  return kept.length === contours.length ? band : joinPaths(kept);
}
