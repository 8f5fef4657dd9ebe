import type { AxisValues, Typeface } from '../typeface';
import { color, outlineLength, segmentCount } from './complexity';
import { endRoundness, SERIF_REACH, serifReach } from './endings';
import { glyphSheet } from './glyph-sheet';
import { ascenderHeight, capHeight, capitalsOnly, descenderDepth, xHeight } from './heights';
import { slantDeg } from './slant';
import { joining, proportion, setWidth, sideBearing, spacingEvenness } from './spacing';
import { capitalStem, hairline, stem, stressDeg } from './strokes';

/**
 * What is measured in a face. Lengths in 1/1000 em, angles in degrees, everything else without unit.
 * Each is defined in the file of its function; docs/type-measures.md lists them for people.
 */
export interface FaceMeasures {
  readonly xHeight: number;
  readonly capHeight: number;
  readonly ascender: number;
  readonly descender: number;
  readonly stem: number;
  readonly capitalStem: number;
  readonly hairline: number;
  /** Stem ÷ hairline; 1 is monoline. */
  readonly contrast: number;
  /** Stem ÷ x-height: how heavy it looks, whatever its size on the body. */
  readonly weight: number;
  readonly slantDeg: number;
  readonly stressDeg: number;
  readonly serifReach: number;
  readonly serif: boolean;
  readonly roundness: number;
  readonly width: number;
  readonly proportion: number;
  readonly sideBearing: number;
  readonly evenness: number;
  readonly joining: number;
  readonly outlineLength: number;
  readonly color: number;
  readonly segments: number;
  readonly capitalsOnly: boolean;
}

/** Where a measure cannot be read because letters are missing, it counts as this: an inconspicuous text face. Listed in `unread`. */
const UNREMARKABLE: FaceMeasures = {
  ...{
    xHeight: 500,
    capHeight: 700,
    ascender: 750,
    descender: 220,
    stem: 85,
    capitalStem: 95,
    hairline: 55,
    contrast: 1.5,
    weight: 0.17,
    slantDeg: 0,
    stressDeg: 0,
  },
  ...{
    serifReach: 0,
    serif: false,
    roundness: 0,
    width: 520,
    proportion: 0.85,
    sideBearing: 60,
    evenness: 0.85,
    joining: 0,
    outlineLength: 7,
    color: 0.35,
    segments: 16,
    capitalsOnly: false,
  },
};

export interface MeasuredFace {
  readonly measures: FaceMeasures;
  /** Measures that could not be read and stand at an unremarkable value. */
  readonly unread: readonly (keyof FaceMeasures)[];
}

/** Four digits after the point; adding zero turns −0 into 0. */
const round = (value: number): number => Math.round(value * 10_000) / 10_000 + 0;

/** Measures a face where its axes rest, or at the given settings. Deterministic; some tens of milliseconds. */
export function measureFace(face: Typeface, axes: AxisValues = {}): MeasuredFace {
  const sheet = glyphSheet(face, axes);
  const lean = slantDeg(sheet) ?? 0;
  const read = {
    xHeight: xHeight(sheet),
    capHeight: capHeight(sheet),
    ascender: ascenderHeight(sheet),
    descender: descenderDepth(sheet),
    stem: stem(sheet, lean),
    capitalStem: capitalStem(sheet, lean),
    hairline: hairline(sheet),
    slantDeg: slantDeg(sheet),
    stressDeg: stressDeg(sheet),
    serifReach: serifReach(sheet),
    roundness: endRoundness(sheet),
    width: setWidth(sheet),
    proportion: proportion(sheet),
    sideBearing: sideBearing(sheet),
    evenness: spacingEvenness(sheet),
    joining: joining(sheet),
    outlineLength: outlineLength(sheet),
    color: color(sheet),
    segments: segmentCount(sheet),
  };
  const found = Object.fromEntries(
    Object.entries(read).flatMap(([name, value]) => (value !== undefined && Number.isFinite(value) ? [[name, round(value)]] : [])),
  ) as Partial<FaceMeasures>;
  const whole = { ...UNREMARKABLE, ...found };
  return {
    measures: {
      ...whole,
      contrast: round(Math.max(1, Math.max(whole.stem, whole.capitalStem) / Math.max(whole.hairline, 1))),
      weight: round(whole.stem / Math.max(whole.xHeight, 1)),
      serif: whole.joining < 0.5 && whole.serifReach >= SERIF_REACH,
      capitalsOnly: capitalsOnly(sheet),
    },
    unread: (Object.keys(read) as (keyof typeof read)[]).filter((name) => !(name in found)),
  };
}
