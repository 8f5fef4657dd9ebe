import { readFileSync } from 'node:fs';
import {
  createPairKerner,
  letterOutline,
  opticalGap,
  opticalKit,
  setLine,
  sideProfile,
  flatten,
  type SetLetter,
  type SideProfile,
  type Typeface,
} from '$core/index';

const UPPER = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
const LOWER = [...'abcdefghijklmnopqrstuvwxyz'];
/** The 2,028 pairs of a name: capitals together, a capital before small letters, small letters together. */
const CLASSES = [
  [UPPER, UPPER],
  [UPPER, LOWER],
  [LOWER, LOWER],
] as const;

/** How often each pair occurs in words: written small, with a capital, and in capitals. @source Debian wamerican, /usr/share/dict/american-english */
export function pairWeights(): ReadonlyMap<string, number> {
  const weights = new Map<string, number>();
  const count = (pair: string) => weights.set(pair, (weights.get(pair) ?? 0) + 1);
  for (const word of readFileSync('/usr/share/dict/american-english', 'utf8').split('\n')) {
    if (!/^[a-z]{2,}$/.test(word)) continue;
    const capitals = word.toUpperCase();
    for (let i = 0; i + 1 < word.length; i++) {
      count(word.slice(i, i + 2));
      count(capitals.slice(i, i + 2));
    }
    count((capitals[0] ?? '') + (word[1] ?? ''));
  }
  return weights;
}

/** How optical kerning stands against a font's own designers. Ratios are mean absolute errors ÷ those of no kerning. */
export interface KerningTrial {
  readonly kernedPairs: number;
  readonly ratio: number;
  readonly weightedRatio: number;
  readonly correlation: number;
  /** Share of the pairs that the designers left alone which are moved by 10/1000 em or more. */
  readonly falseMoves: number;
  /** Spread of the gaps between letters, kerned ÷ unkerned, by two rulers: the method's own gap, and the overlap of blurred letters. */
  readonly spread: { readonly optical: number; readonly blur: number };
  /** Pairs whose ink meets after kerning but not before. */
  readonly madeToTouch: readonly string[];
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
const deviation = (values: readonly number[]) => Math.sqrt(mean(values.map((value) => (value - mean(values)) ** 2)));

/** Scale of the blur, in 1/1000 em, about a stem. */
const BLUR = 60;

/**
 * How dark the gap is, on a logarithmic scale, when both letters are blurred: the overlap of two sides blurred by a Gaussian, row with row.
 * Another method than the one that kerns (blur overlap; the survey behind docs/optical-kerning.md measured it beside the soft minimum).
 */
function blurOverlap(left: SideProfile, right: SideProfile, moved: number): number {
  const rows = left.right.length;
  const REACH = Math.ceil((3 * BLUR) / 10);
  let sum = 0;
  for (let row = 0; row < rows; row++) {
    const a = left.right[row] as number;
    if (a === -Infinity) continue;
    for (let other = Math.max(0, row - REACH); other <= Math.min(rows - 1, row + REACH); other++) {
      const b = right.left[other] as number;
      if (b === Infinity) continue;
      const across = left.advance - a + b + moved;
      const along = (other - row) * 10;
      sum += Math.exp(-(across * Math.abs(across) + along * along) / (4 * BLUR * BLUR));
    }
  }
  return -Math.log(sum);
}
const nearest = (left: SideProfile, right: SideProfile, moved: number): number =>
  left.right.reduce((least, a, row) => {
    const b = right.left[row] as number;
    return a === -Infinity || b === Infinity ? least : Math.min(least, left.advance - a + b + moved);
  }, Infinity);

export function kerningTrial(face: Typeface, weights: ReadonlyMap<string, number>): KerningTrial {
  const settings = { axes: {}, kerning: 'none', trackingPermille: 0 } as const;
  const letters = new Map<string, SetLetter>();
  for (const letter of [...UPPER, ...LOWER]) {
    const [set] = setLine(face, letter, settings).letters;
    if (set) letters.set(letter, set);
  }
  const kern = createPairKerner('optical', 50, {});
  const kit = opticalKit(face, {}, {});
  const upem = face.at({}).metrics.unitsPerEm;
  const profiles = new Map(
    [...letters].map(([letter, set]) => [letter, sideProfile(flatten(letterOutline(set.glyphs), 0.3), set.advance * 1000)]),
  );
  const shapes = new Map(
    [...letters].map(([letter, set]) => [letter, kit.shape(`trial ${letter}`, () => letterOutline(set.glyphs), set.advance * 1000)]),
  );

  const theirs: number[] = [];
  const ours: number[] = [];
  const weight: number[] = [];
  const spreads = { optical: [] as [number, number][], blur: [] as [number, number][] };
  const madeToTouch: string[] = [];
  const shaped = (text: string) =>
    face
      .at({})
      .shape({ text, direction: 'ltr', script: 'Latn', features: { liga: 0, clig: 0, calt: 0 } })
      .reduce((sum, glyph) => sum + glyph.advance, 0);
  for (const [lefts, rights] of CLASSES) {
    const gaps = { optical: [[], []] as [number[], number[]], blur: [[], []] as [number[], number[]] };
    for (const left of lefts)
      for (const right of rights) {
        const [a, b] = [letters.get(left), letters.get(right)];
        const [p, q] = [profiles.get(left), profiles.get(right)];
        const [s, t] = [shapes.get(left), shapes.get(right)];
        if (!a || !b || !p || !q || !s || !t) continue;
        const own = ((shaped(left + right) - shaped(left) - shaped(right)) * 1000) / upem;
        const optical = kern(a, b);
        theirs.push(own);
        ours.push(optical);
        weight.push(weights.get(left + right) ?? 0);
        const gap = opticalGap(s.sides, t.sides);
        if (Number.isFinite(gap)) {
          gaps.optical[0].push(gap);
          gaps.optical[1].push(gap + optical);
        }
        gaps.blur[0].push(blurOverlap(p, q, 0));
        gaps.blur[1].push(blurOverlap(p, q, optical));
        if (nearest(p, q, 0) > 0 && nearest(p, q, optical) <= 0) madeToTouch.push(left + right);
      }
    for (const ruler of ['optical', 'blur'] as const) spreads[ruler].push([deviation(gaps[ruler][0]), deviation(gaps[ruler][1])]);
  }
  const error = (other: readonly number[], w: (index: number) => number) =>
    other.reduce((sum, value, index) => sum + w(index) * Math.abs(value - (theirs[index] as number)), 0);
  const zeros = theirs.map(() => 0);
  const [mt, mo] = [mean(theirs), mean(ours)];
  const left = theirs.flatMap((value, index) => (Math.abs(value) < 1 ? [ours[index] as number] : []));
  const ratioOf = (pairs: readonly (readonly [number, number])[]) =>
    mean(pairs.map(([, after]) => after)) / mean(pairs.map(([before]) => before));
  return {
    kernedPairs: theirs.filter((value) => Math.abs(value) >= 1).length,
    ratio: error(ours, () => 1) / error(zeros, () => 1),
    weightedRatio: error(ours, (index) => weight[index] as number) / error(zeros, (index) => weight[index] as number),
    correlation: mean(theirs.map((value, index) => (value - mt) * ((ours[index] as number) - mo))) / (deviation(theirs) * deviation(ours)),
    falseMoves: left.filter((value) => Math.abs(value) >= 10).length / Math.max(1, left.length),
    spread: { optical: ratioOf(spreads.optical), blur: ratioOf(spreads.blur) },
    madeToTouch,
  };
}

/** Classes of families whose designers kern; the others are judged by nobody. @source shared with the survey of open fonts: common practice */
const KERNED_CLASSES = /serif|slab|geometric|grotesque|humanist|condensed|wide/;

/** Fewer kerned pairs of the 2,028 than this, and a font does not count as well kerned. */
const WELL_KERNED = 300;

/** The shipped, well-kerned families; none was used for tuning. */
export const mayBeWellKerned = (familyClass: string): boolean => KERNED_CLASSES.test(familyClass);
export const isWellKerned = (trial: KerningTrial): boolean => trial.kernedPairs >= WELL_KERNED;
