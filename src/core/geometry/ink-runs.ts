import type { Polygon } from './flatten';

/** A stretch of ink on a scan line; `end > start`. */
export interface InkRun {
  readonly start: number;
  readonly end: number;
}

/**
 * Where a line parallel to an axis runs through ink, by the nonzero rule.
 * @param along `x`: the horizontal line at height `level`, runs are x values; `y`: the vertical line at `level`, runs are y values
 */
export function inkRuns(polygons: readonly Polygon[], along: 'x' | 'y', level: number): readonly InkRun[] {
  const across = along === 'x' ? 'y' : 'x';
  const crossings: { at: number; winding: number }[] = [];
  for (const polygon of polygons) {
    for (let i = 0; i < polygon.length; i++) {
      const a = polygon[i];
      const b = polygon[(i + 1) % polygon.length];
      if (!a || !b) continue;
      // Half-open: a vertex on the line belongs to the edge above it, so that it counts once.
      if (a[across] <= level === b[across] <= level) continue;
      const share = (level - a[across]) / (b[across] - a[across]);
      crossings.push({ at: a[along] + share * (b[along] - a[along]), winding: b[across] > a[across] ? 1 : -1 });
    }
  }
  crossings.sort((one, other) => one.at - other.at);
  const runs: { start: number; end: number }[] = [];
  let winding = 0;
  for (const crossing of crossings) {
    const before = winding;
    winding += crossing.winding;
    const last = runs.at(-1);
    if (before === 0 && winding !== 0) {
      // Contours that overlap or touch make one run.
      if (last && crossing.at - last.end <= 0) continue;
      runs.push({ start: crossing.at, end: crossing.at });
    } else if (before !== 0 && winding === 0 && last) last.end = crossing.at;
  }
  return runs.filter((run) => run.end > run.start);
}
