export { apply, compose, IDENTITY, invert, isIdentity, rotation, scaling, translation, type Affine } from './affine';
export { areApart, boundsOf, centerOf, grow, heightOf, unite, widthOf, type Bounds } from './bounds';
export { EMPTY_PATH, joinPaths, mapPath, NUMBERS_OF, PathPen, type FillRule, type Path, type Verb } from './path';
export type { Point } from './point';
export { crossingsOf } from './crossings';
export { centroidOf, weightOf, type Centroid } from './centroid';
export { reversePath, windingOf } from './direction';
export { flatten, type Polygon } from './flatten';
export { chordsOf, headings, curvesOf, type Curve } from './curves';
export { warpPath, type Warp, type WarpedPoint } from './warp';
export { contoursNear, contoursOf, depthsOf, drawnPieces, islandsOf, type Island } from './islands';
export { grown, shrunk, weldGrown, withoutHoles } from './offset';
export { inkBalance } from './ink-balance';
export { inkRuns, type InkRun } from './ink-runs';
export { CAPS, COMBININGS, JOINS, type Cap, type Combining, type Join, type PathAlgebra, type Region } from './region';
export { thicknessOf, type LocalThickness, type Thickness } from './thickness';
export { arcOn } from './arcs';
export { segmentGrid, type SegmentGrid } from './segment-grid';
export { framePath, polygonPath, roundedPolygon, toSize } from './polygon-path';
export { alongLine, aroundCenter, fourWay, mirroring, mirrorPair } from './symmetry';
export {
  align,
  ALIGNMENTS,
  distribute,
  DISTRIBUTIONS,
  equalInkGaps,
  inkGap,
  MATCHES,
  type Alignment,
  type Arranged,
  type Distribution,
  type Match,
  type Outlined,
  type Shift,
} from './arrange';
export { inscribedDisk, type InscribedDisk } from './inscribed-disk';
export { convexHull, restsOf, type Rest } from './hull';
export { readPath } from './read-path';
export {
  freeCurve,
  kindOfPoint,
  mapFreePoint,
  POINT_KINDS,
  simplifyCurve,
  withPointAfter,
  withPointKind,
  type FreePoint,
  type PointKind,
} from './free-curve';
export { halfOval, halfOvalLength } from './half-oval';
export { extrude } from './extrude';
export { stackedRows, type Stretch } from './stacked-rows';
export { MOST_STRIPES, stripeCount, stripes, type Stripes } from './stripes';
export { roughened, type Roughening } from './roughen';
export { dashesAlong, type Dashing } from './dashes';
export { fillRows, gridOver, type CellGrid } from './cells';
export { distanceInside, opened, openedBySmall } from './cell-distance';
export { insideOf } from './inside';
export { thinnedLine, thinnedRing } from './thinned';
export { united } from './united';
export { fewForSpline, onSpline, splineThrough } from './spline';
