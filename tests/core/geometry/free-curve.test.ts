import { describe, expect, it } from 'vitest';
import { createPart, flatten, freeCurve, kindOfPoint, simplifyCurve, withPointAfter, withPointKind, type FreePoint } from '$core/index';
import { areaOf, drawnOn } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import fc from '../../support/properties';

const point = (x: number, y: number, outX = 0, outY = 0, inX = -outX, inY = -outY): FreePoint => ({ x, y, inX, inY, outX, outY });
const K = 0.5522847498 * 100;
const circle = [point(100, 0, 0, K), point(0, 100, -K, 0), point(-100, 0, 0, -K), point(0, -100, K, 0)];
const area = (points: readonly FreePoint[]) => areaOf([{ path: freeCurve(points, true), rule: 'nonzero' }]);

describe('free curves', () => {
  it('draw what their points and handles say: a circle of four points (closed form)', () => {
    expect(area(circle) / (Math.PI * 100 ** 2)).toBeCloseTo(1, 3);
    expect(freeCurve([point(0, 0), point(10, 0)], false).verbs).toBe('ML');
    expect(freeCurve([], true).verbs).toBe('');
  });

  it('take a point anywhere without changing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3 }), (at) => {
        const more = withPointAfter(circle, at);
        expect(more).toHaveLength(5);
        expect(area(more)).toBeCloseTo(area(circle), 2);
      }),
    );
  });

  it('have corners, smooth and mirrored points', () => {
    expect(circle.map(kindOfPoint)).toEqual(Array(4).fill('mirrored'));
    expect(kindOfPoint(point(0, 0, 30, 0, -10, 0))).toBe('smooth');
    expect(kindOfPoint(point(0, 0, 30, 0, 0, 20))).toBe('corner');
    const line = [point(0, 0), point(50, 40), point(120, 0)];
    for (const kind of ['corner', 'smooth', 'mirrored'] as const)
      expect(kindOfPoint(withPointKind(line, 1, kind, false)[1] as FreePoint)).toBe(kind);
    expect(withPointKind(line, 9, 'smooth', false)).toBe(line);
  });

  it('are simplified within what is asked, and no further', () => {
    let wave: readonly FreePoint[] = [point(0, 0, 60, -60), point(200, 0, 60, 60), point(400, 0, 60, -60)];
    const before = flatten(freeCurve(wave, false), 0.01)[0] ?? [];
    for (const at of [1, 0, 2, 0]) wave = withPointAfter(wave, at);
    const simple = simplifyCurve(wave, 1);
    expect(simple.length).toBeLessThan(wave.length);
    const after = flatten(freeCurve(simple, false), 0.01)[0] ?? [];
    for (const { x, y } of before) expect(Math.min(...after.map((each) => Math.hypot(each.x - x, each.y - y)))).toBeLessThan(2.5);
    const zigzag = [point(0, 0), point(50, 80), point(100, 0), point(150, 80)];
    expect(simplifyCurve(zigzag, 1)).toEqual(zigzag);
  });

  it('are parts: strokes with ends, areas, cutters', async () => {
    const draw = drawnOn(await shelfOf('jost'));
    const stroke = { kind: 'curve', id: 'c', points: [point(0, 0), point(100, 0)], weightPx: 10 };
    const inked = (change: object) => {
      const mark = draw({ ...stroke, ...change } as Parameters<typeof createPart>[0]);
      return areaOf((mark.drawing.groups[0]?.children ?? []) as never);
    };
    expect(inked({ cap: 'flat' })).toBeCloseTo(1000, 2);
    expect(inked({ cap: 'square' })).toBeCloseTo(1100, 2);
    expect(inked({ cap: 'round' }) / (1000 + Math.PI * 25)).toBeCloseTo(1, 3);
    expect(inked({ points: circle, closed: true, weightPx: 0 }) / (Math.PI * 1e4)).toBeCloseTo(1, 3);
    expect(inked({ points: circle, closed: true, filled: false }) / (2 * Math.PI * 100 * 10)).toBeCloseTo(1, 2);
    expect(draw({ ...stroke, weightPx: 0 } as Parameters<typeof createPart>[0]).parts[0]?.notices[0]?.code).toBe('curve-unseen');
    expect(createPart({ ...stroke, points: [] } as Parameters<typeof createPart>[0]).ok).toBe(false);
  });
});
