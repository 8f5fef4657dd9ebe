import { EndType, FillRule, inflatePathsD, JoinType, unionD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import { flatten, FORM_NAMES, mapPath, outlineOf, rotation, startOf, toSize, type Region } from '$core/index';
import { oneInEvery } from '../support/deep';
import { areaOf, drawnOn, fillsOf, letteringInput } from '../support/drawn-mark';
import { shelfOf } from '../support/fonts';
import { random } from '../support/random';
import { paths } from '../support/resolver';

/** The independent route: clipper2's own offset of finely flattened outlines, round joins, arcs within 0.002. */
function offsetArea(region: Region, by: number): number {
  const clean = unionD(
    flatten(region.path, 0.005).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
    [],
    region.rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero,
    5,
  );
  const grown = inflatePathsD(clean, by, JoinType.Round, EndType.Polygon, 2, 5, 0.002);
  const path = {
    verbs: grown.map((polygon) => polygon.map((_, index) => (index === 0 ? 'M' : 'L')).join('') + 'Z').join(''),
    coords: grown.flatMap((polygon) => polygon.flatMap(({ x, y }) => [x, y])),
  };
  return areaOf([{ path, rule: 'nonzero' }]);
}

describe('offsets', () => {
  it('of letters of five faces, outward, cover what a polygon library finds, within 0.1 %', async () => {
    const draw = drawnOn(await shelfOf('jost', 'playfair-display', 'zilla-slab', 'great-vibes', 'unifrakturmaguntia'));
    const next = random(7);
    const off: string[] = [];
    for (const family of ['jost', 'playfair-display', 'zilla-slab', 'great-vibes', 'unifrakturmaguntia'])
      for (const [index, letter] of oneInEvery(2, [...'ABCGOQSWXadegkosy8&R']).entries()) {
        const [fill] = fillsOf(
          draw(letteringInput({ text: letter, font: { family }, sizePx: 200, place: { x: 0, y: 0, turnDeg: 0 } })),
          'name',
        );
        if (!fill) continue;
        for (const by of [0.5 + next() * 4, 5 + next() * 20].slice(0, index % 5 < 3 ? 2 : 1)) {
          const ours = areaOf([paths.grow({ path: fill.path, rule: fill.rule }, by, 'round')]);
          const theirs = offsetArea({ path: fill.path, rule: fill.rule }, by);
          if (Math.abs(ours / theirs - 1) > 0.001)
            off.push(`${family} ${letter} by ${by.toFixed(2)}: ${ours.toFixed(2)} against ${theirs.toFixed(2)}`);
        }
      }
    expect(off).toEqual([]);
  });

  it('of every shape and ornament, outward and inward, cover what a polygon library finds, within 0.1 %', () => {
    const next = random(11);
    const off: string[] = [];
    for (const form of oneInEvery(6, FORM_NAMES)) {
      const region: Region = paths.weld([
        { path: mapPath(toSize(outlineOf(startOf(form)), 300, 300), rotation(next() * 360)), rule: 'nonzero' },
      ]);
      const by = 1 + next() * 8;
      const whole = areaOf([region]);
      const grownArea = areaOf([paths.grow(region, by, 'round')]);
      const shrunkArea = areaOf([paths.combine('subtract', region, paths.band(region, 2 * by, 'round'))]);
      for (const [ours, theirs, way] of [
        [grownArea, offsetArea(region, by), 'out'],
        [shrunkArea, offsetArea(region, -by), 'in'],
      ] as const)
        if (Math.abs(ours - theirs) > 0.001 * Math.max(theirs, whole))
          off.push(`${form} ${way} by ${by.toFixed(2)}: ${ours.toFixed(2)} against ${theirs.toFixed(2)}`);
    }
    expect(off).toEqual([]);
  });
});
