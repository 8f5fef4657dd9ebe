import { areaPathsD, differenceD, EndType, FillRule, inflatePathsD, intersectD, JoinType, unionD, type PathsD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  flatten,
  FORM_NAMES,
  IDENTITY,
  newTreatment,
  outlinesIn,
  startOf,
  STARTING_PALETTE,
  type Region,
  type TreatmentKindName,
} from '$core/index';
import { casesOf } from '../support/deep';
import { letteringInput } from '../support/drawn-mark';
import { shelfOf } from '../support/fonts';
import { random } from '../support/random';
import { resolverOf } from '../support/resolver';

const FINE = 0.004;
const shelf = await shelfOf('jost', 'playfair-display', 'great-vibes');
const { resolve } = resolverOf(shelf);

const shown = (part: object): readonly Region[] =>
  resolve({
    recipe: { ...EMPTY_RECIPE, parts: [valueOf(createPart(part as Parameters<typeof createPart>[0]))] },
    sources: new Map(),
    dress: dress(STARTING_PALETTE, 'full'),
  }).drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true));

const polygonsOf = ({ path, rule }: Region): PathsD =>
  unionD(
    flatten(path, FINE).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
    [],
    rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero,
    6,
  );
/** What outlines cover together. */
const covered = (regions: readonly Region[]): number => Math.abs(areaPathsD(unionD(regions.flatMap(polygonsOf), [], FillRule.NonZero, 6)));
const area = (polygons: PathsD): number => Math.abs(areaPathsD(polygons));
const offset = (polygons: PathsD, by: number): PathsD => inflatePathsD(polygons, by, JoinType.Round, EndType.Polygon, 2, 6, 0.002);
/** Rectangles that run level over a box. */
const bars = (from: readonly (readonly [number, number])[], left: number, right: number): PathsD =>
  from.map(([top, bottom]) => [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: bottom },
    { x: left, y: bottom },
  ]);

/** One part of many kinds of outline, by a seed. */
function partOf(next: () => number): object {
  if (next() < 0.5) {
    const letters = 'ABGOQRSWadegkosy8&R';
    const family = ['jost', 'playfair-display', 'great-vibes'][Math.floor(next() * 3)];
    return letteringInput({ id: 'it', text: letters[Math.floor(next() * letters.length)], font: { family }, sizePx: 80 + next() * 120 });
  }
  return { kind: 'shape', id: 'it', form: startOf(FORM_NAMES[Math.floor(next() * FORM_NAMES.length)] as (typeof FORM_NAMES)[number]) };
}

/** Each treatment's area by the polygon library alone, from the plain outline. */
const CASES: readonly (readonly [
  name: string,
  kind: TreatmentKindName,
  own: (next: () => number) => Readonly<Record<string, unknown>>,
  theirs: (
    plain: PathsD,
    own: Readonly<Record<string, number>>,
    box: { left: number; right: number; top: number; bottom: number },
  ) => number,
])[] = [
  ['a band', 'outline-band', (next) => ({ widthPx: 1 + next() * 12 }), (plain, own) => area(offset(plain, own['widthPx'] ?? 0))],
  [
    'a cut inset line',
    'inset-line',
    (next) => ({ insetPx: 0.5 + next() * 3, widthPx: 0.5 + next() * 3, cut: true }),
    (plain, { insetPx = 0, widthPx = 0 }) => area(plain) - area(offset(plain, -insetPx)) + area(offset(plain, -insetPx - widthPx)),
  ],
  [
    'level lines cut out',
    'engraved-lines',
    (next) => ({ pitchPx: 3 + next() * 8, thicknessPx: 0.6 + next() * 2 }),
    (plain, { pitchPx = 1, thicknessPx = 0 }, { left, right, top, bottom }) => {
      const rows: (readonly [number, number])[] = [];
      for (let line = Math.floor(top / pitchPx) - 1; line * pitchPx < bottom + pitchPx; line++)
        rows.push([line * pitchPx - thicknessPx / 2, line * pitchPx + thicknessPx / 2]);
      return area(differenceD(plain, bars(rows, left - 1, right + 1), FillRule.NonZero, 6));
    },
  ],
  [
    'slices',
    'slices',
    (next) => ({ count: 1 + Math.floor(next() * 4), gapPx: 1 + next() * 6, shiftPx: 0 }),
    (plain, { count = 1, gapPx = 0 }, { left, right, top, bottom }) => {
      const step = (bottom - top) / (count + 1);
      const rows = Array.from(
        { length: count },
        (_, index) => [top + (index + 1) * step - gapPx / 2, top + (index + 1) * step + gapPx / 2] as const,
      );
      return area(differenceD(plain, bars(rows, left - 1, right + 1), FillRule.NonZero, 6));
    },
  ],
  [
    'an offset shadow',
    'offset-shadow',
    (next) => ({ angleDeg: 0, distancePx: 2 + next() * 20 }),
    (plain, { distancePx = 0 }) => {
      const moved = plain.map((polygon) => polygon.map(({ x, y }) => ({ x: x + distancePx, y })));
      return 2 * area(plain) - area(intersectD(plain, moved, FillRule.NonZero, 6));
    },
  ],
];

describe.each(CASES)('%s', (_name, kind, own, theirs) => {
  it(`covers what a polygon library finds, within 0.1 %, in seeded cases`, () => {
    const next = random(kind.length * 101);
    const off: string[] = [];
    for (let n = 0; n < casesOf({ inFull: 200, sample: 8 }); n++) {
      const part = partOf(next);
      const numbers = own(next);
      const plain = unionD(shown(part).flatMap(polygonsOf), [], FillRule.NonZero, 6);
      const xs = plain.flat().map(({ x }) => x);
      const ys = plain.flat().map(({ y }) => y);
      const box = { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
      const ours = covered(shown({ ...part, treatments: [newTreatment(kind, 't', numbers)] }));
      const wanted = theirs(plain, numbers as Readonly<Record<string, number>>, box);
      // Of the part's own area: what is left of a thin shape may be next to nothing.
      if (Math.abs(ours - wanted) > 0.001 * Math.max(wanted, area(plain)))
        off.push(`${JSON.stringify({ part, numbers })}: ${ours} against ${wanted}`);
    }
    expect(off).toEqual([]);
  }, 900_000);
});
