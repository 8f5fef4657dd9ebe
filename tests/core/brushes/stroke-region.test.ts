import { describe, expect, it } from 'vitest';
import { boundsOf, BRUSH_NAMES, brushOf, PathPen, strokeRegion, type Bounds, type Point, type Region } from '$core/index';
import { paths } from '../../support/resolver';
import { areaOf as areaOfAll } from '../../support/drawn-mark';

const areaOf = (region: Region): number => areaOfAll([region]);
const straight = (length: number, count = 9): readonly Point[] =>
  Array.from({ length: count }, (_, n) => ({ x: (n / (count - 1)) * length, y: 0 }));
const boxOf = (region: ReturnType<typeof strokeRegion>): Bounds => boundsOf(region.path) ?? { left: 0, top: 0, right: 0, bottom: 0 };

describe('a stroke', () => {
  it('of the even brush covers what the closed form says: straight, a dab, pressed from nothing to all', () => {
    for (const [width, length] of [
      [10, 200],
      [40, 90],
      [3, 400],
      [80, 20],
    ] as const) {
      // prettier-ignore
      const area = areaOf(strokeRegion({ points: straight(length), width, seed: 1 }, brushOf('even')));
      // Edges stand within a quarter of a cell, a cell being 1/18 of the width: 2 % at most.
      expect(Math.abs(area / (width * length + (Math.PI * width ** 2) / 4) - 1)).toBeLessThan(0.02);
    }
    const dab = areaOf(strokeRegion({ points: [{ x: 7, y: -3 }], width: 50, seed: 1 }, brushOf('even')));
    expect(Math.abs(dab / (Math.PI * 625) - 1)).toBeLessThan(0.03);
    // A cone with its round foot: two tangents and the larger part of a disk. Half the sum of both widths, nearly, where it is long.
    const pressures = straight(400).map((_, n) => Math.max(0.01, n / 8));
    const cone = areaOf(strokeRegion({ points: straight(400), pressures, width: 20, seed: 1 }, brushOf('even')));
    expect(cone / (400 * 10 + (Math.PI * 100) / 2)).toBeCloseTo(1, 1);
  });

  it('along a bend is the band that the path library draws along it', () => {
    const points = Array.from({ length: 60 }, (_, n) => ({ x: 100 * Math.cos(n / 20), y: 100 * Math.sin(n / 20) }));
    const pen = new PathPen();
    points.forEach(({ x, y }, n) => (n === 0 ? pen.move(x, y) : pen.line(x, y)));
    const band = paths.band({ path: pen.path(), rule: 'nonzero' }, 24, 'round', 'round');
    const ours = strokeRegion({ points, width: 24, seed: 1 }, brushOf('even'));
    const both = areaOf(paths.combine('intersect', ours, band));
    expect(both / areaOf(band)).toBeGreaterThan(0.99);
    expect(both / areaOf(ours)).toBeGreaterThan(0.99);
  });

  it.each(BRUSH_NAMES)('of the %s brush stays within its width, is the same again, and another with another seed', (name) => {
    const points = Array.from({ length: 24 }, (_, n) => ({ x: n * 12, y: 30 * Math.sin(n / 3) }));
    const whole = strokeRegion({ points, width: 30, seed: 1 }, brushOf('even'));
    const made = strokeRegion({ points, width: 30, seed: 1 }, brushOf(name));
    expect(strokeRegion({ points, width: 30, seed: 1 }, brushOf(name))).toEqual(made);
    const [box, most] = [boxOf(made), boxOf(whole)];
    expect(Math.min(box.left - most.left, box.top - most.top, most.right - box.right, most.bottom - box.bottom)).toBeGreaterThan(-1);
    const [area, all] = [areaOf(made), areaOf(whole)];
    expect(area / all).toBeGreaterThan(0.25);
    expect(area / all).toBeLessThan(1.001);
    // Smooth edges are held to a fifth of a cell, a cell being 1/18 of the width: nothing else lies outside.
    expect(areaOf(paths.combine('subtract', made, whole)) / all).toBeLessThan(0.01);
    if (name !== 'even') expect(strokeRegion({ points, width: 30, seed: 2 }, brushOf(name))).not.toEqual(made);
  });

  it('runs dry toward its end, and the other brushes do not', () => {
    const share = (name: (typeof BRUSH_NAMES)[number]): number => {
      const made = strokeRegion({ points: straight(600, 30), width: 30, seed: 5 }, brushOf(name));
      const part = (from: number, to: number) => {
        const box = new PathPen().move(from, -40).line(to, -40).line(to, 40).line(from, 40).close().path();
        return areaOf(paths.combine('intersect', made, { path: box, rule: 'nonzero' }));
      };
      return part(400, 600) / part(0, 200);
    };
    expect(share('dry')).toBeLessThan(0.6);
    for (const name of ['even', 'rough', 'chalk'] as const) expect(share(name)).toBeGreaterThan(0.85);
  });

  it('that crosses itself has no hole where it does', () => {
    const loop = Array.from({ length: 80 }, (_, n) => ({ x: 120 * Math.sin(n / 12), y: 60 * Math.sin(n / 6) }));
    const made = strokeRegion({ points: loop, width: 40, seed: 1 }, brushOf('even'));
    const middle = new PathPen().move(-6, -6).line(6, -6).line(6, 6).line(-6, 6).close().path();
    expect(areaOf(paths.combine('intersect', made, { path: middle, rule: 'nonzero' }))).toBeCloseTo(144, 0);
  });

  it('of no points, no width, one place many times, or a mile long draws what there is, and ends', () => {
    for (const name of BRUSH_NAMES) {
      expect(strokeRegion({ points: [], width: 10, seed: 1 }, brushOf(name)).path.verbs).toBe('');
      expect(strokeRegion({ points: straight(50), width: 0, seed: 1 }, brushOf(name)).path.verbs).toBe('');
      const still = strokeRegion({ points: Array.from({ length: 50 }, () => ({ x: 5, y: 5 })), width: 40, seed: 1 }, brushOf(name));
      expect(areaOf(still)).toBeGreaterThan(200);
      const long = strokeRegion({ points: straight(100_000), width: 0.5, seed: 1 }, brushOf(name));
      expect(long.path.coords.every(Number.isFinite)).toBe(true);
    }
  });
});
