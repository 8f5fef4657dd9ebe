import { differenceD, FillRule, intersectD, unionD, xorD, areaPathsD, type PathsD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import { COMBININGS, PathPen, type Region } from '$core/index';
import { areaByNesting, areaOfRegion, combineFlattened, weldFlattened } from '$core/pathops';
import { random } from '../support/random';

const AT_ONCE = { unite: unionD, subtract: differenceD, intersect: intersectD, exclude: xorD } as const;
const RULE = { evenodd: FillRule.EvenOdd, nonzero: FillRule.NonZero } as const;

/** Stars, crossed ones among them, strewn so that some meet, some hold others and most lie apart. */
function strewn(next: () => number, count: number): { readonly region: Region; readonly polygons: PathsD } {
  const pen = new PathPen();
  const polygons: PathsD = [];
  for (let n = 0; n < count; n++) {
    const [x, y, size] = [next() * 1000, next() * 120, 6 + next() * next() * 90];
    const corners = 3 + Math.floor(next() * 7);
    const step = next() < 0.3 ? 2 : 1;
    const points = Array.from({ length: corners }, (_, corner) => {
      const turn = (corner * step * 2 * Math.PI) / corners;
      return { x: x + size * Math.cos(turn), y: y + size * Math.sin(turn) };
    });
    points.forEach((point, corner) => (corner === 0 ? pen.move(point.x, point.y) : pen.line(point.x, point.y)));
    pen.close();
    polygons.push(points);
  }
  return { region: { path: pen.path(), rule: next() < 0.5 ? 'evenodd' : 'nonzero' }, polygons };
}
const cleanly = ({ region, polygons }: ReturnType<typeof strewn>): PathsD => unionD(polygons, [], RULE[region.rule], 6);

// The independent route is the polygon library asked about everything at once, cleaned first, with one rule.
describe('areas combined cluster by cluster', () => {
  it('are those that are combined at once, by either rule and by both, in 300 seeded cases', () => {
    const next = random(20_261_130);
    for (let n = 0; n < 300; n++) {
      const [one, other] = [strewn(next, 1 + Math.floor(next() * 30)), strewn(next, 1 + Math.floor(next() * 30))];
      for (const how of COMBININGS) {
        const wanted = Math.abs(areaPathsD(AT_ONCE[how](cleanly(one), cleanly(other), FillRule.NonZero, 6)));
        const found = areaOfRegion(combineFlattened(how, one.region, other.region));
        expect(Math.abs(found - wanted), `${n} ${how} ${one.region.rule} ${other.region.rule}`).toBeLessThan(1e-4 * (wanted + 100));
      }
      const all = Math.abs(areaPathsD(unionD([...cleanly(one), ...cleanly(other)], [], FillRule.NonZero, 6)));
      expect(Math.abs(areaOfRegion(weldFlattened([one.region, other.region])) - all)).toBeLessThan(1e-4 * (all + 100));
    }
  });
});

describe('areas counted by how contours are nested', () => {
  it('are those that a cleaned region has, wherever no contour crosses another', () => {
    const next = random(7);
    for (let n = 0; n < 200; n++) {
      const { region, polygons } = strewn(next, 1 + Math.floor(next() * 40));
      // What the library made crosses nothing; turned about at random it is nested all the same.
      const pen = new PathPen();
      for (const contour of unionD(polygons, [], RULE[region.rule], 6)) {
        const points = next() < 0.5 ? contour : [...contour].reverse();
        points.forEach(({ x, y }, corner) => (corner === 0 ? pen.move(x, y) : pen.line(x, y)));
        pen.close();
      }
      const plain: Region = { path: pen.path(), rule: 'evenodd' };
      const wanted = areaOfRegion(plain);
      expect(Math.abs((areaByNesting(plain) ?? 0) - wanted)).toBeLessThan(1e-4 * (wanted + 1));
    }
  });
  it('are not given where winding decides', () => {
    const { region } = strewn(random(3), 4);
    expect(areaByNesting({ ...region, rule: 'nonzero' })).toBeUndefined();
  });
});
