import {
  flatten,
  grow,
  heightOf,
  islandsOf,
  polygonPath,
  thicknessOf,
  widthOf,
  type Bounds,
  type Island,
  type PathAlgebra,
  type Point,
  type Polygon,
  type Region,
} from '../geometry';

/** A stroke of less than this is drawn at less than half of its strength: it is not counted on. A gap likewise (arithmetic of area coverage). */
export const FADES_BELOW_PX = 0.5;

/** Places measured over a whole mark, and at least on each piece of it. */
const PLACES = 2400;
const PLACES_LEAST = 48;
/** Outlines are flattened to this share of the longer side before they are measured. */
const FINE = 1 / 6000;
/** Room around, in shares of the longer side, within which white counts as a gap. */
const AROUND = 1 / 8;

/** A place of an area's outline: how thick the area is there, for how much outline it stands, and the middle of the disk that fits in. */
interface Place {
  readonly at: Point;
  readonly thickness: number;
  readonly length: number;
}
/** How much of an area is as thin as something, thinnest first; and how thick it is for the most part. */
interface Measured {
  readonly places: readonly Place[];
  readonly median: number;
  readonly size: number;
}

/** A mark's ink and white, measured once for all sizes; lengths in its own unit. */
export interface Silhouette {
  readonly box: Bounds;
  readonly longer: number;
  /** Every piece of ink that hangs together (mostly letters). */
  readonly pieces: readonly Measured[];
  /** Every counter, light letters on a ground among them. */
  readonly counters: readonly Measured[];
  /** The white around and between the pieces. */
  readonly outside: Measured | undefined;
  /** Whether all ink lies in the circle that its box holds: a mark that fills a round place to its edge. */
  readonly isRound: boolean;
}

/** Twice the signed area of a polygon. */
const twiceArea = (polygon: Polygon): number =>
  polygon.reduce((sum, a, at) => {
    const b = polygon[(at + 1) % polygon.length] ?? a;
    return sum + a.x * b.y - b.x * a.y;
  }, 0);
const lengthOf = (polygon: Polygon): number =>
  polygon.reduce((sum, a, at) => {
    const b = polygon[(at + 1) % polygon.length] ?? a;
    return sum + Math.hypot(b.x - a.x, b.y - a.y);
  }, 0);

function measured(island: Island, places: number, fine: number): Measured {
  const polygons = flatten(island.path, fine);
  // Solid less holes, whichever way round contours run.
  const [solid = 0, ...holes] = polygons.map((polygon) => Math.abs(twiceArea(polygon)) / 2).sort((one, other) => other - one);
  const size = solid - holes.reduce((sum, hole) => sum + hole, 0);
  const outline = polygons.reduce((sum, polygon) => sum + lengthOf(polygon), 0);
  const found = thicknessOf(polygons, places);
  // Without a place to measure, twice its area by its outline is as thick as a stroke of its area and length.
  const typical = outline === 0 ? 0 : (2 * size) / outline;
  const [corner = { x: 0, y: 0 }] = polygons[0] ?? [];
  return { places: found?.places ?? [{ at: corner, thickness: typical, length: outline }], median: found?.median ?? typical, size };
}

/** How far beyond the circle ink may lie: curves are never quite circles. */
const BEYOND = 1.02;
/** How much wider than high a round mark may be. */
const ROUND = 0.06;
function isRound(area: Region, box: Bounds, fine: number): boolean {
  const [wide, high] = [widthOf(box) / 2, heightOf(box) / 2];
  if (Math.abs(wide / high - 1) > ROUND) return false;
  const [x, y] = [box.left + wide, box.top + high];
  return flatten(area.path, fine).every((polygon) =>
    polygon.every((point) => Math.hypot((point.x - x) / wide, (point.y - y) / high) <= BEYOND),
  );
}

/** Measures an area for all sizes. @param area all that is inked, welded @param box its smallest box */
export function silhouetteOf(area: Region, box: Bounds, paths: PathAlgebra): Silhouette {
  const longer = Math.max(widthOf(box), heightOf(box));
  const fine = longer * FINE;
  const room = grow(box, longer * AROUND);
  const page = polygonPath([
    { x: room.left, y: room.top },
    { x: room.right, y: room.top },
    { x: room.right, y: room.bottom },
    { x: room.left, y: room.bottom },
  ]);
  const ink = islandsOf(area, fine);
  const white = islandsOf(paths.combine('subtract', { path: page, rule: 'nonzero' }, area), fine);
  const places = Math.max(PLACES_LEAST, Math.round(PLACES / Math.max(1, ink.length + white.length)));
  const sized = white.map((island) => measured(island, places, fine)).sort((one, other) => other.size - one.size);
  // The largest by its own outline is what lies around; where a ground is larger than the page around it, its counters still come after it.
  const around = white.findIndex(({ solid }) => flatten(solid, fine).some((polygon) => polygon.some(({ x }) => x <= room.left + fine)));
  const outside = around < 0 ? undefined : measured(white[around] as Island, PLACES / 2, fine);
  return {
    ...{ box, longer },
    pieces: ink.map((island) => measured(island, places, fine)),
    counters: around < 0 ? sized : white.filter((_, at) => at !== around).map((island) => measured(island, places, fine)),
    outside,
    isRound: isRound(area, box, fine),
  };
}

/** What is left of a mark when it is small. */
export interface Survival {
  /** Share of the ink, by area, that lies in strokes that are drawn. */
  readonly ink: number;
  /** Share of the edges that have white beside them which stays open. */
  readonly white: number;
  /** Pieces of ink, and how many of them fade; counters, and how many of them close: those that are too thin for the most part. */
  readonly pieces: number;
  readonly faded: number;
  readonly counters: number;
  readonly closed: number;
}

/** The thinnest stroke and the tightest gap that hold, in the unit of the size that is asked about. */
export interface Limits {
  readonly stroke: number;
  readonly gap: number;
}
const ON_SCREEN: Limits = { stroke: FADES_BELOW_PX, gap: FADES_BELOW_PX };

/** What is left of a mark at a size. @param size the longer side of its ink: in px on a screen, in mm where it is made */
export function survivalAt({ longer, pieces, counters, outside }: Silhouette, size: number, limits: Limits = ON_SCREEN): Survival {
  const least = (limits.stroke * longer) / size;
  const gap = (limits.gap * longer) / size;
  let [inked, drawn, edges, open] = [0, 0, 0, 0];
  for (const { places, size } of pieces) {
    // An area is its outline's places, each half as deep as the disk there is wide; brought to the area that it really has.
    let [all, kept] = [0, 0];
    for (const { thickness, length } of places) {
      all += thickness * length;
      if (thickness >= least) kept += thickness * length;
    }
    inked += size;
    if (all > 0) drawn += (size * kept) / all;
  }
  for (const { places } of [...counters, ...(outside ? [outside] : [])])
    for (const { thickness, length } of places) {
      edges += length;
      if (thickness >= gap) open += length;
    }
  const lost = (of: readonly Measured[], below: number) => of.filter(({ median }) => median < below).length;
  return {
    ...{ ink: inked === 0 ? 0 : drawn / inked, white: edges === 0 ? 1 : open / edges },
    ...{ pieces: pieces.length, faded: lost(pieces, least), counters: counters.length, closed: lost(counters, gap) },
  };
}

/** Where strokes are thinner, or gaps tighter, than a length in the silhouette's unit. */
export const weaknesses = ({ pieces, counters, outside }: Silhouette, kind: 'stroke' | 'gap', least: number): readonly Place[] =>
  (kind === 'stroke' ? pieces : [...counters, ...(outside ? [outside] : [])]).flatMap(({ places }) =>
    places.filter(({ thickness }) => thickness < least),
  );

/** Least shares of ink and of white that must be left for a size to be called safe: hairlines may go, stems may not (from the pictures of sixteen faces at their limits). */
export const SAFE_INK = 0.85;
export const SAFE_WHITE = 0.85;
/** Share of the pieces, and of the counters, that may go. */
export const SAFE_LOST = 0.1;
/** Whether a size is safe by what is left of a mark there. */
export const isSafe = ({ ink, white, pieces, faded, counters, closed }: Survival): boolean =>
  ink >= SAFE_INK && white >= SAFE_WHITE && faded <= SAFE_LOST * pieces && closed <= SAFE_LOST * counters;

/** Least height of the capitals of words that are to be read on a screen, in px (common practice). */
export const READABLE_CAP_PX = 5;

/** Sizes looked at, longer side in px. */
const SMALLEST_PX = 12;
const LARGEST_PX = 4000;

/**
 * The smallest size at which a mark is safe, longer side in whole px: what is safe at a size is safe at any larger one.
 * @param capPx height of the smallest words' capitals, in the silhouette's unit: they must stay readable
 * @returns the largest size looked at where not even that is safe
 */
export function smallestSafePx(silhouette: Silhouette, capPx?: number): number {
  const readable = capPx === undefined || capPx <= 0 ? 0 : (READABLE_CAP_PX * silhouette.longer) / capPx;
  return Math.ceil(Math.max(smallestBetween(silhouette, SMALLEST_PX, LARGEST_PX, ON_SCREEN), readable));
}

/** The smallest size at which a mark is safe under limits, found by halving; the larger end where not even that is. */
function smallestBetween(silhouette: Silhouette, from: number, to: number, limits: Limits): number {
  let [low, high] = [from, to];
  if (silhouette.longer <= 0 || isSafe(survivalAt(silhouette, low, limits))) return from;
  while (high - low > low * 0.005) {
    const middle = (low + high) / 2;
    if (isSafe(survivalAt(silhouette, middle, limits))) high = middle;
    else low = middle;
  }
  return high;
}

/** Printed sizes looked at, longer side in mm. */
const SMALLEST_MM = 3;
const LARGEST_MM = 2000;

/** The smallest size at which a mark can be made in a way, longer side in mm, to a tenth. */
export const smallestMadeMm = (silhouette: Silhouette, limits: Limits): number =>
  Math.ceil(smallestBetween(silhouette, SMALLEST_MM, LARGEST_MM, limits) * 10) / 10;
