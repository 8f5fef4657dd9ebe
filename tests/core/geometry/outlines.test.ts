import { describe, expect, it } from 'vitest';
import {
  contoursOf,
  flatten,
  islandsOf,
  joinPaths,
  mapPath,
  pathData,
  PathPen,
  polygonPath,
  readPath,
  reversePath,
  windingOf,
  type Path,
} from '$core/index';
import { areaOf } from '../../support/drawn-mark';
import fc from '../../support/properties';

const number = fc.double({ min: -5000, max: 5000, noNaN: true }).map((value) => Math.round(value * 1000) / 1000 || 0);
const pair = fc.tuple(number, number);
/** Outlines of one to four closed contours of lines and curves. */
const outline: fc.Arbitrary<Path> = fc
  .array(fc.tuple(pair, fc.array(fc.tuple(fc.constantFrom('L', 'Q', 'C'), pair, pair, pair), { minLength: 1, maxLength: 6 })), {
    minLength: 1,
    maxLength: 4,
  })
  .map((contours) => {
    const pen = new PathPen();
    for (const [start, pieces] of contours) {
      pen.move(...start);
      for (const [verb, a, b, c] of pieces)
        if (verb === 'L') pen.line(...a);
        else if (verb === 'Q') pen.quadratic(...a, ...b);
        else pen.cubic(...a, ...b, ...c);
      pen.close();
    }
    return pen.path();
  });

/** Twice the signed area of polygons, by the shoelace formula. */
const shoelace = (path: Path): number =>
  flatten(path, 0.001).reduce(
    (sum, polygon) =>
      sum +
      polygon.reduce((part, a, index) => {
        const b = polygon[(index + 1) % polygon.length] ?? a;
        return part + a.x * b.y - b.x * a.y;
      }, 0),
    0,
  );
const square = (x: number, y: number, side: number, backward = false): Path => {
  const corners = [
    { x, y },
    { x: x + side, y },
    { x: x + side, y: y + side },
    { x, y: y + side },
  ];
  return polygonPath(backward ? corners.reverse() : corners);
};

describe('outlines as text', () => {
  it('are read as they were written (property)', () => {
    fc.assert(
      fc.property(outline, (path) => {
        expect(readPath(pathData(path))).toEqual({ verbs: path.verbs, coords: [...path.coords] });
      }),
      { seed: 5, numRuns: 500 },
    );
  });

  it.each(['L1 1', 'M0 0L1', 'M0 0 1 1L2 2', 'm0 0l1 1z', 'M0 0A1 1 0 0 0 2 2Z', 'M0 0H5Z', 'M0 0L1 1Z<script>', 'url(#x)'])(
    'of another kind (%s) are not taken for ours',
    (data) => {
      expect(readPath(data)).toBeUndefined();
    },
  );
});

describe('the way outlines run', () => {
  it('has the sign of the shoelace formula for polygons, and turns over with them (property)', () => {
    fc.assert(
      fc.property(fc.array(pair, { minLength: 3, maxLength: 9 }), (corners) => {
        const path = polygonPath(corners.map(([x, y]) => ({ x, y })));
        expect(windingOf(path)).toBeCloseTo(shoelace(path), 3);
        expect(windingOf(reversePath(path))).toBeCloseTo(-windingOf(path), 3);
      }),
      { seed: 6, numRuns: 300 },
    );
  });

  it('is turned over without another shape: the same area, and twice over the same outline (property)', () => {
    fc.assert(
      fc.property(outline, (path) => {
        const back = reversePath(path);
        expect(shoelace(back) + shoelace(path)).toBeCloseTo(0, -1);
        const twice = reversePath(back);
        expect(contoursOf(twice).length).toBe(contoursOf(path).length);
        expect(shoelace(twice)).toBeCloseTo(shoelace(path), -1);
      }),
      { seed: 7, numRuns: 200 },
    );
  });
});

describe('islands', () => {
  it('are told by how deep contours lie in one another, whichever way they run', () => {
    // A square with a hole, an island in the hole with a hole of its own, and another square beside.
    const path = joinPaths([square(0, 0, 100), square(10, 10, 80, true), square(20, 20, 60), square(30, 30, 40), square(200, 0, 30)]);
    const islands = islandsOf({ path, rule: 'evenodd' });
    expect(islands.map((island) => areaOf([island])).sort((a, b) => a - b)).toEqual(
      [900, 2000, 3600].map((value) => expect.closeTo(value, 6)),
    );
    expect(islands.map(({ solid }) => areaOf([{ path: solid, rule: 'nonzero' }])).sort((a, b) => a - b)).toEqual(
      [900, 3600, 10_000].map((value) => expect.closeTo(value, 6)),
    );
  });

  it('add up to the whole, however squares are nested (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(5), fc.integer({ min: 1, max: 4 })), { minLength: 1, maxLength: 6 }), (towers) => {
        const path = joinPaths(
          towers.flatMap(([, depth], index) =>
            Array.from({ length: depth }, (_, level) => square(index * 200 + level * 10, level * 10, 120 - level * 20)),
          ),
        );
        const islands = islandsOf({ path, rule: 'evenodd' });
        expect(islands.length).toBe(towers.reduce((sum, [, depth]) => sum + Math.ceil(depth / 2), 0));
        expect(areaOf(islands)).toBeCloseTo(areaOf([{ path, rule: 'evenodd' }]), 4);
      }),
      { seed: 8, numRuns: 100 },
    );
  });

  it('of outlines without an inside have none either', () => {
    expect(islandsOf({ path: { verbs: '', coords: [] }, rule: 'nonzero' })).toEqual([]);
    const flat = islandsOf({ path: mapPath(square(0, 0, 10), { a: 0, b: 0, c: 0, d: 0, e: 3, f: 3 }), rule: 'nonzero' });
    expect(areaOf(flat)).toBe(0);
  });
});
