import { boundsOf, scaling, type Point } from '../geometry';
import { alternated } from './alternate';
import { layerAt, layerOf, type Layer } from './layer';
import { overlaid } from './overlay';
import { judged, type Judged, type Measures } from './score';
import { ALIKE, COARSE, FINE, gapFor, stemOf, type WovenLetter } from './search';

export type Three<T> = readonly [T, T, T];

/** Three letters interlocked on one center line. All lengths in heights of capitals. */
export interface InterlockOfThree {
  readonly sizes: Three<number>;
  /** Their origins on their baselines, as seen from the middle one's. */
  readonly places: Three<Point>;
  /** White where one passes under the other. */
  readonly gap: number;
  readonly score: number;
  /** True crossings. */
  readonly crossings: number;
  /** Each outer letter has two true crossings with the middle one at least, nothing is irregular, and all take turns. */
  readonly clean: boolean;
  /** Whether both outer letters cross the middle one; else one only stands beside it. */
  readonly isWhole: boolean;
  /** Width of all against side by side. */
  readonly width: number;
}

/** Outer letters against the middle one: smaller, and alike. @source the measured start for three letters: outer letters at .7 */
const OUTER = [0.7, 1] as const;
/** What it costs that one outer letter reaches out farther than the other, as a share of the whole width. */
const UNEVEN = 0.8;
/** How much the side counts that sits less well: a letter that only stands beside is no interlock. */
const LESSER = 0.7;
/** A strand that is over, or under, twice. */
const BROKEN = 0.5;
/** The best so many places of a side are looked at closely, and so many of their pairs together. */
const [A_SIDE, TOGETHER] = [6, 24];
const MOST_KEPT = 4;

/** Where the right letter of two stands, as seen from the left one, with what the two are worth. */
interface Beside {
  readonly dx: number;
  readonly result: Judged;
}

/** Below this two letters only lie in each other's way. */
const LEAST = 0;
const crosses = ({ crossings, score }: Judged): boolean => crossings > 0 && score >= LEAST;

/** Left and right end of the ink on its own origin, in heights of capitals. */
const reach = ({ x, ink }: Layer, cells: number): readonly [left: number, right: number] => [(x + ink[0]) / cells, (x + ink[2]) / cells];

/** The best places of one letter beside another at one height, best first: looked at coarsely from one axis to touching, the best ones closely. */
function placesBeside(
  layers: (cells: number) => readonly [Layer, Layer],
  measures: (cells: number) => Measures,
  dy: number,
): readonly Beside[] {
  const judge = (dx: number, cells: number): Beside => {
    const [one, other] = layers(cells);
    return {
      dx,
      result: judged(one, layerAt(other, other.x + Math.round(dx * cells), other.y + Math.round(dy * cells)), measures(cells), dy !== 0),
    };
  };
  // One that only stands beside the other comes last, however well it stands there.
  const best = (places: readonly Beside[]) =>
    [...places].sort(({ result: one }, { result: other }) => Number(crosses(other)) - Number(crosses(one)) || other.score - one.score);
  const [one, other] = layers(COARSE);
  const [[left, right], [l, r]] = [reach(one, COARSE), reach(other, COARSE)];
  const centered = (left + right - l - r) / 2;
  const coarse: Beside[] = [];
  for (let dx = centered; dx <= right - l; dx += 1 / COARSE) coarse.push(judge(dx, COARSE));
  const apart: Beside[] = [];
  for (const place of best(coarse)) {
    if (apart.length >= A_SIDE) break;
    if (apart.every(({ dx }) => Math.abs(dx - place.dx) > ALIKE / 3)) apart.push(place);
  }
  return best(apart.map(({ dx }) => best([-2, -1, 0, 1, 2].map((by) => judge(dx + by / FINE, FINE)))[0] as Beside));
}

/** Whether two shapes keep farther from each other than a distance in cells. */
function keepApart(one: Layer, other: Layer, cells: number): boolean {
  const [left, top, right, bottom] = one.ink;
  const outside = other.outside();
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      if (!one.mask[y * one.columns + x]) continue;
      const [column, row] = [one.x + x - other.x, one.y + y - other.y];
      if (column < 0 || row < 0 || column >= other.columns || row >= other.rows) continue;
      if ((outside[row * other.columns + column] as number) <= cells) return false;
    }
  return true;
}

/**
 * The best ways in which three letters interlock, best first: each outer one with the middle one, never with one another.
 * Both sides are searched along the center line alone; of their best places those go together that are even and take turns over one joint graph.
 * @param letters in the order in which they are read
 * @source the measured start for three letters: one center line, both pairs' scores less asymmetry, no triple overlaps
 */
export function interlocksOfThree(letters: Three<WovenLetter>): readonly InterlockOfThree[] {
  if (letters.some(({ area }) => area.path.verbs === '')) return [];
  const stem = stemOf(letters);
  const gap = gapFor(stem);
  const wide = ({ area, capHeight }: WovenLetter): number => {
    const box = boundsOf(area.path);
    return box ? (box.right - box.left) / capHeight : 0;
  };
  const all = OUTER.flatMap((outer) => {
    const sizes: Three<number> = [outer, 1, outer];
    const known = new Map<string, Layer>();
    const layer = (at: 0 | 1 | 2, cells: number): Layer => {
      const { area, capHeight } = letters[at];
      const key = `${at} ${cells}`;
      const made = known.get(key) ?? (layerOf(area, cells, Math.ceil((gap + stem) * cells) + 3, scaling(sizes[at] / capHeight)) as Layer);
      known.set(key, made);
      return made;
    };
    const side = (one: 0 | 1, dy: number) => {
      const other = one === 0 ? 1 : 2;
      const beside = wide(letters[one]) * sizes[one] + wide(letters[other]) * sizes[other];
      return placesBeside(
        (cells) => [layer(one, cells), layer(other, cells)],
        (cells) => ({ cap: cells, stem: Math.max(1, stem * cells), gap: Math.max(1, gap * cells), beside: beside * cells }),
        dy,
      );
    };
    const sink = (1 - outer) / 2;
    const [lefts, rights] = [side(0, sink), side(1, -sink)];
    const ends = (at: 0 | 1 | 2) => reach(layer(at, FINE), FINE);
    const [[l0, r0], [l1, r1], [l2, r2]] = [ends(0), ends(1), ends(2)];
    return lefts
      .flatMap((left) =>
        rights.map((right) => {
          const [from, to] = [Math.min(l0 - left.dx, l1), Math.max(r2 + right.dx, r1)];
          const uneven = Math.abs((l1 + r1) / 2 - from - (to - (l1 + r1) / 2)) / (to - from);
          const [less, more] = [left.result.score, right.result.score].sort((one, other) => one - other) as [number, number];
          const both = Number(crosses(left.result) && crosses(right.result));
          return { left, right, from, to, both, score: LESSER * less + (1 - LESSER) * more - UNEVEN * uneven };
        }),
      )
      .sort((one, other) => other.both - one.both || other.score - one.score)
      .slice(0, TOGETHER)
      .flatMap(({ left, right, from, to, both, score }): readonly InterlockOfThree[] => {
        const [up, middle] = [-Math.round(sink * FINE), layer(1, FINE)];
        const [one, other] = [layer(0, FINE), layer(2, FINE)];
        const first = layerAt(one, one.x - Math.round(left.dx * FINE), one.y + up);
        const last = layerAt(other, other.x + Math.round(right.dx * FINE), other.y + up);
        if (r0 - left.dx + gap > l2 + right.dx && !keepApart(first, last, gap * FINE)) return [];
        const { overlaps } = overlaid([first, middle, last], Math.max(1, gap * FINE));
        const { brokenHard } = alternated(overlaps);
        const clean = left.result.clean && right.result.clean && brokenHard === 0;
        return [
          {
            sizes,
            places: [
              { x: -left.dx, y: -sink },
              { x: 0, y: 0 },
              { x: right.dx, y: -sink },
            ],
            gap,
            score: score - BROKEN * brokenHard,
            crossings: left.result.crossings + right.result.crossings,
            isWhole: both > 0,
            clean,
            width: (to - from) / letters.reduce((sum, letter, at) => sum + wide(letter) * (sizes[at] as number), 0),
          },
        ];
      });
  });
  all.sort((one, other) => Number(other.isWhole) - Number(one.isWhole) || other.score - one.score);
  const kept: InterlockOfThree[] = [];
  for (const each of all) {
    if (kept.length >= MOST_KEPT) break;
    const alike = kept.some(
      (other) =>
        other.sizes[0] === each.sizes[0] &&
        Math.abs(other.places[0].x - each.places[0].x) + Math.abs(other.places[2].x - each.places[2].x) < ALIKE,
    );
    if (!alike) kept.push(each);
  }
  return kept;
}
