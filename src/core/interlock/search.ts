import { boundsOf, flatten, mapPath, scaling, thicknessOf, type LocalThickness, type Region } from '../geometry';
import { layerAt, layerOf, type Layer } from './layer';
import { judged, type Judged, type Measures } from './score';
import { NOUGHT } from '../numeric/tolerances';

/** A letter as the search takes it: its area on its baseline, and the height of its face's capitals, in the same unit. */
export interface WovenLetter {
  readonly area: Region;
  readonly capHeight: number;
}

export const FAMILIES = ['level', 'step-down', 'step-up', 'one-axis', 'small-first', 'small-second'] as const;
export type InterlockFamily = (typeof FAMILIES)[number];

/** Two letters interlocked: where the second one stands, as seen from the first. All lengths in heights of capitals. */
export interface Interlock {
  readonly family: InterlockFamily;
  /** Sizes of the two letters; one of them is 1. */
  readonly sizes: readonly [number, number];
  /** From the first letter's origin on its baseline to the second's. */
  readonly dx: number;
  readonly dy: number;
  /** White where one passes under the other. */
  readonly gap: number;
  readonly score: number;
  /** True crossings. */
  readonly crossings: number;
  /** At least two true crossings, nothing irregular and no near miss. */
  readonly clean: boolean;
  /** Width of both against side by side. */
  readonly width: number;
}

/** Cells in a height of capitals: while all places are looked at, and for the best of them. */
export const [COARSE, FINE] = [36, 72] as const;
/** Size of the smaller letter. */
const SMALL = 0.72;
/** Places are this far apart. */
const STEP = 0.055;
const RISE = 0.62;
/** Share of the stem that is the gap, and its limits. @source the measured start */
const GAP = { ofStem: 0.3, least: 0.022, most: 0.042 } as const;
/** Below this score a result is no clean interlock. */
export const GOOD_INTERLOCK = 0.5;
const FINALISTS = 3;
/** The best so many places of a family are judged to the end. */
const LOOKED_AT = 16;
const MOST_KEPT = 8;
/** Proposals of one size nearer than this are one. */
export const ALIKE = 0.2;

/** How thick letters are along their outlines, in heights of capitals; areas are never changed, each is measured once. */
const measured = new WeakMap<Region, readonly LocalThickness[]>();
function thicknessAlong({ area, capHeight }: WovenLetter): readonly LocalThickness[] {
  const places = measured.get(area) ?? thicknessOf(flatten(mapPath(area.path, scaling(1 / capHeight)), 0.002))?.places ?? [];
  measured.set(area, places);
  return places;
}

/** The stroke below which four fifths of both outlines lie, in heights of capitals. */
export function stemOf(letters: readonly WovenLetter[]): number {
  const places = letters.flatMap(thicknessAlong);
  const all = places.reduce((sum, { length }) => sum + length, 0);
  let walked = 0;
  for (const { thickness, length } of [...places].sort((a, b) => a.thickness - b.thickness)) {
    walked += length;
    if (walked >= 0.8 * all) return thickness;
  }
  return 0.1;
}

export const gapFor = (stem: number): number => Math.min(GAP.most, Math.max(GAP.least, GAP.ofStem * stem));

interface Place {
  readonly dx: number;
  readonly dy: number;
}
interface Found extends Place {
  readonly family: InterlockFamily;
  readonly result: Judged;
}

/** One pair of sizes at one fineness. */
class Bench {
  readonly measures: Measures;
  readonly #one: Layer;
  readonly #other: Layer;
  readonly #known = new Map<string, Judged>();

  constructor(
    layer: (index: 0 | 1, size: number, cells: number) => Layer,
    readonly sizes: readonly [number, number],
    readonly cells: number,
    stem: number,
    gap: number,
    beside: number,
  ) {
    this.#one = layer(0, sizes[0], cells);
    this.#other = layer(1, sizes[1], cells);
    this.measures = { cap: cells, stem: Math.max(1, stem * cells), gap: Math.max(1, gap * cells), beside: beside * cells };
  }
  /** Ink of both letters on their own origins, in heights of capitals: left, top, right, bottom. */
  boxes(): readonly [readonly number[], readonly number[]] {
    const box = ({ x, y, ink: [l, t, r, b] }: Layer) => [
      (x + l) / this.cells,
      (y + t) / this.cells,
      (x + r) / this.cells,
      (y + b) / this.cells,
    ];
    return [box(this.#one), box(this.#other)];
  }
  judge(dx: number, dy: number, floor = -Infinity): Judged {
    const [x, y] = [Math.round(dx * this.cells), Math.round(dy * this.cells)];
    const key = `${x} ${y}`;
    const kept = this.#known.get(key);
    if (kept) return kept;
    const made = judged(
      this.#one,
      layerAt(this.#other, this.#other.x + x, this.#other.y + y),
      this.measures,
      this.sizes[0] !== this.sizes[1],
      floor,
    );
    this.#known.set(key, made);
    return made;
  }
}

const familyOf = (sizes: readonly [number, number], off: number, dy: number): InterlockFamily =>
  sizes[0] < 1
    ? 'small-first'
    : sizes[1] < 1
      ? 'small-second'
      : Math.abs(off) < 0.06
        ? 'one-axis'
        : Math.abs(dy) < 0.03
          ? 'level'
          : dy > 0
            ? 'step-down'
            : 'step-up';

/** Every place to look at for one pair of sizes, the level ones and those that share an edge or a middle among them. */
function* placesOf(bench: Bench): Generator<Place & { readonly off: number }> {
  const [a, b] = bench.boxes() as [number[], number[]];
  const [left, , right] = a as [number, number, number, number];
  const [l, t, r, bottom] = b as [number, number, number, number];
  const centered = (left + right) / 2 - (l + r) / 2;
  const touching = right - l;
  const rises = new Set<number>([
    0,
    (a[1] as number) - t,
    (a[3] as number) - bottom,
    ((a[1] as number) + (a[3] as number) - t - bottom) / 2,
  ]);
  for (let dy = -RISE; dy <= RISE; dy += STEP) rises.add(dy);
  for (const dy of rises) for (let dx = centered; dx <= touching + STEP; dx += STEP) yield { dx, dy, off: dx - centered };
}

/** Goes to the best neighbor while there is one, by wide steps first. */
function climbed(bench: Bench, start: Found): Found {
  let here = start;
  for (const step of [3, 1]) {
    const by = step / bench.cells;
    for (let moved = true, rounds = 0; moved && rounds < 4; rounds++) {
      moved = false;
      for (const [x, y] of [
        [by, 0],
        [-by, 0],
        [0, by],
        [0, -by],
      ] as const) {
        const result = bench.judge(here.dx + x, here.dy + y);
        if (result.score > here.result.score + NOUGHT) {
          here = { ...here, dx: here.dx + x, dy: here.dy + y, result };
          moved = true;
        }
      }
    }
  }
  return here;
}

/** The least that a place and its four neighbors are worth: exact outlines are never quite where cells are. */
function surely(bench: Bench, { dx, dy, result }: Found): number {
  const by = 1 / bench.cells;
  return Math.min(
    result.score,
    ...[
      [by, 0],
      [-by, 0],
      [0, by],
      [0, -by],
    ].map(([x = 0, y = 0]) => bench.judge(dx + x, dy + y).score),
  );
}

/**
 * The best ways in which two letters interlock, best first; ways that are much alike are one.
 * Places are judged on cells, coarse first; the best of each family are climbed from on finer cells.
 * @source the measured start for interlocking any pair: crossings by ports, alternation by pieces, the sum of measures, the search by families
 */
export function interlocks(letters: readonly [WovenLetter, WovenLetter]): readonly Interlock[] {
  const stem = stemOf(letters);
  const gap = gapFor(stem);
  const beside = letters.reduce((sum, { area, capHeight }) => {
    const box = boundsOf(area.path);
    return sum + (box ? (box.right - box.left) / capHeight : 0);
  }, 0);
  if (letters.some(({ area }) => area.path.verbs === '')) return [];
  const known = new Map<string, Layer>();
  const layer = (index: 0 | 1, size: number, cells: number): Layer => {
    const key = `${index} ${size} ${cells}`;
    const { area, capHeight } = letters[index];
    const made = known.get(key) ?? (layerOf(area, cells, Math.ceil((gap + stem) * cells) + 3, scaling(size / capHeight)) as Layer);
    known.set(key, made);
    return made;
  };
  const all: Interlock[] = [];
  for (const sizes of [
    [1, 1],
    [1, SMALL],
    [SMALL, 1],
  ] as const) {
    const coarse = new Bench(layer, sizes, COARSE, stem, gap, beside);
    const best = new Map<InterlockFamily, Found[]>();
    const floors = new Map<InterlockFamily, number[]>();
    for (const { dx, dy, off } of placesOf(coarse)) {
      const family = familyOf(sizes, off, dy);
      const list = best.get(family) ?? [];
      best.set(family, list);
      const floor = floors.get(family) ?? [];
      floors.set(family, floor);
      const result = coarse.judge(dx, dy, floor.length < LOOKED_AT ? -Infinity : floor[0]);
      list.push({ dx, dy, family, result });
      floor.push(result.score);
      floor.sort((one, other) => one - other);
      if (floor.length > LOOKED_AT) floor.shift();
    }
    const fine = new Bench(layer, sizes, FINE, stem, gap, beside);
    for (const list of best.values()) {
      list.sort((one, other) => other.result.score - one.result.score);
      const apart: Found[] = [];
      const clean = list.find(({ result }) => result.clean);
      if (clean) apart.push(clean);
      for (const found of list) {
        if (apart.length > FINALISTS) break;
        if (apart.every(({ dx, dy }) => Math.hypot(dx - found.dx, dy - found.dy) > ALIKE / 2)) apart.push(found);
      }
      const ends = apart
        .map((found) => climbed(fine, { ...found, result: fine.judge(found.dx, found.dy) }))
        .map((found) => ({ found, sure: surely(fine, found) }))
        .sort((one, other) => other.sure - one.sure)
        .slice(0, 2);
      for (const { found, sure } of ends) {
        const { result } = found;
        all.push({
          family: found.family,
          ...{ sizes, dx: found.dx, dy: found.dy, gap, score: sure },
          crossings: result.crossings,
          clean: result.clean,
          width: result.width,
        });
      }
    }
  }
  all.sort((one, other) => other.score - one.score);
  const kept: Interlock[] = [];
  for (const each of all) {
    if (kept.length >= MOST_KEPT) break;
    const alike = kept.some(
      (other) =>
        other.sizes[0] === each.sizes[0] && other.sizes[1] === each.sizes[1] && Math.hypot(other.dx - each.dx, other.dy - each.dy) < ALIKE,
    );
    if (!alike) kept.push(each);
  }
  return kept;
}
