import { alternated, type Alternation } from './alternate';
import type { Layer } from './layer';
import { overlaid, type Overlay } from './overlay';

/** The measures that places are judged with, all in cells. */
export interface Measures {
  /** Height of the capitals of the larger letter. */
  readonly cap: number;
  readonly stem: number;
  readonly gap: number;
  /** Width of both letters side by side. */
  readonly beside: number;
}

/** How two letters sit in one another. */
export interface Judged {
  /** About 1 and more is good; below 0.5 is no clean interlock. */
  readonly score: number;
  /** Places where a stroke passes over a stroke. */
  readonly crossings: number;
  readonly irregular: number;
  /** Width of both against side by side. */
  readonly width: number;
  readonly nearMisses: number;
  /** At least two crossings that take turns, nothing irregular and no near miss. */
  readonly clean: boolean;
}

/** Worth of crossings by their number. @source the measured start: two and three are best */
const WORTH = [0, 0.5, 0.95, 1, 1, 0.92, 0.8, 0.5, 0.25] as const;
const IRREGULAR = { cross: 0, poke: 0.5, end: 0.5, knot: 0.65, along: 1.6 } as const;

/** So much of a letter is enough to be seen, and with so little it is spoiled, as shares of its ink. @source the measured start: below 82 % it costs up to 1.5 */
const SEEN = { enough: 0.82, spoiled: 0.6 } as const;

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
const positive = (value: number): number => Math.max(0, value);

/** How much of two outlines runs beside one another, and cells that come nearer than the gap away from every overlap. */
function besides(one: Layer, other: Layer, { overlaps }: Overlay, { gap, stem }: Measures) {
  const near = gap + 0.3 * stem;
  const zone = 2.6 * gap + Math.max(2, 0.5 * stem);
  const reaches = overlaps.map(({ cells }) => zone + Math.sqrt(cells / Math.PI) * 1.6);
  const isClear = (x: number, y: number): boolean =>
    overlaps.every((overlap, index) => Math.hypot(overlap.x - x, overlap.y - y) > (reaches[index] as number));
  let crowded = 0;
  let missed = 0;
  // Walked for every place that is tried, mostly by code that is not warm yet: plain numbers, no lists.
  const alongOutline = (a: Layer, b: Layer): void => {
    const outside = b.outside();
    const dx = a.x - b.x;
    const dy = a.y - b.y;
    for (let index = 0; index < a.edge.length; index++) {
      const at = a.edge[index] as number;
      const y = Math.floor(at / a.columns);
      const x = at - y * a.columns;
      const column = x + dx;
      const row = y + dy;
      if (column < 0 || row < 0 || column >= b.columns || row >= b.rows) continue;
      const away = outside[row * b.columns + column] as number;
      if (away === 0 || away > near) continue;
      crowded++;
      if (away < gap && isClear(x + a.x, y + a.y)) missed++;
    }
  };
  alongOutline(one, other);
  alongOutline(other, one);
  return { crowded, missed, near };
}

/**
 * What is left to see of the letter that loses more, whichever of them passes over first, as a share of its ink: a stroke that passes under loses
 * what lies over it, and a gap on both sides.
 */
function leastSeen(one: Layer, other: Layer, { overlaps }: Overlay, { over }: Alternation, gap: number): number {
  const lossOf = (letter: 0 | 1, first: 0 | 1): number =>
    overlaps.reduce((sum, { cells, thickness }, index) => {
      const top = ((over[index] ?? 0) ^ first) as 0 | 1;
      const stroke = Math.max(1, thickness[top]);
      return top === letter ? sum : sum + (cells * (stroke + 2 * gap)) / stroke;
    }, 0);
  return 1 - Math.max(...([0, 1] as const).flatMap((first) => [lossOf(0, first) / one.area, lossOf(1, first) / other.area]));
}

/**
 * Judges two letters where they stand.
 * @param floor what is surely worth less is not looked at to the end
 * @source the sum of the measured start: crossings, squareness, irregular overlaps, compactness, aspect, balance, crowding, overlap, what is left to see, near misses, order
 */
export function judged(one: Layer, other: Layer, measures: Measures, smaller: boolean, floor = -Infinity): Judged {
  const { cap, stem, gap, beside } = measures;
  const overlay = overlaid([one, other], gap);
  const { overlaps, pieces } = overlay;
  const crossings = overlaps.filter(({ kind }) => kind === 'cross');
  const alternation = alternated(overlaps);
  const square =
    crossings.reduce((sum, { cells, thickness: [a, b] }) => {
      const share = cells / (a * b);
      return sum + Math.min(share, 1 / share);
    }, 0) / Math.max(1, crossings.length);
  const left = Math.min(one.x + one.ink[0], other.x + other.ink[0]);
  const right = Math.max(one.x + one.ink[2], other.x + other.ink[2]);
  const top = Math.min(one.y + one.ink[1], other.y + other.ink[1]);
  const bottom = Math.max(one.y + one.ink[3], other.y + other.ink[3]);
  const [width, height] = [right - left, bottom - top];
  const [oneX, oneY] = [one.x + one.centerX, one.y + one.centerY];
  const [otherX, otherY] = [other.x + other.centerX, other.y + other.centerY];
  const all = one.area + other.area;
  const balance =
    Math.abs((oneX * one.area + otherX * other.area) / all - (left + right) / 2) / width +
    Math.abs((oneY * one.area + otherY * other.area) / all - (top + bottom) / 2) / height;
  const covered = overlaps.reduce((sum, { cells }) => sum + cells, 0);
  let tight = 0;
  overlaps.forEach((a, index) =>
    overlaps.slice(index + 1).forEach((b) => {
      const away = Math.hypot(a.x - b.x, a.y - b.y) - Math.sqrt(a.cells / Math.PI) - Math.sqrt(b.cells / Math.PI);
      if (away < 2 * gap + stem / 2) tight++;
    }),
  );
  const small = pieces.filter(({ extent }) => extent < 1.5 * stem).length;
  const spoiled = clamp((SEEN.enough - leastSeen(one, other, overlay, alternation, gap)) / (SEEN.enough - SEEN.spoiled), 0, 1);
  const before =
    (crossings.length === 0 ? -0.4 : 0) +
    1.2 * (WORTH[Math.min(crossings.length, WORTH.length - 1)] as number) +
    0.25 * (crossings.length > 0 ? square : 0) -
    0.75 * overlaps.reduce((sum, { kind }) => sum + IRREGULAR[kind], 0) +
    0.5 * clamp((1.25 - (width * height) / (beside * cap)) / 0.6, -1, 1) -
    0.35 * positive(Math.abs(Math.log(width / height)) - 0.25) -
    0.5 * balance -
    clamp(6 * positive(covered / Math.min(one.area, other.area) - 0.1), 0, 1.2) -
    0.22 * tight -
    0.13 * small -
    (smaller ? 0.25 : 0) -
    0.75 * clamp((oneX - otherX) / (0.3 * cap), 0, 1) -
    1.1 * positive(1 - Math.hypot(oneX - otherX, oneY - otherY) / (0.34 * cap)) -
    0.5 * alternation.brokenHard -
    0.12 * alternation.brokenSoft -
    1.5 * spoiled;
  const regular = crossings.length >= 2 && crossings.length === overlaps.length && alternation.brokenHard === 0;
  const judgement = {
    crossings: crossings.length,
    irregular: overlaps.length - crossings.length,
    width: width / beside,
  };
  if (before + (regular ? 0.25 : 0) < floor) return { ...judgement, score: before, nearMisses: 0, clean: false };
  const { crowded, missed, near } = besides(one, other, overlay, measures);
  const ports = overlaps.reduce((sum, overlap) => sum + overlap.ports[0].length + overlap.ports[1].length, 0);
  // A few near steps of outline belong to every port by nature: the stroke that comes out runs beside the other for a while.
  const crowding = positive(crowded - 5 * near * ports) / (1.1 * cap);
  const misses = Math.ceil(missed / Math.max(2, stem));
  const clean = regular && misses === 0;
  const score = before + (clean ? 0.25 : 0) - 1.15 * clamp(crowding, 0, 1) - clamp(0.12 * misses, 0, 0.72);
  return { ...judgement, score, nearMisses: misses, clean };
}
