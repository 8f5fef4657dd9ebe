import { areaPathsD, FillRule, unionD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import { flatten, FORM_NAMES, inkBalance, mapPath, outlineOf, startOf, toSize, translation, type Region } from '$core/index';

const square = (x: number, y: number, size: number): Region => ({
  path: { verbs: 'MLLLZ', coords: [x, y, x + size, y, x + size, y + size, x, y + size] },
  rule: 'nonzero',
});

describe('the balance of ink', () => {
  it('counts what overlaps once (closed form)', () => {
    const once = inkBalance([square(0, 0, 100)]);
    const twice = inkBalance([square(0, 0, 100), square(0, 0, 100), square(50, 0, 100)]);
    expect([once?.x, once?.y]).toEqual([expect.closeTo(50, 6), expect.closeTo(50, 6)]);
    expect([twice?.x, twice?.area]).toEqual([expect.closeTo(75, 6), expect.closeTo(15_000, 3)]);
    expect(inkBalance([])).toBeUndefined();
  });

  it('lies where a polygon library has it, within half a percent of the size, however forms overlap themselves', () => {
    const off: string[] = [];
    for (const form of FORM_NAMES) {
      const path = toSize(outlineOf(startOf(form)), 300, 300);
      const regions: Region[] = [path, mapPath(path, translation(70, 30))].map((each) => ({ path: each, rule: 'nonzero' }));
      const united = unionD(
        regions.flatMap(({ path: each }) => flatten(each, 0.02)).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
        [],
        FillRule.NonZero,
        4,
      );
      // First moments of the united polygons, by Green's theorem.
      let [area, mx, my] = [0, 0, 0];
      for (const polygon of united)
        polygon.forEach((a, index) => {
          const b = polygon[(index + 1) % polygon.length] ?? a;
          const cross = a.x * b.y - b.x * a.y;
          area += cross / 2;
          mx += ((a.x + b.x) * cross) / 6;
          my += ((a.y + b.y) * cross) / 6;
        });
      expect(Math.abs(area)).toBeCloseTo(Math.abs(areaPathsD(united)), 3);
      const ours = inkBalance(regions);
      const apart = Math.hypot((ours?.x ?? 0) - mx / area, (ours?.y ?? 0) - my / area);
      if (!(apart < 1.5)) off.push(`${form}: ${apart.toFixed(2)} px`);
    }
    expect(off).toEqual([]);
  });
});
