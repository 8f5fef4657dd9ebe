import { describe, expect, it } from 'vitest';
import { flatten, freeCurve, halfOval, halfOvalLength } from '../../../src/core/geometry';

/** Length of half an ellipse by summing chords, which errs by less than 1e-9 of it. */
function summed(a: number, b: number, steps = 40_000): number {
  const at = (step: number) => [a * Math.cos((Math.PI * step) / steps), b * Math.sin((Math.PI * step) / steps)] as const;
  return Array.from({ length: steps }, (_, step) => {
    const [[x, y], [u, v]] = [at(step), at(step + 1)];
    return Math.hypot(u - x, v - y);
  }).reduce((sum, chord) => sum + chord, 0);
}

describe('half an oval', () => {
  it('is as long as its chords together', () => {
    for (const [a, b] of [
      [1, 1],
      [200, 148],
      [3, 5],
      [100, 50],
    ] as const)
      expect(halfOvalLength(a, b) / summed(a, b)).toBeCloseTo(1, 7);
  });

  it('is drawn on its ellipse, from left to right, over the top or along the foot', () => {
    for (const side of [-1, 1] as const) {
      const points = halfOval(200, 148, side);
      expect([points[0]?.x, points.at(-1)?.x, points[1]?.y]).toEqual([-200, 200, side * 148]);
      for (const { x, y } of flatten(freeCurve(points, false), 0.01).flat()) {
        expect(Math.hypot(x / 200, y / 148)).toBeCloseTo(1, 3);
        expect(y * side).toBeGreaterThanOrEqual(-1e-9);
      }
    }
  });
});
