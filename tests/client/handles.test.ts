import { describe, expect, it } from 'vitest';
import { StageView } from '$lib/marks/stage/stage-view.svelte';
import { onSurface, pointedIn, pulledPoint } from '$lib/marks/stage/handles';

const surface = { getBoundingClientRect: () => ({ left: 40, top: 25 }) } as unknown as Element;

describe('a pointer on the stage', () => {
  it('is led back into the plane of a part that is turned, scaled and mirrored', () => {
    const view = new StageView();
    // Mirrored, turned by a quarter, twice as large, moved: (x, y) lies at (2y + 100, 2x − 30).
    const plane = { a: 0, b: 2, c: 2, d: 0, e: 100, f: -30 };
    const on = view.toScreen({ x: 2 * 7 + 100, y: 2 * 5 - 30 });
    const pointer = { clientX: on.x + 40, clientY: on.y + 25 };
    expect(onSurface(surface, pointer)).toEqual(on);
    const there = pointedIn(plane, view, surface, pointer);
    expect(there?.x).toBeCloseTo(5, 9);
    expect(there?.y).toBeCloseTo(7, 9);
  });
  it('is nowhere in a plane that was squeezed to a line', () => {
    expect(pointedIn({ a: 1, b: 0, c: 2, d: 0, e: 0, f: 0 }, new StageView(), surface, { clientX: 50, clientY: 50 })).toBeUndefined();
  });
});

describe('a point of a curve', () => {
  const point = { x: 10, y: 20, inX: -3, inY: -4, outX: 6, outY: 8 };

  it('takes its handles along', () => {
    expect(pulledPoint(point, 'point', { x: 11.24, y: 19.96 }, false)).toEqual({ ...point, x: 11.2, y: 20 });
  });
  it('keeps them on one line, each as long as it was, unless they are bent apart', () => {
    expect(pulledPoint(point, 'out', { x: 10, y: 40 }, false)).toEqual({ ...point, outX: 0, outY: 20, inX: -0, inY: -5 });
    expect(pulledPoint(point, 'in', { x: 10, y: 10 }, false)).toEqual({ ...point, inX: 0, inY: -10, outX: -0, outY: 10 });
    expect(pulledPoint(point, 'out', { x: 10, y: 40 }, true)).toEqual({ ...point, outX: 0, outY: 20 });
  });
  it('keeps the other one where one is pulled onto it, and has none where it had none', () => {
    expect(pulledPoint(point, 'in', point, false)).toEqual({ ...point, inX: 0, inY: 0 });
    const corner = { ...point, inX: 0, inY: 0 };
    expect(pulledPoint(corner, 'out', { x: 15, y: 20 }, false)).toEqual({ ...corner, outX: 5, outY: 0 });
  });
});
