import { boundsOf, EMPTY_PATH, mapPath, compose, rotation, translation, type Path, type Point } from '../geometry';
import { brush, chance, closedBrush, layered } from './brush';
import { growthRow, type GrowthName } from './growths';

/** On which sides of its stem a branch bears. */
export const SIDES = ['both', 'left', 'right', 'in turn'] as const;
/** Where a branch begins: at the first point of its curve, in the middle or at both ends. */
export const RUNS = ['along', 'outward', 'inward'] as const;

/** How something grows along a curve. Lengths in the curve's unit. */
export interface Garland {
  readonly kind: GrowthName;
  /** From one pair of leaves to the next. */
  readonly everyPx: number;
  /** Of the first leaf. */
  readonly lengthPx: number;
  /** Between a leaf and the stem. */
  readonly openDeg: number;
  /** How much smaller the last ones are, and how much thinner the stem there. */
  readonly fallPercent: number;
  readonly unevenPercent: number;
  readonly sides: (typeof SIDES)[number];
  readonly runs: (typeof RUNS)[number];
  /** Left free in the middle, where it does not run along all of the curve. */
  readonly gapPx: number;
  readonly seed: number;
}

/** A curve by the way gone on it: where it is, and which way it leads. */
export interface Walk {
  readonly length: number;
  readonly at: (along: number) => Point & { readonly cos: number; readonly sin: number };
}

/** Numbers with which a kind looks well on a curve of a length. */
export function startingGarland(
  kind: GrowthName,
  length: number,
): Pick<Garland, 'everyPx' | 'lengthPx' | 'openDeg'> & { readonly weightPx: number } {
  const { pairs, open, leaf, weight } = growthRow(kind).start;
  const round = (value: number): number => Math.max(1, Math.round(value * 10) / 10);
  return {
    everyPx: round(length / pairs),
    lengthPx: round(((length / pairs) * FILLED * leaf) / 100),
    openDeg: (open * WIDE_OPEN) / 100,
    weightPx: round((length * weight) / USUAL),
  };
}
/** Length of a leaf whose next neighbor it just reaches, in distances between them; a right opening, in degrees; the length of a wreath's branch, which weights are told for. */
const [FILLED, WIDE_OPEN, USUAL] = [1.15, 60, 484];

/** What has grown; each part is one outline whose pieces may lie upon each other, filled by the nonzero rule. */
export interface GrownGarland {
  readonly stem: Path;
  readonly leaves: Path;
  readonly blooms: Path;
}

/** Pairs on one stem at most. */
const MOST_PAIRS = 400;
/** Of the last leaf, which crowns the stem. */
const TIP = 0.66;
/** A stem thins faster than its leaves grow smaller, and never to nothing. */
const [THINNING, THINNEST] = [2, 0.1];

/** One stem, and how much of the curve it takes. */
interface Stem extends Walk {
  /** Turned over, so that two stems are each other's mirror image. */
  readonly isMirrored: boolean;
}

/** Its kinds of growth repeat after this many. */
const REPEATS = 20;
/** How far the farthest of what grows reaches from its foot, in its own lengths: ears of wheat have beards. */
const reachOf = (kind: GrowthName, seed: number): number =>
  Array.from({ length: REPEATS }, (_, index) => growthRow(kind).grow({ x: 0, y: 0 }, 0, 1, index, seed))
    .flat()
    .reduce((most, { path }) => Math.max(most, boundsOf(path)?.right ?? 0), 0);

/** The stems that a curve carries. */
function stemsOf(walk: Walk, { kind, seed, runs, gapPx, lengthPx, fallPercent }: Garland): readonly Stem[] {
  const { length } = walk;
  if (runs === 'along') return [{ ...walk, isMirrored: false }];
  const back = (along: number) => {
    const { x, y, cos, sin } = walk.at(length - along);
    return { x, y, cos: -cos, sin: -sin };
  };
  const from = runs === 'outward' ? (length + gapPx) / 2 : 0;
  // Grown toward each other, the leaves at their tips do not meet.
  const tip = runs === 'inward' ? TIP * lengthPx * (1 - fallPercent / 100) * reachOf(kind, seed) : 0;
  const own = runs === 'outward' ? length - from : length / 2 - gapPx / 2 - tip;
  if (own <= 0) return [];
  return [
    { length: own, at: (along) => walk.at(from + along), isMirrored: false },
    { length: own, at: (along) => back(from + along), isMirrored: true },
  ];
}

/**
 * A branch that grows along a curve: leaves in pairs at even distances, smaller toward the tip, on a stem that thins. Along a closed curve it
 * has neither beginning nor tip. From the middle or from both ends, one half is the other's mirror image.
 * @param weight of the stem where it begins
 */
export function grownAlong(walk: Walk, isClosed: boolean, weight: number, n: Garland): GrownGarland {
  const { grow } = growthRow(n.kind);
  const isRing = isClosed && n.runs === 'along';
  const fall = isRing ? 0 : n.fallPercent / 100;
  const stems: Path[] = [];
  const [leaves, blooms]: [Path[], Path[]] = [[], []];
  for (const stem of stemsOf(walk, n)) {
    const pairs = Math.max(1, Math.min(MOST_PAIRS, Math.round(stem.length / n.everyPx)));
    const bear = (along: number, lean: number, length: number, index: number) => {
      const { x, y, cos, sin } = stem.at(along);
      // Drawn beside a level stem, then laid on the curve: turned over as a whole where it is a mirror image.
      const flip = { a: 1, b: 0, c: 0, d: stem.isMirrored ? -1 : 1, e: 0, f: 0 };
      const place = compose(translation(x, y), compose(rotation((Math.atan2(sin, cos) * 180) / Math.PI), flip));
      for (const { path, isBloom } of grow({ x: 0, y: 0 }, lean, length, index, n.seed))
        (isBloom ? blooms : leaves).push(mapPath(path, place));
    };
    const steps = Math.min(240, Math.max(24, pairs * 4));
    const line = (t: number): Point => stem.at(t * stem.length);
    if (weight > 0 && isRing) stems.push(closedBrush(line, weight, steps));
    else if (weight > 0) stems.push(brush(line, (t) => weight * Math.max(THINNEST, 1 - THINNING * fall * t), steps));
    for (let pair = 0; pair < pairs; pair++) {
      const t = isRing ? pair / pairs : (pair + 0.6) / (pairs + 0.4);
      for (const way of [-1, 1]) {
        if ((n.sides === 'left' && way > 0) || (n.sides === 'right' && way < 0)) continue;
        if (n.sides === 'in turn' && way !== (pair % 2 === 0 ? -1 : 1)) continue;
        const uneven = (chance(n.seed, pair, way + 3) * n.unevenPercent) / 100;
        const lean = (way * n.openDeg * Math.PI * (1 + 0.35 * uneven)) / 180;
        // One at a time they are counted unevenly, so that flowers come on either side.
        const index = n.sides === 'both' ? pair * 2 + (way > 0 ? 1 : 0) : n.sides === 'in turn' ? pair + Math.floor(pair / 4) : pair;
        bear(t * stem.length, lean, n.lengthPx * (1 - fall * t) * (1 + 0.25 * uneven), index);
      }
    }
    if (!isRing) bear(stem.length, 0, n.lengthPx * (1 - fall) * TIP, pairs * 2);
  }
  const whole = (pieces: readonly Path[]): Path => (pieces.length === 0 ? EMPTY_PATH : layered(pieces));
  return { stem: whole(stems), leaves: whole(leaves), blooms: whole(blooms) };
}
