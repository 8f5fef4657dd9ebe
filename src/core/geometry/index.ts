export { apply, compose, IDENTITY, invert, isIdentity, rotation, scaling, translation, type Affine } from './affine';
export { boundsOf, centerOf, grow, heightOf, unite, widthOf, type Bounds } from './bounds';
export { EMPTY_PATH, joinPaths, mapPath, NUMBERS_OF, PathPen, type FillRule, type Path, type Verb } from './path';
export type { Point } from './point';
export { centroidOf, type Centroid } from './centroid';
export { flatten, type Polygon } from './flatten';
export { warpPath, type Warp, type WarpedPoint } from './warp';
export { inkRuns, type InkRun } from './ink-runs';
export { COMBININGS, JOINS, type Combining, type Join, type PathAlgebra, type Region } from './region';
