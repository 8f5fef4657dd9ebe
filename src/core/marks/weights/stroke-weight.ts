import {
  contoursOf,
  flatten,
  grown,
  inscribedDisk,
  islandsOf,
  shrunk,
  thicknessOf,
  type PathAlgebra,
  type Region,
  type Thickness,
} from '../../geometry';
import { FINEST_PX } from '../../numeric/tolerances';

/** A stroke within this share of the weight that is asked for has it. */
const SAME_WEIGHT = 0.001;

/** Share of a counter's width, or of a thin stroke, that a change of weight always leaves on either side of its middle. */
const LEFT_OPEN = 0.3;

/** Outlines are flattened to this share of their size before they are measured. */
const FINE = 1 / 4000;

/** Thickness all over a welded area. */
export function thicknessOfArea(area: Region): Thickness | undefined {
  const size = area.path.coords.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  return thicknessOf(flatten(area.path, Math.max(FINEST_PX, size * FINE)));
}

const solid = (path: Region['path']): Region => ({ path, rule: 'nonzero' });

/**
 * Brings the typical stroke of an area to a weight, by moving its outline evenly out or in. Counters stay open: each gives way by at most
 * three tenths of its width on either side. Thin strokes stay: thinning goes at most as far as leaves four tenths of the thinnest.
 * @param area welded; @param weight wanted median thickness, in the area's unit
 */
export function withWeight(area: Region, weight: number, paths: PathAlgebra): Region {
  const now = thicknessOfArea(area);
  if (!now) return area;
  const by = (weight - now.median) / 2;
  if (Math.abs(by) < now.median * SAME_WEIGHT) return area;
  if (by < 0) return shrunk(area, Math.min(-by, LEFT_OPEN * now.thinnest.thickness), paths);
  const islands = islandsOf(area);
  const outside = paths.weld(islands.map((island) => grown(solid(island.solid), by, 'miter', paths)));
  return islands
    .flatMap((island) => contoursOf(island.path).slice(1))
    .reduce((rest, hole) => {
      const open = paths.weld([solid(hole)]);
      return paths.combine('subtract', rest, shrunk(open, Math.min(by, LEFT_OPEN * 2 * (inscribedDisk(open)?.radius ?? 0)), paths));
    }, outside);
}
