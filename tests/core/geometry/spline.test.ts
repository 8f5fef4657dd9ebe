import { curveCatmullRom, line } from 'd3';
import { describe, expect, it } from 'vitest';
import { fewForSpline, flatten, onSpline, readPath, splineThrough, thinnedLine, type Point } from '$core/index';
import { random } from '../../support/random';

const apart = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
/** The distance from a place to a row of straight pieces. */
const fromRow = (row: readonly Point[], { x, y }: Point): number =>
  Math.min(
    ...row.slice(1).map((b, n) => {
      const a = row[n] as Point;
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const run = dx * dx + dy * dy;
      const t = run > 0 ? Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / run)) : 0;
      return Math.hypot(x - a.x - t * dx, y - a.y - t * dy);
    }),
  );
/** A hand that wanders. */
function wandering(seed: number, count: number): readonly Point[] {
  const next = random(seed);
  let [x, y, heading] = [0, 0, next() * 6];
  return Array.from({ length: count }, () => {
    heading += (next() - 0.5) * 0.9;
    [x, y] = [x + 4 * Math.cos(heading), y + 4 * Math.sin(heading)];
    return { x, y };
  });
}

describe('a smooth line', () => {
  it('goes through its points, and lies where another library draws the same spline', () => {
    // d3-shape, curveCatmullRom with alpha 0.5, as cubic curves: the inner spans are the same; ends are its own affair.
    const draw = line<Point>(
      ({ x }) => x,
      ({ y }) => y,
    )
      .curve(curveCatmullRom.alpha(0.5))
      .digits(9);
    for (let seed = 1; seed <= 40; seed++) {
      const points = wandering(seed, 12).map(({ x, y }) => ({ x: x * 5, y: y * 5 }));
      points.forEach((point, n) => expect(apart(onSpline(points, Math.min(n, 10), n === 11 ? 1 : 0), point)).toBeLessThan(1e-9));
      const path = readPath(draw(points) ?? '');
      const [theirs = []] = path ? flatten(path, 0.001) : [];
      for (let n = 1; n < 10; n++) for (const t of [0.2, 0.5, 0.8]) expect(fromRow(theirs, onSpline(points, n, t))).toBeLessThan(0.01);
    }
  });

  it('is straight between two points, and even', () => {
    const places = splineThrough([{ x: 0, y: 0 }, { x: 30, y: 40 }], 10); // prettier-ignore
    expect(places).toHaveLength(6);
    places.forEach(({ x, y }, n) => expect([x, y]).toEqual([expect.closeTo(6 * n, 9), expect.closeTo(8 * n, 9)]));
    expect(splineThrough([{ x: 3, y: 4 }], 1)).toEqual([{ x: 3, y: 4 }]);
    expect(splineThrough([], 1)).toEqual([]);
  });

  it('keeps near to what was drawn with few of its points, corners too', () => {
    for (let seed = 1; seed <= 15; seed++) {
      const drawn = wandering(seed, 150);
      const few = fewForSpline(drawn, 0.5, 150).map((at) => drawn[at] as Point);
      expect(few.length).toBeLessThan(110);
      const row = splineThrough(few, 1);
      for (const point of drawn) expect(fromRow([...row, few.at(-1) as Point], point)).toBeLessThan(0.56);
    }
    // A corner between two long straight runs: the ends alone would swing out beside it.
    const corner = Array.from({ length: 41 }, (_, n) => (n <= 20 ? { x: n * 5, y: 0 } : { x: 100, y: (n - 20) * 5 }));
    const few = fewForSpline(corner, 0.5, 200).map((at) => corner[at] as Point);
    expect(few.length).toBeGreaterThan(3);
    for (const point of corner) expect(fromRow(splineThrough(few, 0.25), point)).toBeLessThan(0.56);
  });

  it('of a line that needs more points than it may have takes so many, from end to end', () => {
    const next = random(9);
    const wild = Array.from({ length: 500 }, (_, n) => ({ x: n * 3, y: next() * 40 }));
    const few = fewForSpline(wild, 0.1, 60);
    expect(few.length).toBeLessThanOrEqual(60);
    expect([few[0], few.at(-1)]).toEqual([0, 499]);
    expect([...few].sort((one, other) => one - other)).toEqual(few);
  });

  it('and the straight one keeps its ends and what stands out', () => {
    const bump = [0, 0, 0, 8, 0, 0, 0].map((y, x) => ({ x: x * 10, y }));
    expect(thinnedLine(bump, 1)).toEqual([0, 2, 3, 4, 6]);
    expect(thinnedLine(bump.slice(0, 3), 1)).toEqual([0, 2]);
    expect(thinnedLine([], 1)).toEqual([]);
  });
});
