import { flatten, joinPaths, mapPath, type Path } from '../../geometry';
import { slantDeg } from '../measure/slant';
import { glyphSheet } from '../measure/glyph-sheet';
import { joining } from '../measure/spacing';
import { mean } from '../measure/statistics';
import type { FeatureSettings } from '../features';
import type { SetGlyph } from '../set-letter';
import type { AxisValues, Typeface, TypefaceInstance } from '../typeface';
import { clearance } from './clearance';
import { opticalGap, sidesOf, type Sides } from './optical-gap';
import { sideProfile, type SideProfile } from './side-profile';

/** Curves are flattened to within this many 1/1000 em before their sides are read; a thirtieth of a row. */
const FLATTEN_PERMILLE = 0.3;

/** Ink is never brought nearer than this, in 1/1000 em; about half a hairline. */
export const FLOOR_PERMILLE = 25;

/** Kinds of letters whose gaps are compared with one another, each with the letters that designers leave unkerned. */
const CONTROLS = { upper: ['H', 'N', 'O', 'U'], lower: ['n', 'u', 'o'], digit: ['0', '6', '8', '9'] } as const;
export type LetterClass = keyof typeof CONTROLS;

/** The class of a letter by its first character; nothing for punctuation, symbols and scripts without case. @source Unicode UAX 44, general category */
export function classOf(letter: string): LetterClass | undefined {
  const base = letter.normalize('NFD');
  return /^\p{Lu}/u.test(base) ? 'upper' : /^\p{Ll}/u.test(base) ? 'lower' : /^\p{Nd}/u.test(base) ? 'digit' : undefined;
}

/**
 * The constants of the method, fitted on 25 well-kerned open families that the application does not ship, so that every shipped family is unseen.
 * @source docs/optical-kerning.md; `npm run bench` prints the figures per font
 */
export const FITTED = {
  /** How much of a letter's own deviation its bearing is taken to answer for: on the right side of the left letter, on the left side of the right one. */
  bearingShare: { upper: { right: 0.35, left: 0.35 }, mixed: { right: 0.225, left: 0.514 }, lower: { right: 0.225, left: 0.514 } },
  /** Errors smaller than this are left alone, in 1/1000 em. */
  deadZone: { upper: 21.2, mixed: 18.5, lower: 14.9 },
  /** Share of the rest of the error that is corrected. */
  share: { upper: 0.645, mixed: 0.669, lower: 0.376 },
  /** No correction is larger than this, in 1/1000 em. */
  most: 89,
} as const;

/** A letter's ink with what spacing needs of it; in 1/1000 em of the line. */
export interface LetterShape {
  /** Unique among all shapes of this process. */
  readonly id: number;
  readonly profile: SideProfile;
  readonly sides: Sides;
}

/** What is known about one font at one setting: its letters' shapes and what their gaps are measured against. */
export interface OpticalKit {
  /** Whether its letters join on the line, as in scripts. */
  readonly joins: boolean;
  /** The shape of a letter that is named by a key within this font; its outline is asked for only once. */
  readonly shape: (key: string, outline: () => Path, advance: number) => LetterShape | undefined;
  /** The gap that two classes of letters have in this font, and by how much a letter deviates from it on its right or left. */
  readonly target: (left: LetterClass, right: LetterClass) => number | undefined;
  readonly rightDeviation: (shape: LetterShape, left: LetterClass, right: LetterClass) => number;
  readonly leftDeviation: (shape: LetterShape, left: LetterClass, right: LetterClass) => number;
}

let shapeCount = 0;
const kits = new WeakMap<TypefaceInstance, Map<string, OpticalKit>>();

/** The kit of a font at its axes and with features (small capitals have other controls than lower case). Remembered as long as the instance lives. */
export function opticalKit(face: Typeface, axes: AxisValues, features: FeatureSettings): OpticalKit {
  const instance = face.at(axes);
  const known = kits.get(instance) ?? new Map<string, OpticalKit>();
  kits.set(instance, known);
  const key = JSON.stringify(features);
  const kept = known.get(key);
  if (kept) return kept;
  const kit = createKit(face, axes, features);
  known.set(key, kit);
  return kit;
}

/** A lean of less than this counts as upright, in degrees. */
const UPRIGHT_DEG = 1;

function createKit(face: Typeface, axes: AxisValues, features: FeatureSettings): OpticalKit {
  const instance = face.at(axes);
  const sheet = glyphSheet(face, axes);
  const measured = slantDeg(sheet) ?? 0;
  const lean = Math.abs(measured) > UPRIGHT_DEG ? measured : 0;
  const permille = 1000 / instance.metrics.unitsPerEm;
  const shapes = new Map<string, LetterShape | undefined>();

  const shape = (key: string, outline: () => Path, advance: number): LetterShape | undefined => {
    if (shapes.has(key)) return shapes.get(key);
    const path = outline();
    const profile = path.verbs === '' ? undefined : sideProfile(flatten(path, FLATTEN_PERMILLE), advance, lean);
    const made = profile && { id: ++shapeCount, profile, sides: sidesOf(profile) };
    shapes.set(key, made);
    return made;
  };
  const control = (letter: string): LetterShape | undefined => {
    const glyphs = instance.shape({ text: letter, direction: 'ltr', script: 'Latn', features: { ...features, kern: 0, liga: 0, calt: 0 } });
    const [glyph] = glyphs;
    if (!glyph || glyph.glyph === 0 || glyphs.length > 1) return undefined;
    const outline = () => mapPath(instance.outline(glyph.glyph), { a: permille, b: 0, c: 0, d: permille, e: 0, f: 0 });
    return shape(`control ${glyph.glyph}`, outline, glyph.advance * permille);
  };
  const controls = new Map<LetterClass, readonly LetterShape[]>();
  const controlsOf = (letters: LetterClass): readonly LetterShape[] => {
    const kept = controls.get(letters);
    if (kept) return kept;
    const found = CONTROLS[letters].flatMap((letter) => control(letter) ?? []);
    const whole = found.length === CONTROLS[letters].length ? found : [];
    controls.set(letters, whole);
    return whole;
  };
  const targets = new Map<string, number | undefined>();
  const target = (left: LetterClass, right: LetterClass): number | undefined => {
    const pair = `${left} ${right}`;
    if (!targets.has(pair)) {
      const gaps = controlsOf(left).flatMap((a) => controlsOf(right).map((b) => opticalGap(a.sides, b.sides)));
      targets.set(pair, mean(gaps.filter(Number.isFinite)));
    }
    return targets.get(pair);
  };
  const rightDeviations = new WeakMap<LetterShape, Map<string, number>>();
  const leftDeviations = new WeakMap<LetterShape, Map<string, number>>();
  const remembered = (store: WeakMap<LetterShape, Map<string, number>>, one: LetterShape, key: string, make: () => number): number => {
    const known = store.get(one) ?? new Map<string, number>();
    store.set(one, known);
    const kept = known.get(key);
    if (kept !== undefined) return kept;
    const made = make();
    known.set(key, made);
    return made;
  };
  const deviation = (gaps: readonly number[], left: LetterClass, right: LetterClass) =>
    (mean(gaps.filter(Number.isFinite)) ?? 0) - (target(left, right) ?? 0);
  return {
    joins: (joining(sheet) ?? 0) >= 0.5,
    shape,
    target,
    rightDeviation: (one, left, right) =>
      remembered(rightDeviations, one, left + right, () =>
        deviation(
          controlsOf(right).map((b) => opticalGap(one.sides, b.sides)),
          left,
          right,
        ),
      ),
    leftDeviation: (one, left, right) =>
      remembered(leftDeviations, one, left + right, () =>
        deviation(
          controlsOf(left).map((a) => opticalGap(a.sides, one.sides)),
          left,
          right,
        ),
      ),
  };
}

/** Two neighboring letters as optical kerning sees them. */
export interface OpticalPair {
  readonly left: LetterShape;
  readonly right: LetterShape;
  /** The same for letters of one font; for mixed fonts each answers for its own side. */
  readonly leftKit: OpticalKit;
  readonly rightKit: OpticalKit;
  readonly leftClass: LetterClass;
  readonly rightClass: LetterClass;
}

/**
 * By how much to move the right letter, in 1/1000 em; negative is closer.
 * At 50 % it does what designers do: closes only what is clearly too open, leaves small errors alone, trusts the side bearings for the rest.
 * Toward 100 % it goes over to moving every gap to the font's own, wider as well as closer. It never brings ink nearer than `FLOOR_PERMILLE`.
 * @param strengthPercent in [0, 100]
 * @returns `undefined` when the font lacks the letters that gaps are measured against
 */
export function opticalKern(pair: OpticalPair, strengthPercent: number): number | undefined {
  const { left, right, leftKit, rightKit, leftClass, rightClass } = pair;
  const targets = [leftKit.target(leftClass, rightClass), rightKit.target(leftClass, rightClass)];
  if (targets[0] === undefined || targets[1] === undefined) return undefined;
  const target = (targets[0] + targets[1]) / 2;
  const gap = opticalGap(left.sides, right.sides);
  if (!Number.isFinite(gap)) return 0;
  const together = leftClass !== rightClass ? 'mixed' : leftClass === 'lower' ? 'lower' : 'upper';
  const { right: rightShare, left: leftShare } = FITTED.bearingShare[together];
  const bearings =
    rightShare * leftKit.rightDeviation(left, leftClass, rightClass) + leftShare * rightKit.leftDeviation(right, leftClass, rightClass);
  const designers = designersKern(target + bearings - gap, together);
  const even = target - gap;
  const share = Math.min(100, Math.max(0, strengthPercent)) / 50;
  const wanted = share <= 1 ? designers * share : designers + (even - designers) * (share - 1);
  if (wanted >= 0) return wanted;
  return Math.max(wanted, -Math.max(0, clearance(left.profile, right.profile, FLOOR_PERMILLE)));
}

function designersKern(error: number, pair: keyof typeof FITTED.share): number {
  const beyond = -error - FITTED.deadZone[pair];
  return beyond <= 0 ? 0 : -Math.min(FITTED.most, FITTED.share[pair] * beyond);
}

type PlacedGlyph = Pick<SetGlyph, 'instance' | 'glyph' | 'emPerUnit' | 'x' | 'y'>;

/** The outline of a letter made of glyphs placed from an origin, in 1/1000 em of the line. */
export const letterOutline = (glyphs: readonly PlacedGlyph[], originX = 0): Path =>
  joinPaths(
    glyphs.map(({ instance, glyph, emPerUnit, x, y }) => {
      const scale = emPerUnit * 1000;
      return mapPath(instance.outline(glyph), { a: scale, b: 0, c: 0, d: scale, e: (x - originX) * 1000, f: y * 1000 });
    }),
  );
