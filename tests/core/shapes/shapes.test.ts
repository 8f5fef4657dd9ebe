import { describe, expect, it } from 'vitest';
import {
  boundsOf,
  FORM_NAMES,
  formKind,
  formSchema,
  mapPath,
  outlineOf,
  scaling,
  startOf,
  type Form,
  type FormName,
  type Path,
} from '$core/index';
import { areaOf } from '../../support/drawn-mark';
import { paths } from '../../support/resolver';
import fc from '../../support/properties';

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

  it('a grid of rules has the area of its rules: closed form, cells as holes; rules without room between them are a plate', () => {
    const grid = { form: 'table', widthPx: 300, heightPx: 200, columns: 3, rows: 4, weightPx: 4, framePercent: 150 } as const;
    const [wide, high] = [(300 - 12 - 8) / 3, (200 - 12 - 12) / 4];
    expect(area(outlineOf(grid))).toBeCloseTo(300 * 200 - 12 * wide * high, 6);
    expect(area(outlineOf({ ...grid, weightPx: 90 }))).toBeCloseTo(300 * 200, 6);
    expect(area(outlineOf({ ...grid, columns: 1, rows: 1 }))).toBeCloseTo(300 * 200 - 288 * 188, 6);
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
    const sized = FORM_NAMES.filter(
      (form) => 'widthPx' in startOf(form) && 'heightPx' in startOf(form) && formKind(form).group !== 'banner',
    );
    expect(sized.length).toBeGreaterThan(30);
    for (const form of sized) {
      const { widthPx, heightPx } = startOf(form) as Form<'disk'>;
      const box = boundsOf(outlineOf(startOf(form)));
      expect(
        [box?.left, box?.right, box?.top, box?.bottom].map((value) => Number(value?.toFixed(9))),
        form,
      ).toEqual([-widthPx / 2, widthPx / 2, -heightPx / 2, heightPx / 2]);
    }
  });

  it('has shields, banners, lines and ornaments enough to choose from', () => {
    const count = (group: string) => FORM_NAMES.filter((form) => formKind(form).group === group).length;
    expect(count('shield')).toBeGreaterThanOrEqual(10);
    expect(count('banner')).toBeGreaterThanOrEqual(8);
    expect(count('ornament')).toBeGreaterThanOrEqual(8);
    expect(count('line')).toBeGreaterThanOrEqual(4);
  });

  it('draw something closed and finite for all numbers within their limits', () => {
    const numbers = (form: FormName) =>
      fc.record(
        Object.fromEntries(
          Object.entries(formKind(form).fields).map(([field, { min, max }]) => [
            field,
            fc.oneof(fc.constant(min), fc.double({ min, max: Math.min(max, 3000), noNaN: true })),
          ]),
        ),
      );
    for (const form of FORM_NAMES)
      fc.assert(
        fc.property(numbers(form), (given) => {
          const path = outlineOf(formSchema.parse({ form, ...given }));
          if (!path.coords.every(Number.isFinite)) throw new Error(`${form} ${JSON.stringify(given)}`);
          if (!/^(M[LQC]*Z)*$/.test(path.verbs)) throw new Error(`${form} is not closed: ${path.verbs}`);
        }),
        { numRuns: 25 },
      );
  });

  it('refuse numbers beyond their limits and start where nothing is said', () => {
    expect(formSchema.safeParse({ form: 'star', points: 2 }).success).toBe(false);
    expect(formSchema.safeParse({ form: 'star', widthPx: -1 }).success).toBe(false);
    expect(formSchema.safeParse({ form: 'nothing' }).success).toBe(false);
    expect(formSchema.parse({ form: 'star' })).toEqual(startOf('star'));
  });

  it('have the areas of their closed forms', () => {
    const covered = (form: Form) => areaOf([{ path: outlineOf(form), rule: 'nonzero' }]);
    const start = (form: FormName, change: object) => ({ ...startOf(form), ...change }) as Form;
    // A hexagon with a corner on top, of width w and height h: three quarters of its box.
    expect(covered(start('polygon', { widthPx: 200, heightPx: 240, corners: 6, roundPercent: 0 }))).toBeCloseTo(0.75 * 200 * 240, 3);
    expect(covered(start('polygon', { widthPx: 200, heightPx: 200, corners: 4, roundPercent: 100 })) / (Math.PI * 100 ** 2)).toBeCloseTo(
      1,
      3,
    );
    expect(covered(start('chamfered', { widthPx: 200, heightPx: 100, cornerPx: 20 }))).toBeCloseTo(20_000 - 2 * 400, 3);
    expect(covered(start('ticket', { widthPx: 200, heightPx: 100, cornerPx: 20 })) / (20_000 - Math.PI * 400)).toBeCloseTo(1, 3);
    expect(covered(start('arch', { widthPx: 200, heightPx: 300, pointPercent: 0 })) / (200 * 200 + (Math.PI * 100 ** 2) / 2)).toBeCloseTo(
      1,
      4,
    );
    // An equilateral pointed arch of span s stands on two 60° sectors less their triangle: s²(π/3 − √3/4).
    expect(
      covered(start('arch', { widthPx: 200, heightPx: 400, pointPercent: 100 })) /
        (200 * (400 - 100 * Math.sqrt(3)) + 200 ** 2 * (Math.PI / 3 - Math.sqrt(3) / 4)),
    ).toBeCloseTo(1, 3);
    expect(
      covered(start('arcLine', { radiusPx: 100, sweepDeg: 90, weightPx: 10, roundPercent: 0 })) / ((Math.PI / 2) * 100 * 10),
    ).toBeCloseTo(1, 3);
    expect(
      covered(start('arcLine', { radiusPx: 100, sweepDeg: 90, weightPx: 10, roundPercent: 100 })) /
        ((Math.PI / 2) * 100 * 10 + Math.PI * 25),
    ).toBeCloseTo(1, 3);
    expect(covered(start('line', { widthPx: 100, heightPx: 10, roundPercent: 100 })) / (900 + Math.PI * 25)).toBeCloseTo(1, 3);
    expect(covered(start('beading', { radiusPx: 200, beads: 24, weightPx: 10 })) / (24 * Math.PI * 25)).toBeCloseTo(1, 2);
    expect(
      covered(start('burst', { widthPx: 200, heightPx: 200, rays: 12, innerPercent: 50, fillPercent: 50 })) /
        ((Math.PI * (100 ** 2 - 50 ** 2)) / 2),
    ).toBeCloseTo(1, 3);
    expect(covered(start('cross', { widthPx: 90, heightPx: 90, armPercent: 100 / 3 }))).toBeCloseTo(5 * 900, 3);
    expect(
      covered(start('guilloche', { radiusPx: 200, bandPx: 0, waves: 24, lines: 1, weightPx: 10, edges: 0 })) / (2 * Math.PI * 200 * 10),
    ).toBeCloseTo(1, 3);
    // Half of a shield mirrors the other, so that flipping it changes nothing but the way it runs.
    for (const form of FORM_NAMES.filter(
      (name) => formKind(name).group === 'shield' || ['laurel', 'flourish', 'divider', 'rosette'].includes(name),
    )) {
      const path = outlineOf(startOf(form));
      const both = paths.weld([
        { path, rule: 'nonzero' },
        { path: mapPath(path, scaling(-1, 1)), rule: 'nonzero' },
      ]);
      expect(areaOf([both]) / covered(startOf(form)), form).toBeCloseTo(1, 4);
    }
  });

  it('bend a banner along its middle line, whose length stays', () => {
    const flat = areaOf([{ path: outlineOf({ ...startOf('archedBand'), bendDeg: 0 } as Form), rule: 'nonzero' }]);
    for (const bendDeg of [-120, 30, 90])
      expect(areaOf([{ path: outlineOf({ ...startOf('archedBand'), bendDeg } as Form), rule: 'nonzero' }]) / flat).toBeCloseTo(1, 3);
  });

  it('vary with the seed and with nothing else', () => {
    const spray = (variation: number) => outlineOf({ ...startOf('spray'), variation } as Form);
    expect(spray(3)).toEqual(spray(3));
    expect(spray(3)).not.toEqual(spray(4));
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
