import { describe, expect, it } from 'vitest';
import {
  arcBaseline,
  bendAlong,
  curveBaseline,
  envelope,
  mapPath,
  PathPen,
  expect as valueOf,
  warpPath,
  flatten,
  IDENTITY,
  type CurveNode,
} from '$core/index';

const corner = (x: number, y: number): CurveNode => ({ x, y, inX: 0, inY: 0, outX: 0, outY: 0 });
/** A circle of radius 100 as four cubics; their radial error is 0.0273 % (closed form). */
const K = 55.228475;
const circle: readonly CurveNode[] = [
  { x: 0, y: -100, inX: -K, inY: 0, outX: K, outY: 0 },
  { x: 100, y: 0, inX: 0, inY: -K, outX: 0, outY: K },
  { x: 0, y: 100, inX: K, inY: 0, outX: -K, outY: 0 },
  { x: -100, y: 0, inX: 0, inY: K, outX: 0, outY: -K },
  { x: 0, y: -100, inX: -K, inY: 0, outX: K, outY: 0 },
];

describe('a drawn curve as a baseline', () => {
  it('has the length, places, directions and turn of the circle that it draws', () => {
    const drawn = valueOf(curveBaseline(circle));
    const exact = arcBaseline(100, 'over', 0);
    expect(drawn.length / exact.length).toBeCloseTo(1, 3);
    for (let share = 0.02; share < 1; share += 0.07) {
      const [one, other] = [drawn.at(drawn.length * share), exact.at(exact.length * share)];
      expect(Math.hypot(one.x - other.x, one.y - other.y)).toBeLessThan(0.15);
      expect(one.cos * other.cos + one.sin * other.sin).toBeGreaterThan(0.9999);
      expect(one.curvature).toBeCloseTo(0.01, 2);
    }
  });

  it('measures straight corners exactly and runs on straight beyond its ends', () => {
    const { length, at } = valueOf(curveBaseline([corner(0, 0), corner(30, 40), corner(30, 140)]));
    expect(length).toBeCloseTo(150, 9);
    expect(at(-10)).toMatchObject({ x: expect.closeTo(-6, 6), y: expect.closeTo(-8, 6) });
    expect(at(160)).toMatchObject({ x: expect.closeTo(30, 6), y: expect.closeTo(150, 6) });
  });

  it('refuses a curve without length, and stays finite on cusps', () => {
    for (const nodes of [[], [corner(5, 5)], [corner(5, 5), corner(5, 5)]]) expect(curveBaseline(nodes).ok).toBe(false);
    const cusp = valueOf(
      curveBaseline([{ ...corner(0, 0), outX: 100, outY: 100 }, { ...corner(100, 0), inX: -100, inY: 100 }, corner(100, 0)]),
    );
    for (let along = -5; along < cusp.length + 5; along += 0.7)
      for (const value of Object.values(cusp.at(along))) expect(Number.isFinite(value)).toBe(true);
  });
});

describe('bending', () => {
  it('agrees with the polar map of a circle: heights are radii, lengths are angles', () => {
    const warp = bendAlong(arcBaseline(200, 'over', 0), 0, 0);
    for (const [x, height] of [
      [0, 30],
      [100, 10],
      [-250, 60],
    ] as const) {
      const { x: px, y: py } = warp(x, -height);
      // Equal areas: r² = R² + 2Rh.
      expect(Math.hypot(px, py)).toBeCloseTo(Math.sqrt(200 * 200 + 2 * 200 * height), 6);
      expect(Math.atan2(px, -py)).toBeCloseTo(x / 200, 9);
    }
  });

  it('has the derivative it says it has', () => {
    const warps = [bendAlong(arcBaseline(150, 'under', 20), 10, 0), envelope('swell', 0.6, 0.5, { left: -100, right: 100, capHeight: 70 })];
    const H = 1e-5;
    for (const warp of warps)
      for (const [x, y] of [
        [12, -20],
        [-40, 5],
      ] as const) {
        const here = warp(x, y);
        const [right, down] = [warp(x + H, y), warp(x, y + H)];
        expect((right.x - here.x) / H).toBeCloseTo(here.acrossX, 3);
        expect((right.y - here.y) / H).toBeCloseTo(here.acrossY, 3);
        expect((down.x - here.x) / H).toBeCloseTo(here.downX, 3);
        expect((down.y - here.y) / H).toBeCloseTo(here.downY, 3);
      }
  });

  it('keeps bent outlines within the tolerance of their true image', () => {
    const square = new PathPen().move(-80, 0).line(80, 0).line(80, -60).line(-80, -60).close().path();
    const warp = bendAlong(arcBaseline(90, 'over', 0), 0, 0);
    const bent = warpPath(square, warp, 0.01);
    for (const polygon of flatten(bent, 0.001))
      for (const { x, y } of polygon) {
        const radius = Math.hypot(x, y);
        const angle = Math.atan2(x, -y);
        const onEnds = Math.min(Math.abs(radius - 90), Math.abs(radius - Math.sqrt(90 * 90 + 2 * 90 * 60)));
        const onSides = Math.abs(Math.abs(angle) - 80 / 90) * radius;
        expect(Math.min(onEnds, onSides)).toBeLessThan(0.02);
      }
  });

  it('leaves a path as it is under a map that bends nothing', () => {
    const path = new PathPen().move(0, 0).cubic(10, 0, 20, 10, 20, 20).close().path();
    const flat = flatten(mapPath(path, IDENTITY), 0.01).flat();
    const same = flatten(
      warpPath(path, (x, y) => ({ x, y, acrossX: 1, acrossY: 0, downX: 0, downY: 1 }), 0.01),
      0.01,
    ).flat();
    for (const { x, y } of same) expect(Math.min(...flat.map((point) => Math.hypot(point.x - x, point.y - y)))).toBeLessThan(0.7);
  });
});
