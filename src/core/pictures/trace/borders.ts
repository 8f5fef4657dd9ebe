import type { Point } from '../../geometry';

/** Outside of the picture; no area has this number. */
export const OUTSIDE = -1;

/** A picture cut into areas: for every pixel the number of its area, row by row. */
export interface AreaMap {
  readonly columns: number;
  readonly rows: number;
  readonly areas: Int16Array;
  /**
   * Where between the middles of two neighboring pixels the border of their areas runs, 0 at the first and 1 at the second. What is known of a
   * pixel besides its area (its tone, its distance from two colors) tells that far more exactly than half way.
   */
  readonly crossing: (first: number, second: number) => number;
}

/** A stretch of border between two areas: from one meeting of three areas to another, or all the way round. */
export interface Chain {
  readonly points: readonly Point[];
  readonly closed: boolean;
}

/** One way round an area: chains, each forward or backward. */
export interface Ring {
  readonly parts: readonly { readonly chain: number; readonly forward: boolean }[];
}

export interface Borders {
  readonly chains: readonly Chain[];
  /** By area: its rings, the area to their left as y points down: outer ones run against the clock of the screen. */
  readonly rings: ReadonlyMap<number, readonly Ring[]>;
}

/** The four ways along a grid: right, down, left, up. */
const STEPS = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
] as const;

/** Never at a pixel's very middle: two borders of one pixel would touch. */
const [NEAREST, FARTHEST] = [0.02, 0.98];

/**
 * The borders of the areas of a picture, each once, whoever has it: areas that touch share theirs to the last digit, so that nothing is seen
 * between them and their sizes sum to the picture's. Where two areas meet crosswise at a point, the one with the higher number holds together.
 *
 * @source crack following on the grid of pixel corners; places along the cracks as marching squares has them (W. Lorensen, H. Cline, 1987)
 */
export function bordersOf(map: AreaMap): Borders {
  const { columns, rows, areas } = map;
  const wide = columns + 1;
  // With a frame of what is outside, so that no look needs to ask where it is.
  const padded = new Int16Array((columns + 2) * (rows + 2)).fill(OUTSIDE);
  for (let y = 0; y < rows; y++) padded.set(areas.subarray(y * columns, (y + 1) * columns), (y + 1) * (columns + 2) + 1);
  const areaAt = (x: number, y: number): number => padded[(y + 1) * (columns + 2) + x + 1] as number;

  /** A crack is named by its upper or left end and whether it lies level. */
  const crackOf = (x: number, y: number, way: number): number => {
    if (way === 0) return (y * wide + x) * 2;
    if (way === 2) return (y * wide + x - 1) * 2;
    if (way === 1) return (y * wide + x) * 2 + 1;
    return ((y - 1) * wide + x) * 2 + 1;
  };
  /** The pixels beside a crack that is walked: to the left and to the right of the walker. */
  const beside = (x: number, y: number, way: number): readonly [number, number, number, number] => {
    if (way === 0) return [x, y - 1, x, y];
    if (way === 2) return [x - 1, y, x - 1, y - 1];
    if (way === 1) return [x, y, x - 1, y];
    return [x - 1, y - 1, x, y - 1];
  };
  const leftOf = (x: number, y: number, way: number): number => {
    const [lx, ly] = beside(x, y, way);
    return areaAt(lx, ly);
  };
  const rightOf = (x: number, y: number, way: number): number => {
    const [, , rx, ry] = beside(x, y, way);
    return areaAt(rx, ry);
  };

  const pointOn = (x: number, y: number, way: number): Point => {
    const [lx, ly, rx, ry] = beside(x, y, way);
    const [left, right] = [areaAt(lx, ly), areaAt(rx, ry)];
    if (left === OUTSIDE || right === OUTSIDE) {
      const [dx, dy] = STEPS[way] as (typeof STEPS)[number];
      return { x: x + dx / 2, y: y + dy / 2 };
    }
    // Always asked the same way round, so that both sides of a border see one place.
    const [first, second] = [ly * columns + lx, ry * columns + rx];
    const turned = first > second;
    const asked = turned ? map.crossing(second, first) : map.crossing(first, second);
    const t = Math.min(FARTHEST, Math.max(NEAREST, Number.isFinite(asked) ? asked : 0.5));
    const along = turned ? 1 - t : t;
    return { x: lx + 0.5 + (rx - lx) * along, y: ly + 0.5 + (ry - ly) * along };
  };

  /** How many areas meet at a corner, more than two or not; crosswise meetings of two count as two. */
  const meetsThree = (x: number, y: number): boolean => {
    const [a, b, c, d] = [areaAt(x - 1, y - 1), areaAt(x, y - 1), areaAt(x, y), areaAt(x - 1, y)];
    let different = 1;
    if (b !== a) different++;
    if (c !== a && c !== b) different++;
    if (d !== a && d !== b && d !== c) different++;
    return different > 2;
  };

  /** The way on from a corner, with an area to the left. */
  const onward = (x: number, y: number, way: number, area: number): number => {
    const [turnRight, turnLeft] = [(way + 1) % 4, (way + 3) % 4];
    const [aheadLeft, aheadRight] = [leftOf(x, y, way), rightOf(x, y, way)];
    if (aheadLeft === area) return aheadRight === area ? turnRight : way;
    // Two areas crosswise: the higher one goes on to its other pixel, the lower one turns back round its own.
    return aheadRight === area && !meetsThree(x, y) && area > aheadLeft ? turnRight : turnLeft;
  };

  const chains: Chain[] = [];
  const chainOf = new Map<number, number>();
  /** Where three or more areas meet: the middle of the borders that come there. */
  const meetings = new Map<number, Point>();
  const meetingAt = (x: number, y: number): Point => {
    const key = y * wide + x;
    const kept = meetings.get(key);
    if (kept) return kept;
    const onEdge = x === 0 || y === 0 || x === columns || y === rows;
    let [sumX, sumY, count] = [0, 0, 0];
    for (let way = 0; way < 4; way++)
      if (leftOf(x, y, way) !== rightOf(x, y, way)) {
        const { x: px, y: py } = pointOn(x, y, way);
        [sumX, sumY, count] = [sumX + px, sumY + py, count + 1];
      }
    let made = count === 0 ? { x, y } : { x: sumX / count, y: sumY / count };
    if (onEdge) {
      // On the frame it stays on the frame, where the border that comes from within meets it.
      const within = [0, 1, 2, 3].find(
        (way) => leftOf(x, y, way) !== rightOf(x, y, way) && leftOf(x, y, way) !== OUTSIDE && rightOf(x, y, way) !== OUTSIDE,
      );
      const from = within === undefined ? { x, y } : pointOn(x, y, within);
      made = { x: x === 0 || x === columns ? x : from.x, y: y === 0 || y === rows ? y : from.y };
    }
    meetings.set(key, made);
    return made;
  };
  const isCorner = (x: number, y: number): boolean => (x === 0 || x === columns) && (y === 0 || y === rows);
  const isMeeting = (x: number, y: number): boolean => isCorner(x, y) || meetsThree(x, y);

  // Each crack is walked once for the area on either side of it: a bit for each way along it.
  const walked = new Uint8Array(wide * (rows + 1) * 2);
  const rings = new Map<number, Ring[]>();
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const area = areaAt(x, y);
      if (areaAt(x, y - 1) === area && areaAt(x - 1, y) === area && areaAt(x + 1, y) === area && areaAt(x, y + 1) === area) continue;
      for (const [sx, sy, way] of [
        [x + 1, y, 2],
        [x, y + 1, 0],
        [x, y, 1],
        [x + 1, y + 1, 3],
      ] as const) {
        if (leftOf(sx, sy, way) !== area || rightOf(sx, sy, way) === area) continue;
        const bit = 1 << (way >> 1);
        if ((walked[crackOf(sx, sy, way)] as number) & bit) continue;
        const ring = walkFrom(sx, sy, way, area);
        const list = rings.get(area);
        if (list) list.push(ring);
        else rings.set(area, [ring]);
      }
    }
  return { chains, rings };

  function walkFrom(startX: number, startY: number, startWay: number, area: number): Ring {
    // Once round, noting every crack.
    const trail: { x: number; y: number; way: number; crack: number }[] = [];
    let [x, y, way] = [startX, startY, startWay];
    do {
      const crack = crackOf(x, y, way);
      walked[crack] = (walked[crack] as number) | (1 << (way >> 1));
      trail.push({ x, y, way, crack });
      const [dx, dy] = STEPS[way] as (typeof STEPS)[number];
      x += dx;
      y += dy;
      way = onward(x, y, way, area);
    } while (x !== startX || y !== startY || way !== startWay);
    // Cut where areas meet, beginning at such a place if there is one.
    const first = trail.findIndex((step) => isMeeting(step.x, step.y));
    if (first < 0) return { parts: [chainFor(trail, undefined, undefined)] };
    const parts: { chain: number; forward: boolean }[] = [];
    let from = 0;
    const turned = [...trail.slice(first), ...trail.slice(0, first)];
    for (let at = 1; at <= turned.length; at++) {
      const here = turned[at % turned.length] as (typeof trail)[number];
      if (at < turned.length && !isMeeting(here.x, here.y)) continue;
      const stretch = turned.slice(from, at);
      const start = turned[from] as (typeof trail)[number];
      parts.push(chainFor(stretch, meetingAt(start.x, start.y), meetingAt(here.x, here.y)));
      from = at;
    }
    return { parts };
  }

  /** The chain along some cracks: the one there is, walked backward, or a new one. */
  function chainFor(
    stretch: readonly { x: number; y: number; way: number; crack: number }[],
    start: Point | undefined,
    end: Point | undefined,
  ): { chain: number; forward: boolean } {
    let name = Infinity;
    for (const { crack } of stretch) if (crack < name) name = crack;
    const kept = chainOf.get(name);
    if (kept !== undefined) return { chain: kept, forward: false };
    const middle = stretch.map((step) => pointOn(step.x, step.y, step.way));
    const points = start && end ? [start, ...middle, end] : middle;
    chainOf.set(name, chains.length);
    chains.push({ points, closed: !start });
    return { chain: chains.length - 1, forward: true };
  }
}
