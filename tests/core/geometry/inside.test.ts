import { describe, expect, it } from 'vitest';
import { flatten, insideOf, outlineOf, startOf, type FormName } from '$core/index';
import { random } from '../../support/random';

describe('whether points lie inside', () => {
  it('is what turning around the point says, for 4,000 points of each of six outlines with notches and holes', () => {
    const next = random(11);
    for (const form of ['ring', 'star', 'kiteShield', 'laurel', 'fleurDeLis', 'disk'] as readonly FormName[]) {
      const polygons = flatten(outlineOf(startOf(form)), 0.25);
      const inside = insideOf(polygons);
      let counted = 0;
      for (let n = 0; n < 4000; n++) {
        const [x, y] = [(next() - 0.5) * 260, (next() - 0.5) * 260];
        // The sum of the angles at which all sides are seen: whole turns, odd ones inside (the same rule by another route).
        let turn = 0;
        for (const polygon of polygons)
          polygon.forEach((a, index) => {
            const b = polygon[(index + 1) % polygon.length] ?? a;
            const between = Math.atan2(b.y - y, b.x - x) - Math.atan2(a.y - y, a.x - x);
            turn += between > Math.PI ? between - 2 * Math.PI : between < -Math.PI ? between + 2 * Math.PI : between;
          });
        const isOdd = Math.abs(Math.round(turn / (2 * Math.PI))) % 2 === 1;
        if (isOdd) counted++;
        expect(inside(x, y), `${form} at ${x}, ${y}`).toBe(isOdd);
      }
      expect(counted).toBeGreaterThan(50);
    }
  });

  it('holds for no polygons, for a flat one, and for points far away', () => {
    expect(insideOf([])(0, 0)).toBe(false);
    const flat = insideOf([
      [
        { x: 0, y: 1 },
        { x: 5, y: 1 },
        { x: 9, y: 1 },
      ],
    ]);
    expect([flat(3, 1), flat(3, 2), flat(Number.NaN, Number.NaN)]).toEqual([false, false, false]);
  });
});
