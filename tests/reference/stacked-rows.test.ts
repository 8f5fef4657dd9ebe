import { areaPathsD, FillRule, unionD, xorD, type PathsD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import { contoursOf, flatten, stackedRows, windingOf, type Stretch } from '../../src/core/geometry';
import { casesOf } from '../support/deep';
import { random } from '../support/random';

/** Stretches that touch nothing: each begins a fifth within a column and ends a fifth before one ends. */
function randomRows(seed: number): readonly (readonly Stretch[])[] {
  const next = random(seed);
  return Array.from({ length: 1 + Math.floor(next() * 14) }, () => {
    const stretches: Stretch[] = [];
    for (let column = Math.floor(next() * 4); column < 24;) {
      const length = 1 + Math.floor(next() * 6);
      if (next() < 0.7) stretches.push([column + 0.2, column + length - 0.2]);
      column += length;
    }
    return stretches;
  });
}

describe('rows that stand upon one another', () => {
  it('are outlined as a polygon library (clipper2) unites their bars, with fewer corners than those have', () => {
    for (let seed = 1; seed <= casesOf({ inFull: 2000, sample: 100 }); seed++) {
      const rows = randomRows(seed);
      const [top, height] = [seed * 0.37, 3];
      const bars: PathsD = rows.flatMap((stretches, row) =>
        stretches.map(([from, to]) => [
          { x: from, y: top + row * height },
          { x: to, y: top + row * height },
          { x: to, y: top + (row + 1) * height },
          { x: from, y: top + (row + 1) * height },
        ]),
      );
      const made = stackedRows(rows, top, height);
      const ours = flatten(made.path).map((polygon) => polygon.map(({ x, y }) => ({ x, y })));
      const wanted = unionD(bars, FillRule.NonZero);
      expect(Math.abs(areaPathsD(xorD(ours, wanted, FillRule.NonZero))), `seed ${seed}`).toBeLessThan(0.02);
      // Outlines run one way around what they hold, holes the other: by either rule it is the same area.
      expect(areaPathsD(ours)).toBeCloseTo(areaPathsD(wanted), 1);
      expect(made.path.coords.length).toBeLessThanOrEqual(bars.length * 8);
    }
  });

  it('of one bar are a rectangle, and of none nothing', () => {
    const { path } = stackedRows([[[1, 5]], [[1, 5]]], 0, 2);
    expect([contoursOf(path).length, path.verbs]).toEqual([1, 'MLLLZ']);
    expect(windingOf(path)).toBeGreaterThan(0);
    expect(stackedRows([], 0, 1).path.verbs).toBe('');
  });
});
