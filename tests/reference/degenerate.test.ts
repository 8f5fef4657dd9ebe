import { areaPathsD, booleanOpD, ClipType, EndType, FillRule, inflatePathsD, JoinType, unionD, type PathsD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import { COMBININGS, flatten, FORM_NAMES, mapPath, outlineOf, startOf, toSize, translation, type Join, type Region } from '$core/index';
import { areaOf } from '../support/drawn-mark';
import { random } from '../support/random';
import { paths } from '../support/resolver';

/** The independent route: clipper2 on outlines flattened ten times finer than the app does, with its own rules called here. */
const polygons = (region: Region): PathsD =>
  unionD(
    flatten(region.path, 0.002).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
    [],
    region.rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero,
    6,
  );
const TYPES = { unite: ClipType.Union, subtract: ClipType.Difference, intersect: ClipType.Intersection, exclude: ClipType.Xor } as const;
const DEEP = process.env['DEEP'] === '1';

describe('combining near-equal and degenerate shapes', () => {
  const forms = FORM_NAMES.map((form) => ({ form, path: toSize(outlineOf(startOf(form)), 300, 300) }));
  const cases = forms.flatMap(({ form, path }) =>
    [0, 1e-4, 1e-3, 0.01].flatMap((by) => COMBININGS.map((how) => ({ form, path, by, how }))),
  );
  it(`covers the right area within 0.1 % of what went in: each form against itself moved by 0 to 0.01 px`, () => {
    const next = random(9);
    const off: string[] = [];
    // Every case in the deep run; a third of them, another third of the forms each time the forms change, in the quick one.
    const chosen = DEEP ? cases : cases.filter(() => next() < 0.34);
    for (const { form, path, by, how } of chosen) {
      const one: Region = { path, rule: 'nonzero' };
      const other: Region = { path: mapPath(path, translation(by, by * 0.37)), rule: 'nonzero' };
      const ours = areaOf([paths.combine(how, one, other)]);
      const theirs = Math.abs(areaPathsD(booleanOpD(TYPES[how], polygons(one), polygons(other), FillRule.NonZero, 6)));
      const whole = areaOf([one]) + areaOf([other]);
      if (Math.abs(ours - theirs) > 0.001 * whole) off.push(`${form} ${how} by ${by}: ${ours.toFixed(1)} against ${theirs.toFixed(1)}`);
    }
    expect(off).toEqual([]);
    expect(chosen.length).toBeGreaterThan(200);
  }, 170_000);
});

describe('bands of all joins', () => {
  it('cover what a polygon library finds, within 1 % (where joins are cut off, libraries differ), in seeded cases', () => {
    const next = random(12);
    const off: string[] = [];
    const JOIN = { round: JoinType.Round, miter: JoinType.Miter, bevel: JoinType.Bevel } as const;
    for (const form of FORM_NAMES)
      for (const join of ['round', 'miter', 'bevel'] as const satisfies readonly Join[])
        for (let n = 0; n < (DEEP ? 7 : 2); n++) {
          const region: Region = paths.weld([{ path: toSize(outlineOf(startOf(form)), 300, 300), rule: 'nonzero' }]);
          const width = 2 + next() * 16;
          const ours = areaOf([paths.band(region, width, join)]);
          const around = polygons(region);
          const grown = (by: number) => inflatePathsD(around, by, JOIN[join], EndType.Polygon, 8, 6, 0.002);
          const theirs = Math.abs(areaPathsD(booleanOpD(ClipType.Difference, grown(width / 2), grown(-width / 2), FillRule.NonZero, 6)));
          if (Math.abs(ours / theirs - 1) > 0.01)
            off.push(`${form} ${join} ${width.toFixed(1)}: ${ours.toFixed(1)} against ${theirs.toFixed(1)}`);
        }
    expect(off).toEqual([]);
  }, 170_000);
});
