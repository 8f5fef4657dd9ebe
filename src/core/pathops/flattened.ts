import { differenceD, FillRule as ClipperRule, intersectD, unionD, xorD, type PathsD } from 'clipper2-ts';
import { flatten, PathPen, type Combining, type Region } from '../geometry';

/** Curves are flattened this finely before polygons are combined, in the region's unit. */
const FINE = 0.02;

/** Decimal places that the polygon library keeps. */
const PRECISION = 4;

const RUN = { unite: unionD, subtract: differenceD, intersect: intersectD, exclude: xorD } as const;

/** A region on its own, as clean polygons filled by the nonzero rule. */
const clean = (region: Region, fine: number): PathsD =>
  unionD(
    flatten(region.path, fine).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
    [],
    region.rule === 'evenodd' ? ClipperRule.EvenOdd : ClipperRule.NonZero,
    PRECISION,
  );

function regionOf(polygons: PathsD): Region {
  const pen = new PathPen();
  for (const [first, ...rest] of polygons) {
    if (!first) continue;
    pen.move(first.x, first.y);
    for (const { x, y } of rest) pen.line(x, y);
    pen.close();
  }
  return { path: pen.path(), rule: 'nonzero' };
}

/**
 * Combines areas as fine polygons: the fallback where curves cannot be combined, and the independent check of those that were.
 * @param fine largest distance between a curve and its chords
 * @source clipper2 (A. Johnson), after B. Vatti, "A generic solution to polygon clipping", CACM 35(7), 1992
 */
export const combineFlattened = (how: Combining, one: Region, other: Region, fine = FINE): Region =>
  regionOf(RUN[how](clean(one, fine), clean(other, fine), ClipperRule.NonZero, PRECISION));

export const weldFlattened = (regions: readonly Region[]): Region =>
  regions.reduce<Region>((sum, region) => combineFlattened('unite', sum, region), { path: { verbs: '', coords: [] }, rule: 'nonzero' });
