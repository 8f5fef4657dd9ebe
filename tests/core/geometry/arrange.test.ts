import { polygonHull } from 'd3';
import { describe, expect, it } from 'vitest';
import {
  align,
  ALIGNMENTS,
  convexHull,
  distribute,
  equalInkGaps,
  flatten,
  FORM_NAMES,
  inkGap,
  mapPath,
  outlineOf,
  restsOf,
  restsOfPart,
  rotation,
  scaledInPlace,
  shifted,
  startOf,
  turnedInPlace,
  type Arranged,
  type Form,
  type KnownPart,
  type Point,
  type Polygon,
} from '$core/index';
import { drawnOn, letteringInput, partNamed, partOf } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import fc from '../../support/properties';

const thing = (id: string, left: number, top: number, width: number, height: number): Arranged => ({
  id,
  ink: { left, top, right: left + width, bottom: top + height },
  balance: { x: left + width * 0.4, y: top + height * 0.6 },
});
const three = [thing('a', 0, 0, 10, 20), thing('b', 13, 5, 30, 10), thing('c', 90, -4, 20, 40)];

describe('aligning and spreading', () => {
  it('brings edges, centers and optical centers to one line', () => {
    const to = thing('to', 100, 200, 40, 60);
    for (const how of ALIGNMENTS) {
      const [shift] = align([three[1] as Arranged], how, to);
      const { ink, balance } = three[1] as Arranged;
      const by =
        how === 'left'
          ? 100 - ink.left
          : how === 'right'
            ? 140 - ink.right
            : how === 'center'
              ? 120 - 28
              : how === 'optical-center'
                ? to.balance.x - balance.x
                : 0;
      const down =
        how === 'top'
          ? 200 - 5
          : how === 'foot'
            ? 260 - 15
            : how === 'middle'
              ? 230 - 10
              : how === 'optical-middle'
                ? to.balance.y - balance.y
                : 0;
      expect([shift?.dx, shift?.dy], how).toEqual([by, down]);
    }
  });

  it('spreads by white, by starts, by centers and by ends; the outermost two stay', () => {
    const after = (how: 'gaps' | 'starts' | 'centers' | 'ends') => {
      const shifts = distribute(three, how, 'x');
      expect(shifts[0]?.dx).toBeCloseTo(0, 9);
      expect(shifts.at(-1)?.dx).toBeCloseTo(0, 9);
      const by = shifts.find(({ id }) => id === 'b')?.dx ?? NaN;
      return { left: 13 + by, right: 43 + by };
    };
    expect(after('gaps').left - 10).toBeCloseTo(90 - after('gaps').right, 9);
    expect(after('starts').left).toBeCloseTo(45, 9);
    expect((after('centers').left + after('centers').right) / 2).toBeCloseTo((5 + 100) / 2, 9);
    expect(after('ends').right).toBeCloseTo((10 + 110) / 2, 9);
    expect(distribute(three.slice(0, 2), 'gaps', 'x')).toEqual([]);
  });

  it('measures white by ink, not by boxes: two slanted bars nest (closed form)', () => {
    const slanted = (x: number): readonly Polygon[] => [
      [
        { x, y: 0 },
        { x: x + 10, y: 0 },
        { x: x + 60, y: 100 },
        { x: x + 50, y: 100 },
      ],
    ];
    expect(inkGap(slanted(0), slanted(25), 'x')).toBeCloseTo(15, 9);
    expect(inkGap(slanted(0), slanted(5), 'x')).toBeCloseTo(-5, 9);
    const below = slanted(0).map((polygon) => polygon.map(({ x, y }) => ({ x, y: y + 500 })));
    expect(inkGap(slanted(0), below, 'x')).toBeUndefined();
    const outlined = (id: string, x: number) => ({ ...thing(id, x, 0, 60, 100), polygons: slanted(x) });
    const shifts = equalInkGaps([outlined('a', 0), outlined('b', 12), outlined('c', 60)], 'x');
    const xs = [0, 12, 60].map((x, index) => x + (shifts[index]?.dx ?? 0));
    expect((xs[1] as number) - (xs[0] as number)).toBeCloseTo((xs[2] as number) - (xs[1] as number), 9);
    expect(shifts.at(-1)?.dx).toBeCloseTo(0, 9);
  });
});

describe('resting on a line', () => {
  it('has the convex hull by its definition: corners of it are given points, every given point is on or inside of every side, it turns at each', () => {
    const points = fc.array(fc.record({ x: fc.integer({ min: -500, max: 500 }), y: fc.integer({ min: -500, max: 500 }) }), {
      minLength: 3,
      maxLength: 60,
    });
    const side = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
    fc.assert(
      fc.property(points, (given) => {
        const hull = convexHull(given);
        const at = (index: number) => hull[index % hull.length] as Point;
        if (hull.length < 3) return;
        hull.forEach((corner, index) => {
          expect(given).toContainEqual(corner);
          // Clockwise on screen: what is inside lies to the right of every side.
          expect(side(corner, at(index + 1), at(index + 2))).toBeGreaterThan(0);
          for (const point of given) expect(side(corner, at(index + 1), point)).toBeGreaterThanOrEqual(0);
        });
      }),
    );
    expect(convexHull([{ x: 0, y: 0 }])).toEqual([]);
  });

  it('rests on every edge of that hull: turned so far, two points of the outline touch the line and none lies below', () => {
    for (const form of FORM_NAMES) {
      const points = flatten(mapPath(outlineOf(startOf(form)), rotation(23)), 0.02).flat();
      const hull = polygonHull(points.map(({ x, y }): [number, number] => [x, y])) ?? [];
      const round = hull.reduce((sum, [x, y], index) => {
        const [nx, ny] = hull[(index + 1) % hull.length] as [number, number];
        return sum + Math.hypot(nx - x, ny - y);
      }, 0);
      const edges = hull.filter(([x, y], index) => {
        const [nx, ny] = hull[(index + 1) % hull.length] as [number, number];
        return Math.hypot(nx - x, ny - y) >= 0.02 * round;
      });
      const rests = restsOf(points, { x: 0, y: 0 });
      // A corner that is rounding splits a side in two of the same direction (crests of equal height).
      const directions = new Set(
        edges.map((at) => {
          const [nx, ny] = hull[(hull.indexOf(at) + 1) % hull.length] as [number, number];
          return (Math.round((Math.atan2(ny - at[1], nx - at[0]) * 180e4) / Math.PI) + 360e4) % 360e4;
        }),
      );
      expect(rests.length, form).toBe(directions.size);
      for (const { turnDeg, touches } of rests) {
        const turn = (turnDeg * Math.PI) / 180;
        const downOf = ({ x, y }: Point) => x * Math.sin(turn) + y * Math.cos(turn);
        const lowest = Math.max(...points.map(downOf));
        for (const touch of touches) expect(Math.abs(downOf(touch) - lowest)).toBeLessThan(1e-6);
      }
    }
    expect(restsOf([], { x: 0, y: 0 })).toEqual([]);
  });

  it('says which of them hold: a tall bar leaning stands on its foot or lies on its side', () => {
    const bar = flatten(mapPath(outlineOf({ ...startOf('panel'), widthPx: 20, heightPx: 100 } as Form), rotation(10)), 0.02).flat();
    const rests = restsOf(bar, { x: 0, y: 0 });
    expect(rests.map(({ turnDeg }) => Math.round(turnDeg)).sort((a, b) => a - b)).toEqual([-100, -10, 80, 170]);
    expect(rests.every(({ stable }) => stable)).toBe(true);
    expect(restsOf(bar, { x: 300, y: 0 }).some(({ stable }) => !stable)).toBe(true);
  });
});

describe('arranging parts where they stand', () => {
  it('turns and scales about the middle of the ink, in any plane', async () => {
    const draw = drawnOn(await shelfOf('jost'));
    const star = { kind: 'shape', id: 'star', form: { form: 'star' }, place: { x: 80, y: 30, turnDeg: 17 } } as Parameters<
      typeof partOf
    >[0];
    const group = {
      kind: 'group',
      id: 'g',
      members: ['star', 'name'],
      place: { x: 300, y: 0, turnDeg: 40, scale: 1.5, flip: true },
    } as Parameters<typeof partOf>[0];
    const input = letteringInput({ place: { x: -40, y: 10, turnDeg: 0 } });
    const mark = draw(star, input, group);
    const middle = (part: { ink?: { left: number; right: number; top: number; bottom: number } | undefined }) => ({
      x: ((part.ink?.left ?? NaN) + (part.ink?.right ?? NaN)) / 2,
      y: ((part.ink?.top ?? NaN) + (part.ink?.bottom ?? NaN)) / 2,
    });
    const before = partNamed(mark, 'star');
    const redraw = (changed: KnownPart) =>
      draw(...[partOf(star), partOf(input), partOf(group)].map((part) => (part.id === changed.id ? changed : part)));
    const moved = partNamed(redraw(shifted(partOf(star), before, 25, -10)), 'star');
    expect(middle(moved).x - middle(before).x).toBeCloseTo(25, 4);
    expect(middle(moved).y - middle(before).y).toBeCloseTo(-10, 4);
    const wide = partNamed(redraw(scaledInPlace(partOf(star), before, 2)), 'star');
    expect(((wide.ink?.right ?? 0) - (wide.ink?.left ?? 0)) / ((before.ink?.right ?? 0) - (before.ink?.left ?? 0))).toBeCloseTo(2, 6);
    expect(middle(wide).x).toBeCloseTo(middle(before).x, 4);
    const letters = scaledInPlace(partOf(input), partNamed(mark, 'name'), 1.5);
    expect(letters).toMatchObject({ kind: 'lettering', sizePx: 150 });
    const [rest] = restsOfPart(mark, 'star').filter(({ turnDeg }) => Math.abs(turnDeg) > 1);
    const turned = redraw(turnedInPlace(partOf(star), before, rest?.turnDeg ?? 0));
    expect(Math.min(...restsOfPart(turned, 'star').map(({ turnDeg }) => Math.abs(turnDeg)))).toBeLessThan(1e-4);
  });
});
