import { describe, expect, it } from 'vitest';
import { boundsOf, flatten, inkRuns, joinPaths, mapPath, outlineOf, PathPen, scaling, translation, type Polygon } from '$core/index';
import fc from '../../support/properties';

const area = (polygon: Polygon) =>
  polygon.reduce((sum, point, index) => {
    const next = polygon[(index + 1) % polygon.length] ?? point;
    return sum + (point.x * next.y - next.x * point.y) / 2;
  }, 0);
const box = (left: number, top: number, right: number, bottom: number) =>
  new PathPen().move(left, top).line(right, top).line(right, bottom).line(left, bottom).close().path();

describe('flatten', () => {
  it('keeps every chord within its tolerance of the circle', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 5000, noNaN: true }), fc.double({ min: 0.01, max: 2, noNaN: true }), (diameter, tolerance) => {
        const [polygon] = flatten(outlineOf({ form: 'disk', widthPx: diameter, heightPx: diameter }), tolerance);
        const radius = diameter / 2;
        for (const [index, point] of (polygon ?? []).entries()) {
          const next = polygon?.[(index + 1) % polygon.length] ?? point;
          const middle = Math.hypot((point.x + next.x) / 2, (point.y + next.y) / 2);
          // The cubic itself may stand 0.0273 % outside the circle.
          expect(radius * 1.000273 - middle).toBeLessThanOrEqual(tolerance + radius * 0.000546);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('comes nearer to the true area as the tolerance shrinks', () => {
    const disk = outlineOf({ form: 'disk', widthPx: 200, heightPx: 200 });
    const errors = [10, 1, 0.1, 0.001].map((tolerance) => Math.abs(Math.abs(area(flatten(disk, tolerance)[0] ?? [])) - Math.PI * 100 ** 2));
    expect([...errors].sort((a, b) => b - a)).toEqual(errors);
    expect((errors.at(-1) ?? 1) / (Math.PI * 100 ** 2)).toBeLessThan(0.0003);
  });

  it('leaves straight outlines as they are, and open ones open at the same points', () => {
    expect(flatten(box(0, 0, 3, 2))).toEqual([
      [
        { x: 0, y: 0 },
        { x: 3, y: 0 },
        { x: 3, y: 2 },
        { x: 0, y: 2 },
      ],
    ]);
    expect(flatten(new PathPen().move(1, 1).path())).toEqual([]);
  });

  it('ends, whatever the tolerance', () => {
    const wild = new PathPen().move(0, 0).cubic(1e6, 1e6, -1e6, 1e6, 0, 0).path();
    expect(flatten(wild, 1e-12)[0]?.length).toBeLessThanOrEqual(257);
  });
});

describe('inkRuns', () => {
  const ring = flatten(outlineOf({ form: 'ring', widthPx: 200, heightPx: 200, bandPx: 20 }), 0.01);

  it('reads a ring as two runs through its middle and one through its band', () => {
    const middle = inkRuns(ring, 'x', 0.5);
    expect(middle).toHaveLength(2);
    for (const [run, start, end] of [
      [middle[0], -100, -80],
      [middle[1], 80, 100],
    ] as const) {
      expect(Math.abs((run?.start ?? NaN) - start)).toBeLessThan(0.1);
      expect(Math.abs((run?.end ?? NaN) - end)).toBeLessThan(0.1);
    }
    expect(inkRuns(ring, 'y', 90)).toHaveLength(1);
    expect(inkRuns(ring, 'x', 101)).toEqual([]);
  });

  it('counts overlapping outlines once, by the nonzero rule', () => {
    const overlapping = flatten(joinPaths([box(0, 0, 10, 10), box(5, 0, 20, 10)]));
    expect(inkRuns(overlapping, 'x', 5)).toEqual([{ start: 0, end: 20 }]);
  });

  it('sees a hole only where the inner outline runs the other way', () => {
    const inner = box(4, 4, 6, 6);
    const reversed = mapPath(mapPath(inner, scaling(-1, 1)), translation(10, 0));
    expect(inkRuns(flatten(joinPaths([box(0, 0, 10, 10), inner])), 'x', 5)).toHaveLength(1);
    expect(inkRuns(flatten(joinPaths([box(0, 0, 10, 10), reversed])), 'x', 5)).toEqual([
      { start: 0, end: 4 },
      { start: 6, end: 10 },
    ]);
  });

  it('adds up to the area of any box pile, whichever way it is read', () => {
    const boxes = fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 20 }),
      ),
      { minLength: 1, maxLength: 8 },
    );
    fc.assert(
      fc.property(boxes, (pile) => {
        const polygons = flatten(joinPaths(pile.map(([x, y, w, h]) => box(x, y, x + w, y + h))));
        const total = (along: 'x' | 'y') =>
          Array.from({ length: 64 }, (_, n) => inkRuns(polygons, along, n + 0.5).reduce((sum, run) => sum + run.end - run.start, 0)).reduce(
            (sum, length) => sum + length,
            0,
          );
        // The independent route: count unit cells that any box covers.
        const cells = new Set(
          pile.flatMap(([x, y, w, h]) => Array.from({ length: w * h }, (_, n) => `${x + (n % w)},${y + Math.floor(n / w)}`)),
        );
        expect(total('x')).toBeCloseTo(cells.size, 9);
        expect(total('y')).toBeCloseTo(cells.size, 9);
      }),
      { numRuns: 60 },
    );
  });
});

describe('mapPath', () => {
  it('maps bounds with it, for moves and mirrors', () => {
    fc.assert(
      fc.property(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }), (x, y) => {
        expect(boundsOf(mapPath(box(0, 0, 4, 2), translation(x, y)))).toEqual({ left: x, top: y, right: x + 4, bottom: y + 2 });
      }),
    );
    const mirrored = boundsOf(mapPath(box(1, 1, 4, 2), scaling(-1, 1)));
    expect(mirrored).toEqual({ left: -4, top: 1, right: -1, bottom: 2 });
  });
});
