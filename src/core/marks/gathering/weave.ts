import { notNought } from '../../numeric/tolerances';
import {
  boundsOf,
  drawnPieces,
  grown,
  islandsOf,
  unite,
  type Bounds,
  type PathAlgebra,
  type Point,
  type Region,
  weightOf,
} from '../../geometry';
import { alternated, layerOf, overlaid, type Layer, type OverlapKind } from '../../interlock';

/** A place where two shapes cross. */
interface Crossing {
  readonly pair: readonly [number, number];
  readonly place: Region;
  readonly center: Point;
  readonly kind: OverlapKind;
  /** Which of the pair passes over: 0 or 1. */
  over: 0 | 1;
}

/** A crossing as whoever switches it sees it. */
export interface WovenCrossing extends Point {
  /** The two shapes, and which of them passes over. */
  readonly pair: readonly [number, number];
  readonly over: number;
}

export interface Woven {
  /** In the order of the shapes. */
  readonly areas: readonly Region[];
  /** From left to right. */
  readonly crossings: readonly WovenCrossing[];
}

export interface Weaving {
  readonly gap: number;
  /** Which of the first two begins on top. */
  readonly first: boolean;
  /** Crossings at which over and under are exchanged, counted from left to right. */
  readonly switched?: readonly number[];
}

/** Cells on the longer side over which it is told how shapes cross. */
const CELLS = 170;
/** How far around a crossing the one that goes under stops short, in gaps. @source the measured start */
const AROUND = 2.6;
/** What is nearer than twice this share of the gap after weaving gives way. */
const NEAR = 0.46;
/** Pieces of less than this many squares of the gap are dropped. */
const CRUMB = 1;

const areaOf = (region: Region): number => weightOf([region], 0.1)?.area ?? 0;
const isEmpty = ({ path }: Region): boolean => path.verbs === '';

type Growing = (region: Region, by: number) => Region;

/** Areas grown with round joins, each once by the same amount. */
function growing(paths: PathAlgebra): Growing {
  const kept = new Map<Region, Map<number, Region>>();
  return (region, by) => {
    const own = kept.get(region) ?? new Map<number, Region>();
    const wide = own.get(by) ?? grown(region, by, 'round', paths);
    kept.set(region, own.set(by, wide));
    return wide;
  };
}

/** Where every two shapes meet, as exact outlines. */
function placesOf(shapes: readonly Region[], paths: PathAlgebra): readonly Omit<Crossing, 'kind' | 'over'>[] {
  return shapes.flatMap((one, i) =>
    shapes.slice(i + 1).flatMap((other, offset) =>
      islandsOf(paths.combine('intersect', one, other)).flatMap((island) => {
        const box = boundsOf(island.path);
        const center = weightOf([island], 0.1) ?? (box && { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 });
        return center ? [{ pair: [i, i + 1 + offset] as const, place: island, center: { x: center.x, y: center.y } }] : [];
      }),
    ),
  );
}

/** Every place with what passes over there: cells decide, along the pieces of both shapes. */
function crossingsOf(shapes: readonly Region[], { gap, first }: Weaving, paths: PathAlgebra): readonly Crossing[] {
  const places = placesOf(shapes, paths);
  const box = shapes.reduce<Bounds | undefined>((sum, { path }) => unite(sum, boundsOf(path)), undefined);
  if (places.length === 0 || !box) return [];
  const perUnit = CELLS / notNought(Math.max(box.right - box.left, box.bottom - box.top));
  const found = shapes.map((shape) => layerOf(shape, perUnit, Math.ceil(gap * perUnit) + 4));
  if (found.some((layer) => !layer)) return places.map((place) => ({ ...place, kind: 'end', over: first ? 1 : 0 }));
  const overlay = overlaid(found as readonly Layer[], Math.max(1, gap * perUnit));
  // Counted from left to right, so that the same one begins whatever the order they are found in.
  const overlaps = [...overlay.overlaps].sort((one, other) => one.x - other.x || one.y - other.y);
  const { over } = alternated(overlaps, first ? 1 : 0);
  return places
    .map((place): Crossing => {
      let nearest = -1;
      let least = Infinity;
      overlaps.forEach(({ pair, x, y, cells }, index) => {
        if (pair[0] !== place.pair[0] || pair[1] !== place.pair[1]) return;
        const away = Math.hypot(x / perUnit - place.center.x, y / perUnit - place.center.y) - Math.sqrt(cells) / perUnit / 2;
        if (away < least) [nearest, least] = [index, away];
      });
      return { ...place, kind: overlaps[nearest]?.kind ?? 'end', over: over[nearest] ?? (first ? 1 : 0) };
    })
    .sort((one, other) => one.center.x - other.center.x || one.center.y - other.center.y);
}

/**
 * Shapes that pass over and under each other in turn: at every crossing the one that goes under stops short of the other by an even gap.
 * Where one only ends upon the other, the way that leaves fewer crumbs is taken.
 * @param shapes welded areas, back to front
 * @source the measured start for interlocking: alternation by pieces, exact drawing, repair of near misses
 */
export function weave(shapes: readonly Region[], weaving: Weaving, paths: PathAlgebra): Woven {
  const { gap, switched = [] } = weaving;
  const crossings = crossingsOf(shapes, weaving, paths);
  const widened = growing(paths);
  /** What one shape loses where another passes over it. */
  const loses = ({ place }: Crossing, top: number): Region =>
    paths.combine('intersect', widened(shapes[top] as Region, gap), widened(place, AROUND * gap + 0.5));
  const crumb = CRUMB * gap * gap;
  const wasDrawn = drawnPieces(shapes);
  const crumbs = (region: Region): number => islandsOf(region).filter((island) => areaOf(island) < 4 * crumb).length;
  for (const crossing of crossings) {
    if (crossing.kind !== 'end') continue;
    const [one, other] = crossing.pair;
    const left = ([0, 1] as const).map((over) => {
      const under = shapes[over === 0 ? other : one] as Region;
      return crumbs(paths.combine('subtract', under, loses(crossing, over === 0 ? one : other)));
    });
    if (left[0] !== left[1]) crossing.over = (left[0] as number) < (left[1] as number) ? 0 : 1;
  }
  for (const index of switched) {
    const crossing = crossings[index];
    if (crossing) crossing.over = crossing.over === 0 ? 1 : 0;
  }
  const isOver = ({ pair, over }: Crossing, shape: number) => pair[over] === shape;
  let areas = shapes.map((shape, index) =>
    crossings.reduce((rest, crossing) => {
      if (!crossing.pair.includes(index) || isOver(crossing, index)) return rest;
      const cut = crossings
        .filter((beside) => beside !== crossing && beside.pair.includes(index) && isOver(beside, index))
        .filter(({ center }) => Math.hypot(center.x - crossing.center.x, center.y - crossing.center.y) < 12 * gap)
        .reduce(
          (zone, { place }) => paths.combine('subtract', zone, widened(place, gap / 2)),
          loses(crossing, crossing.pair[crossing.over] as number),
        );
      return paths.combine('subtract', rest, cut);
    }, shape),
  );
  areas = repaired(areas, crossings, gap, widened, paths);
  return {
    areas: gap <= 0 ? areas : areas.map((area) => withoutCrumbs(area, crumb, wasDrawn, paths)),
    crossings: crossings.map(({ center, pair, over }) => ({ x: center.x, y: center.y, pair, over: pair[over] as number })),
  };
}

/** Wherever two shapes that cross are still too near, the one that goes under at the nearest crossing gives way. */
function repaired(areas: readonly Region[], crossings: readonly Crossing[], gap: number, widened: Growing, paths: PathAlgebra): Region[] {
  const made = [...areas];
  if (gap <= 0) return made;
  const pairs = new Map(crossings.map((crossing) => [crossing.pair.join(), crossing.pair]));
  for (const [one, other] of pairs.values()) {
    const [a, b] = [made[one] as Region, made[other] as Region];
    if (isEmpty(a) || isEmpty(b)) continue;
    const tight = paths.combine('intersect', widened(a, NEAR * gap), widened(b, NEAR * gap));
    for (const place of islandsOf(tight)) {
      const box = boundsOf(place.path);
      if (!box) continue;
      const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
      const nearest = crossings
        .filter(({ pair }) => pair[0] === one && pair[1] === other)
        .sort((c, d) => Math.hypot(c.center.x - x, c.center.y - y) - Math.hypot(d.center.x - x, d.center.y - y))[0];
      if (!nearest) continue;
      const top = nearest.pair[nearest.over] as number;
      const under = top === one ? other : one;
      const zone = paths.combine('intersect', widened(made[top] as Region, gap), widened(place, 1.5 * gap));
      made[under] = paths.combine('subtract', made[under] as Region, zone);
    }
  }
  return made;
}

function withoutCrumbs(area: Region, least: number, wasDrawn: (piece: Region) => boolean, paths: PathAlgebra): Region {
  const islands = islandsOf(area);
  const kept = islands.filter((island) => areaOf(island) >= least || wasDrawn(island));
  return kept.length === islands.length ? area : kept.length === 0 ? area : paths.weld(kept);
}
