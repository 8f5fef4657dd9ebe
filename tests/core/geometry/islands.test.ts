import { describe, expect, it } from 'vitest';
import { islandsOf, PathPen, translation, type Path, type Region } from '$core/index';
import { extrude, flatten } from '../../../src/core/geometry';
import { depthsOf, drawnPieces } from '../../../src/core/geometry/islands';
import { random } from '../../support/random';
import { areaOf } from '../../support/drawn-mark';
import { paths } from '../../support/resolver';

const polygon = (points: readonly (readonly [number, number])[]): Path => {
  const pen = new PathPen();
  points.forEach(([x, y], index) => (index === 0 ? pen.move(x, y) : pen.line(x, y)));
  return pen.close().path();
};
const joined = (...all: readonly Path[]): Path => ({
  verbs: all.map(({ verbs }) => verbs).join(''),
  coords: all.flatMap(({ coords }) => coords),
});
/** A leaf whose tip, its first point, lies on the left side of a square. */
const LEAF = polygon([
  [0, 50],
  [-60, 80],
  [-60, 20],
]);
const SQUARE = polygon([
  [0, 0],
  [100, 0],
  [100, 100],
  [0, 100],
]);

describe('contours that touch', () => {
  it('in their first point lie beside one another: both are ink', () => {
    const polygons = [SQUARE, LEAF].map((path) => flatten(path, 0.1)[0] ?? []);
    expect(depthsOf(polygons)).toEqual([0, 0]);
    expect(islandsOf({ path: joined(SQUARE, LEAF), rule: 'nonzero' }).length).toBe(2);
  });
  it('from inside are a hole that reaches to the edge', () => {
    const hole = polygon([
      [0, 50],
      [60, 80],
      [60, 20],
    ]);
    expect(depthsOf([SQUARE, hole].map((path) => flatten(path, 0.1)[0] ?? []))).toEqual([0, 1]);
  });
  it.each([
    [40, 0],
    [0, 30],
    [-25, 10],
  ])('are extruded by (%i, %i) as the closed form says', (u, v) => {
    // Each alone covers its area and the length of the way times its width across it; what both cover is taken off, by the same law of the overlap.
    const area: Region = { path: joined(LEAF, SQUARE), rule: 'nonzero' };
    const alone = [LEAF, SQUARE].map((path): Region => extrude({ path, rule: 'nonzero' }, translation(u, v), paths));
    const square = 100 * 100 + 100 * Math.abs(u) + 100 * Math.abs(v);
    expect(areaOf([alone[1] as Region])).toBeCloseTo(square, 1);
    // Width of the leaf across the way: the reach of its corners along the normal.
    const across = [
      [0, 50],
      [-60, 80],
      [-60, 20],
    ].map(([x = 0, y = 0]) => (x * v - y * u) / Math.hypot(u, v));
    expect(areaOf([alone[0] as Region])).toBeCloseTo(1800 + Math.hypot(u, v) * (Math.max(...across) - Math.min(...across)), 1);
    expect(areaOf([extrude(area, translation(u, v), paths)])).toBeCloseTo(areaOf([paths.weld(alone)]), 1);
  });
});

describe('pieces that are left of areas', () => {
  it('are known again among 3,000 specks that were drawn, and what was cut is not', () => {
    const next = random(21);
    const specks = Array.from({ length: 3000 }, () => {
      const [x, y, size] = [next() * 900, next() * 900, 0.2 + next() * 3];
      return polygon([
        [x, y],
        [x + size, y],
        [x + size, y + size],
        [x, y + size],
      ]);
    });
    const wasDrawn = drawnPieces([
      { path: joined(...specks.slice(0, 1500)), rule: 'nonzero' },
      { path: joined(...specks.slice(1500)), rule: 'evenodd' },
    ]);
    expect(specks.every((path) => wasDrawn({ path, rule: 'nonzero' }))).toBe(true);
    // Less a third of its width, and moved by its own width where nothing lies.
    const cut = (path: Path): Path => ({
      ...path,
      coords: path.coords.map((value, at) => (at === 2 || at === 4 ? value - ((path.coords[2] ?? 0) - (path.coords[0] ?? 0)) / 3 : value)),
    });
    expect(specks.some((path) => wasDrawn({ path: cut(path), rule: 'nonzero' }))).toBe(false);
    expect(wasDrawn({ path: { verbs: '', coords: [] }, rule: 'nonzero' })).toBe(false);
    expect(drawnPieces([])({ path: SQUARE, rule: 'nonzero' })).toBe(false);
  });
});
