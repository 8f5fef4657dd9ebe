import { describe, expect, it } from 'vitest';
import { boundsOf, forms, outlineOf, type FormName, type Path } from '$core/index';

/** Signed area by Green's theorem, exact for cubics and lines; contours that run the other way count against each other. */
function area(path: Path): number {
  let total = 0;
  let at = 0;
  let [x, y, startX, startY] = [0, 0, 0, 0];
  for (const verb of path.verbs) {
    if (verb === 'Z') {
      total += (x * startY - startX * y) / 2;
      [x, y] = [startX, startY];
      continue;
    }
    const n = verb === 'C' ? 6 : 2;
    const c = path.coords.slice(at, at + n) as number[];
    at += n;
    const [ex, ey] = [c[n - 2] as number, c[n - 1] as number];
    if (verb === 'M') [startX, startY] = [ex, ey];
    else if (verb === 'L') total += (x * ey - ex * y) / 2;
    else {
      const [x1, y1, x2, y2] = c as [number, number, number, number];
      // Closed form of ½∮(x dy − y dx) over one cubic Bézier.
      total +=
        (3 * ((ey - y) * (x1 + x2) - (ex - x) * (y1 + y2) + y1 * (x - x2) - x1 * (y - y2) + ey * (x2 + x / 3) - ex * (y2 + y / 3))) / 20;
    }
    [x, y] = [ex, ey];
  }
  return Math.abs(total);
}

describe('shapes', () => {
  // Closed forms; four cubics with handle 4/3·(√2 − 1) exceed a circle's radius by at most 0.0273 % (from memory; area route is independent).
  it('have the area of their geometry', () => {
    expect(area(outlineOf({ form: 'disk', widthPx: 200, heightPx: 200 })) / (Math.PI * 100 ** 2)).toBeCloseTo(1, 3);
    expect(area(outlineOf({ form: 'disk', widthPx: 200, heightPx: 80 })) / (Math.PI * 100 * 40)).toBeCloseTo(1, 3);
    expect(area(outlineOf({ form: 'ring', widthPx: 200, heightPx: 200, bandPx: 10 })) / (Math.PI * (100 ** 2 - 90 ** 2))).toBeCloseTo(1, 3);
    expect(area(outlineOf({ form: 'panel', widthPx: 120, heightPx: 50, cornerPx: 0 }))).toBeCloseTo(6000, 9);
    expect(area(outlineOf({ form: 'panel', widthPx: 120, heightPx: 50, cornerPx: 20 })) / (6000 - (4 - Math.PI) * 400)).toBeCloseTo(1, 3);
  });

  it('stay within 0.0273 % of the circle', () => {
    const { coords } = outlineOf({ form: 'disk', widthPx: 2, heightPx: 2 });
    for (let t = 0; t <= 1; t += 0.01) {
      const s = 1 - t;
      const at = (axis: 0 | 1) =>
        s ** 3 * (coords[axis] as number) +
        3 * s * s * t * (coords[2 + axis] as number) +
        3 * s * t * t * (coords[4 + axis] as number) +
        t ** 3 * (coords[6 + axis] as number);
      expect(Math.abs(Math.hypot(at(0), at(1)) - 1)).toBeLessThan(0.000273);
    }
  });

  it('stand on their own center with exactly the asked size', () => {
    for (const form of Object.keys(forms) as FormName[]) {
      const { start } = forms[form];
      expect(boundsOf(outlineOf(start)), form).toEqual({
        left: -start.widthPx / 2,
        right: start.widthPx / 2,
        top: -start.heightPx / 2,
        bottom: start.heightPx / 2,
      });
    }
  });

  it('never turn a corner or a band inside out', () => {
    expect(boundsOf(outlineOf({ form: 'panel', widthPx: 10, heightPx: 4, cornerPx: 9999 }))).toEqual({
      left: -5,
      right: 5,
      top: -2,
      bottom: 2,
    });
    expect(area(outlineOf({ form: 'ring', widthPx: 20, heightPx: 20, bandPx: 15 })) / (Math.PI * 100)).toBeCloseTo(1, 3);
  });
});
