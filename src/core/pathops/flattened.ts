import {
  areaD,
  areaPathsD,
  differenceD,
  EndType,
  FillRule as ClipperRule,
  inflatePathsD,
  intersectD,
  JoinType,
  simplifyPathsD,
  unionD,
  xorD,
  type PathsD,
} from 'clipper2-ts';
import { boundsOf, depthsOf, flatten, heightOf, PathPen, widthOf, type Combining, type Join, type Region } from '../geometry';
import { clustersOf } from './clusters';
import { strokeByDefinition } from './stroke-by-definition';
import { LINE_PX } from '../numeric/tolerances';

/** Curves are flattened this finely before polygons are combined: in the region's unit, and never coarser than a share of its size. */
const FINE = 0.02;
const FINE_SHARE = 1e-4;

/** Significant decimal places that the polygon library keeps, for regions of about a thousand units; smaller ones keep more. */
const PRECISION = 4;
const MOST_PRECISION = 8;
/** Miters reach at most this many times the distance, as the stroker's do. */
const MITER_LIMIT = 8;

const RUN = { unite: unionD, subtract: differenceD, intersect: intersectD, exclude: xorD } as const;
const JOIN: Readonly<Record<Join, JoinType>> = { round: JoinType.Round, miter: JoinType.Miter, bevel: JoinType.Bevel };

interface Grain {
  readonly fine: number;
  readonly precision: number;
}
/** How fine polygons must be for regions of a size. */
function grainFor(regions: readonly Region[], fine: number): Grain {
  const size = Math.max(
    LINE_PX,
    ...regions.map(({ path }) => {
      const box = boundsOf(path);
      return box ? Math.max(widthOf(box), heightOf(box)) : 0;
    }),
  );
  const finer = Math.min(fine, size * FINE_SHARE);
  return { fine: finer, precision: Math.min(MOST_PRECISION, Math.max(PRECISION, Math.ceil(-Math.log10(finer)) + 2)) };
}

/** Outlines whose polygons are remembered: those of one drawing, which are combined with one thing after another. */
const KEPT = 64;
const cleaned = new Map<Region['path'], Map<string, PathsD>>();

type Run = (typeof RUN)[Combining];
/** A combination done cluster by cluster. */
const byClusters = (run: Run, subject: PathsD, clip: PathsD, rule: ClipperRule, precision: number): PathsD =>
  clustersOf(subject, clip).flatMap(({ subject: one, clip: other }) => run(one, other, rule, precision));

const polygonsOf = (region: Region, fine: number): PathsD =>
  flatten(region.path, fine).map((polygon) => polygon.map(({ x, y }) => ({ x, y })));
const ruleOf = ({ rule }: Region): ClipperRule => (rule === 'evenodd' ? ClipperRule.EvenOdd : ClipperRule.NonZero);

/** A region on its own, as clean polygons: filled by either rule they are the same. */
function clean(region: Region, { fine, precision }: Grain): PathsD {
  const key = `${region.rule} ${fine} ${precision}`;
  const known = cleaned.get(region.path) ?? new Map<string, PathsD>();
  const kept = known.get(key);
  if (kept) return kept;
  const polygons = byClusters(unionD, polygonsOf(region, fine), [], ruleOf(region), precision);
  known.set(key, polygons);
  const oldest = cleaned.keys().next();
  if (!cleaned.has(region.path) && cleaned.size >= KEPT && !oldest.done) cleaned.delete(oldest.value);
  cleaned.set(region.path, known);
  return polygons;
}

/** How much regions cover, by how finely that was asked. */
const areas = new WeakMap<Region['path'], Map<string, number>>();
const areaKey = ({ rule }: Region, fine: number): string => `${rule} ${fine}`;

/** @param fine how finely they were made, where they lie over nothing of their own: their area is known at once then */
function regionOf(polygons: PathsD, fine?: number): Region {
  const pen = new PathPen();
  for (const [first, ...rest] of polygons) {
    if (!first) continue;
    pen.move(first.x, first.y);
    for (const { x, y } of rest) pen.line(x, y);
    pen.close();
  }
  const region: Region = { path: pen.path(), rule: 'nonzero' };
  if (fine !== undefined) areas.set(region.path, new Map([[areaKey(region, fine), Math.abs(areaPathsD(polygons))]]));
  return region;
}

/**
 * Combines areas as fine polygons: the fallback where curves cannot be combined, and the independent check of those that were.
 * @param fine largest distance between a curve and its chords
 * @source clipper2 (A. Johnson), after B. Vatti, "A generic solution to polygon clipping", CACM 35(7), 1992
 */
export function combineFlattened(how: Combining, one: Region, other: Region, fine = FINE): Region {
  const grain = grainFor([one, other], fine);
  // The library fills both by one rule: only where they differ is one of them cleaned first.
  const [subject, clip] = [one.rule === other.rule ? polygonsOf(one, grain.fine) : clean(one, grain), polygonsOf(other, grain.fine)];
  return regionOf(byClusters(RUN[how], subject, clip, ruleOf(other), grain.precision), fine);
}

/** Everything that any of the areas covers, as fine polygons, in one step: cleaned areas wind once around their ink, and any number of times is ink. */
export function weldFlattened(regions: readonly Region[], fine = FINE): Region {
  const grain = grainFor(regions, fine);
  const polygons = regions.flatMap((region) => clean(region, grain));
  return regionOf(byClusters(unionD, polygons, [], ClipperRule.NonZero, grain.precision), fine);
}

const inflated = (polygons: PathsD, by: number, join: Join, { fine, precision }: Grain): PathsD =>
  inflatePathsD(polygons, by, JOIN[join], EndType.Polygon, MITER_LIMIT, precision, fine);

/** An area grown outward (or, by a negative distance, inward) all around, as fine polygons. */
export function growFlattened(region: Region, by: number, join: Join, fine = FINE): Region {
  const grain = grainFor([region], fine);
  return regionOf(inflated(clean(region, grain), by, join, grain), fine);
}

/** The band along the outline of a closed area, half of it on either side, as fine polygons. */
export function bandFlattened(region: Region, width: number, join: Join, fine = FINE): Region {
  const grain = grainFor([region], fine);
  const polygons = clean(region, grain);
  const [out, inside] = [inflated(polygons, width / 2, join, grain), inflated(polygons, -width / 2, join, grain)];
  return regionOf(differenceD(out, inside, ClipperRule.NonZero, grain.precision), fine);
}

/** The same band by the definition of a stroke: slower, and right at every corner. */
export function bandByDefinition(region: Region, width: number, join: Join, fine = FINE): Region {
  const grain = grainFor([region], fine);
  const exact = strokeByDefinition(region.path, width / 2, join, MITER_LIMIT, grain.fine, grain.precision);
  return regionOf(simplifyPathsD(exact, fine));
}

/** The same area grown, by the definition of a stroke. */
export function growByDefinition(region: Region, by: number, join: Join, fine = FINE): Region {
  const band = bandByDefinition(region, 2 * Math.abs(by), join, fine);
  return combineFlattened(by < 0 ? 'subtract' : 'unite', region, band, fine);
}

/**
 * How much a region covers where none of its contours crosses another: each counts once more or less by how many lie around it. Quick, and
 * wrong where they cross, so that it may say that areas are alike, never that they are not. Nothing where that cannot be known so.
 * @param fine largest distance between a curve and its chords
 */
export function areaByNesting({ path, rule }: Region, fine = FINE): number | undefined {
  if (rule !== 'evenodd') return undefined;
  const contours = flatten(path, fine);
  if (contours.length > MOST_NESTED) return undefined;
  const depths = depthsOf(contours);
  return contours.reduce((sum, contour, place) => sum + ((depths[place] ?? 0) % 2 === 0 ? 1 : -1) * Math.abs(areaD([...contour])), 0);
}
/** More contours than this take longer to compare than to clean. */
const MOST_NESTED = 1500;

/** How much a region covers, in square units, by the polygon library; up to two thirds of `fine` along all its edges too little. */
export function areaOfRegion(region: Region, fine = FINE): number {
  const known = areas.get(region.path) ?? new Map<string, number>();
  const key = areaKey(region, fine);
  const kept = known.get(key);
  if (kept !== undefined) return kept;
  const area = region.path.verbs === '' ? 0 : Math.abs(areaPathsD(clean(region, grainFor([region], fine))));
  areas.set(region.path, known.set(key, area));
  return area;
}
