import { describe, expect, it } from 'vitest';
import { apply, boundsOf, compose, PathPen, rotation, scaling, translation, type Bounds } from '$core/index';
import fc from '../../support/properties';

const number = fc.double({ min: -500, max: 500, noNaN: true });

/** An independent route: the extremes of 20,001 points on the curve by de Casteljau's construction. */
function sampled(points: readonly (readonly [number, number])[]): Bounds {
  const xs: number[] = [];
  const ys: number[] = [];
  for (let step = 0; step <= 20_000; step++) {
    const t = step / 20_000;
    let level = points.map(([x, y]) => ({ x, y }));
    while (level.length > 1)
      level = level
        .slice(1)
        .map((point, i) => ({ x: (level[i]?.x ?? 0) * (1 - t) + point.x * t, y: (level[i]?.y ?? 0) * (1 - t) + point.y * t }));
    xs.push(level[0]?.x ?? 0);
    ys.push(level[0]?.y ?? 0);
  }
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

const expectNear = (found: Bounds | undefined, wanted: Bounds) => {
  for (const side of ['left', 'right', 'top', 'bottom'] as const)
    expect(Math.abs((found?.[side] ?? NaN) - wanted[side])).toBeLessThan(1e-3);
};

describe('boundsOf', () => {
  it('finds the true extremes of cubics, not their control points', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(number, number), { minLength: 4, maxLength: 4 }), (points) => {
        const [a, b, c, d] = points as [[number, number], [number, number], [number, number], [number, number]];
        expectNear(
          boundsOf(
            new PathPen()
              .move(...a)
              .cubic(...b, ...c, ...d)
              .path(),
          ),
          sampled(points),
        );
      }),
      { numRuns: 40 },
    );
  });

  it('finds the true extremes of quadratics', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(number, number), { minLength: 3, maxLength: 3 }), (points) => {
        const [a, b, c] = points as [[number, number], [number, number], [number, number]];
        expectNear(
          boundsOf(
            new PathPen()
              .move(...a)
              .quadratic(...b, ...c)
              .path(),
          ),
          sampled(points),
        );
      }),
      { numRuns: 40 },
    );
  });

  it('knows that nothing has no box, and that a bare move draws nothing', () => {
    expect(boundsOf(new PathPen().path())).toBeUndefined();
    expect(boundsOf(new PathPen().move(5, 5).path())).toBeUndefined();
  });
});

describe('affine maps', () => {
  it('compose in the order of the words: second after first', () => {
    const map = compose(translation(10, 0), rotation(90));
    expect(apply(map, { x: 1, y: 0 })).toEqual({ x: 10, y: 1 });
  });

  it('turn clockwise on screen, quarter turns exactly', () => {
    expect(apply(rotation(90), { x: 1, y: 0 })).toEqual({ x: 0, y: 1 });
    expect(apply(rotation(-270), { x: 1, y: 0 })).toEqual({ x: 0, y: 1 });
  });

  it('are associative', () => {
    fc.assert(
      fc.property(number, number, number, number, (angle, x, y, size) => {
        const [a, b, c] = [rotation(angle), translation(x, y), scaling(size / 100)];
        const one = apply(compose(compose(a, b), c), { x: 3, y: 4 });
        const other = apply(compose(a, compose(b, c)), { x: 3, y: 4 });
        expect(Math.hypot(one.x - other.x, one.y - other.y)).toBeLessThan(1e-9);
      }),
    );
  });
});
