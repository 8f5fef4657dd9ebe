import { areaPathsD, booleanOpD, ClipType, EndType, FillRule, inflatePathsD, JoinType, unionD, type PathsD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import {
  boundsOf,
  COMBININGS,
  contoursOf,
  curvesOf,
  flatten,
  FORM_NAMES,
  heightOf,
  mapPath,
  outlineOf,
  pathData,
  scaling,
  startOf,
  toSize,
  translation,
  widthOf,
  type Join,
  type Region,
} from '$core/index';
import { casesOf, DEEP } from '../support/deep';
import { areaOf } from '../support/drawn-mark';
import { random } from '../support/random';
import { paths } from '../support/resolver';
import { byLibrsvg, coverageOf } from '../support/second-renderer';

/** The independent route: clipper2 on outlines flattened ten times finer than the app does, with its own rules called here. */
const polygons = (region: Region): PathsD =>
  unionD(
    flatten(region.path, 0.002).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
    [],
    region.rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero,
    6,
  );
const TYPES = { unite: ClipType.Union, subtract: ClipType.Difference, intersect: ClipType.Intersection, exclude: ClipType.Xor } as const;

describe('combining near-equal and degenerate shapes', () => {
  const forms = FORM_NAMES.map((form) => ({ form, path: toSize(outlineOf(startOf(form)), 300, 300) }));
  const cases = forms.flatMap(({ form, path }) =>
    [0, 1e-4, 1e-3, 0.01].flatMap((by) => COMBININGS.map((how) => ({ form, path, by, how }))),
  );
  it(`covers the right area within 0.1 % of what went in: each form against itself moved by 0 to 0.01 px`, () => {
    const next = random(9);
    const off: string[] = [];
    const chosen = cases.filter(() => DEEP || next() < 0.05);
    for (const { form, path, by, how } of chosen) {
      const one: Region = { path, rule: 'nonzero' };
      const other: Region = { path: mapPath(path, translation(by, by * 0.37)), rule: 'nonzero' };
      const ours = areaOf([paths.combine(how, one, other)]);
      const theirs = Math.abs(areaPathsD(booleanOpD(TYPES[how], polygons(one), polygons(other), FillRule.NonZero, 6)));
      const whole = areaOf([one]) + areaOf([other]);
      if (Math.abs(ours - theirs) > 0.001 * whole) off.push(`${form} ${how} by ${by}: ${ours.toFixed(1)} against ${theirs.toFixed(1)}`);
    }
    expect(off).toEqual([]);
    expect(chosen.length).toBeGreaterThan(60);
  });
});

/**
 * How wide the picture is in which librsvg judges, in pixels. It makes chords of curves by the pixel, which moves the tips of sharp corners:
 * where it differs it is asked again, three times finer.
 */
const JUDGED_PX = 2400;
const JUDGED_FINELY_PX = 7200;

/** Files hold three decimals, which turn a miter right at its limit into a bevel: librsvg is given all of it this many times larger. */
const LARGER = 1024;

/**
 * What a stroke covers by its definition in SVG 2, 13.5, as librsvg draws it: the whole, for its joins, and each curve by itself over it,
 * because turns tighter than half the stroke leave holes right beside the line where librsvg draws the whole at once. Pixels are whole or
 * nothing: edges that are drawn twice would be darker than they are.
 */
function strokedByLibrsvg(region: Region, width: number, join: Join, px: number): number {
  const path = mapPath(region.path, scaling(LARGER));
  const box = boundsOf(path);
  if (!box) return 0;
  const room = width * LARGER * 5;
  const side = Math.max(widthOf(box), heightOf(box)) + 2 * room;
  const alone = contoursOf(path)
    .flatMap(curvesOf)
    .map(([from, ...to]) => `M${from?.x} ${from?.y}${['', 'L', 'Q', 'C'][to.length]}${to.map(({ x, y }) => `${x} ${y}`).join(' ')}`);
  const drawn = [pathData(path), ...alone].map((d) => `<path d="${d}"/>`).join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box.left - room} ${box.top - room} ${side} ${side}"><g fill="none" shape-rendering="crispEdges" stroke="#000" stroke-width="${width * LARGER}" stroke-linejoin="${join}" stroke-miterlimit="8">${drawn}</g></svg>`;
  return coverageOf(byLibrsvg(svg, px, px)) * (side / LARGER / px) ** 2;
}

describe('bands of all joins', () => {
  it('cover what a polygon library finds, within 0.1 %; where that cuts far miters off in its own way, what librsvg strokes', () => {
    const next = random(12);
    const off: string[] = [];
    const JOIN = { round: JoinType.Round, miter: JoinType.Miter, bevel: JoinType.Bevel } as const;
    const forms = FORM_NAMES.filter((form) => (process.env['FORM'] ? form === process.env['FORM'] : DEEP || next() < 0.045));
    for (const form of forms)
      for (const join of ['round', 'miter', 'bevel'] as const satisfies readonly Join[])
        for (let n = 0; n < casesOf({ inFull: 7, sample: 1 }); n++) {
          const region: Region = paths.weld([{ path: toSize(outlineOf(startOf(form)), 300, 300), rule: 'nonzero' }]);
          const width = 2 + next() * 16;
          const ours = areaOf([paths.band(region, width, join)]);
          const around = polygons(region);
          const grown = (by: number) => inflatePathsD(around, by, JOIN[join], EndType.Polygon, 8, 6, 0.002);
          const theirs = Math.abs(areaPathsD(booleanOpD(ClipType.Difference, grown(width / 2), grown(-width / 2), FillRule.NonZero, 6)));
          if (Math.abs(ours / theirs - 1) <= 0.001) continue;
          if (Math.abs(ours / strokedByLibrsvg(region, width, join, JUDGED_PX) - 1) <= 0.001) continue;
          const judged = strokedByLibrsvg(region, width, join, JUDGED_FINELY_PX);
          if (Math.abs(ours / judged - 1) > 0.001)
            off.push(`${form} ${join} ${width.toFixed(1)}: ${ours.toFixed(1)} against ${theirs.toFixed(1)} and ${judged.toFixed(1)}`);
        }
    expect(off).toEqual([]);
  });

  it('turn their corners as SVG says, at the limit of a miter and beyond it: closed forms', () => {
    // A corner of 2·asin(1/n) has a miter of n half widths: 8 is just within the limit, beyond it the corner is a bevel.
    for (const [times, far] of [
      [7.9, true],
      [8.1, false],
    ] as const) {
      const half = Math.asin(1 / times);
      const tip: Region = {
        path: { verbs: 'MLLZ', coords: [0, 0, 400 * Math.cos(half), -400 * Math.sin(half), 400 * Math.cos(half), 400 * Math.sin(half)] },
        rule: 'nonzero',
      };
      const box = boundsOf(paths.band(tip, 10, 'miter').path);
      expect(-(box?.left ?? 0)).toBeCloseTo(far ? 5 * times : 5 * Math.sin(half), 3);
    }
  });
});
