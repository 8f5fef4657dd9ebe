import type { Overlap } from './overlay';

/** Over and under at every overlap, and where they could not take turns. */
export interface Alternation {
  /** Of each overlap, which of its pair passes over: 0 or 1. */
  readonly over: readonly (0 | 1)[];
  /** Strands between two overlaps that are over, or under, at both. */
  readonly brokenHard: number;
  /** The same for neighbors along a piece that branches. */
  readonly brokenSoft: number;
  /** Strands that there are. */
  readonly strands: number;
}

/** Two overlaps between which a strand of one shape runs. */
interface Strand {
  readonly one: number;
  readonly other: number;
  readonly shape: number;
  readonly weight: number;
}

/** What a strand counts that runs from overlap to overlap, and one along a piece that branches. */
const HARD = 10;
const SOFT = 1;
/** All ways are tried up to this many overlaps; beyond, each is turned around while that helps. */
const MOST_TRIED = 14;

const takesTurns = ({ kind }: Overlap): boolean => kind !== 'end';

/** Strands between overlaps: along pieces with two ports surely, along those that branch from each port to its nearest neighbor. */
function strandsOf(overlaps: readonly Overlap[]): readonly Strand[] {
  const byPiece = new Map<number, { readonly overlap: number; readonly shape: number; readonly x: number; readonly y: number }[]>();
  overlaps.forEach((overlap, index) => {
    if (!takesTurns(overlap)) return;
    overlap.ports.forEach((side, at) =>
      side.forEach(({ piece, x, y }) => {
        const list = byPiece.get(piece) ?? [];
        byPiece.set(piece, list);
        list.push({ overlap: index, shape: overlap.pair[at] as number, x, y });
      }),
    );
  });
  const strands: Strand[] = [];
  for (const ports of byPiece.values()) {
    if (ports.length === 2) {
      const [one, other] = ports as [(typeof ports)[number], (typeof ports)[number]];
      if (one.overlap !== other.overlap) strands.push({ one: one.overlap, other: other.overlap, shape: one.shape, weight: HARD });
      continue;
    }
    for (const port of ports) {
      const others = ports.filter(({ overlap }) => overlap !== port.overlap);
      const nearest = others.sort((a, b) => Math.hypot(a.x - port.x, a.y - port.y) - Math.hypot(b.x - port.x, b.y - port.y))[0];
      if (nearest) strands.push({ one: port.overlap, other: nearest.overlap, shape: port.shape, weight: SOFT });
    }
  }
  return strands;
}

/**
 * Over and under in turn along every strand, so that as few strands as can be are over, or under, twice: all assignments are tried.
 * Overlaps at which a shape ends take no part.
 * @param first which of the pair is over at the first overlap that takes turns
 */
export function alternated(overlaps: readonly Overlap[], first: 0 | 1 = 1): Alternation {
  const strands = strandsOf(overlaps);
  const turning = overlaps.flatMap((overlap, index) => (takesTurns(overlap) ? [index] : []));
  const rank = new Map(turning.map((index, at) => [index, at]));
  const links = strands.map(({ one, other, shape, weight }) => {
    const [a, b] = [overlaps[one] as Overlap, overlaps[other] as Overlap];
    // Over at one and under at the other: the same side of the pair differs, or the other side agrees.
    const differs = (a.pair[0] === shape) === (b.pair[0] === shape);
    return { one: rank.get(one) as number, other: rank.get(other) as number, differs, weight };
  });
  const cost = (bits: readonly (0 | 1)[]): number =>
    links.reduce((sum, { one, other, differs, weight }) => sum + ((bits[one] !== bits[other]) === differs ? 0 : weight), 0);
  let best: (0 | 1)[] = turning.map(() => 0);
  let least = cost(best);
  if (turning.length <= MOST_TRIED) {
    for (let ways = 1; ways < 1 << Math.max(0, turning.length - 1) && least > 0; ways++) {
      // The first stays: all others turned around is the same weave seen from behind.
      const tried = turning.map((_, at): 0 | 1 => (at === 0 ? 0 : ((ways >> (at - 1)) & 1) === 1 ? 1 : 0));
      const costs = cost(tried);
      if (costs < least) [best, least] = [tried, costs];
    }
  } else {
    for (let turned = true; turned && least > 0;) {
      turned = false;
      turning.forEach((_, at) => {
        const tried = best.map((bit, index): 0 | 1 => (index === at ? (bit === 0 ? 1 : 0) : bit));
        const costs = cost(tried);
        if (costs < least) [best, least, turned] = [tried, costs, true];
      });
    }
  }
  if (best[0] !== undefined && best[0] !== first) best = best.map((bit): 0 | 1 => (bit === 0 ? 1 : 0));
  const broken = links.filter(({ one, other, differs }) => (best[one] !== best[other]) !== differs);
  return {
    over: overlaps.map((_, index): 0 | 1 => best[rank.get(index) ?? -1] ?? first),
    brokenHard: broken.filter(({ weight }) => weight === HARD).length,
    brokenSoft: broken.filter(({ weight }) => weight === SOFT).length,
    strands: strands.filter(({ weight }) => weight === HARD).length,
  };
}
