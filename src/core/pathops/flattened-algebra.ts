import type { PathAlgebra } from '../geometry';
import { bandFlattened, combineFlattened, growFlattened, weldFlattened } from './flattened';

/** Path algebra of fine polygons throughout: slower, without curves, and never wrong on what it is given. Open outlines are closed. */
export const flattenedAlgebra: PathAlgebra = {
  combine: (how, one, other) => combineFlattened(how, one, other),
  weld: weldFlattened,
  grow: (region, by, join) => growFlattened(region, by, join),
  band: (region, width, join) => bandFlattened(region, width, join),
};
