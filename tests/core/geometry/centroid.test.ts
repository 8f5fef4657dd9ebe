import { describe, expect, it } from 'vitest';
import {
  apply,
  centroidOf,
  compose,
  invert,
  joinPaths,
  mapPath,
  PathPen,
  reversePath,
  rotation,
  scaling,
  translation,
  weightOf,
  type Path,
  type Region,
} from '$core/index';

const box = (left: number, top: number, right: number, bottom: number) =>
  new PathPen().move(left, top).line(right, top).line(right, bottom).line(left, bottom).close().path();

describe('centroidOf', () => {
  it('is the middle of a box, the third of a triangle, and 4r/3π of a half disk (closed forms)', () => {
    expect(centroidOf([box(2, 4, 10, 8)], 0.01)).toMatchObject({ x: 6, y: 6, area: 32 });
    const triangle = new PathPen().move(0, 0).line(9, 0).line(0, 6).close().path();
    expect(centroidOf([triangle], 0.01)).toMatchObject({ x: expect.closeTo(3, 9), y: expect.closeTo(2, 9), area: expect.closeTo(27, 9) });
    const half = new PathPen()
      .move(-100, 0)
      .cubic(-100, -55.228, -55.228, -100, 0, -100)
      .cubic(55.228, -100, 100, -55.228, 100, 0)
      .close()
      .path();
    expect(centroidOf([half], 0.001)?.y).toBeCloseTo((-4 * 100) / (3 * Math.PI), 1);
  });
  it('counts holes against what surrounds them, whichever way the outline runs', () => {
    const holed = joinPaths([box(0, 0, 10, 10), mapPath(box(-4, 1, -1, 4), scaling(-1, 1))]);
    const mirrored = mapPath(holed, scaling(-1, 1));
    expect(centroidOf([holed], 0.01)?.area).toBeCloseTo(91, 9);
    expect(centroidOf([mirrored], 0.01)?.area).toBeCloseTo(91, 9);
    expect(centroidOf([mirrored], 0.01)?.x).toBeCloseTo(-(centroidOf([holed], 0.01)?.x ?? NaN), 9);
  });
  it('is nothing without area', () => expect(centroidOf([box(0, 0, 10, 0)], 0.01)).toBeUndefined());
});

describe('invert', () => {
  it('undoes a map, and refuses one that flattens the plane', () => {
    const map = compose(translation(5, -3), compose(rotation(33), scaling(2, -0.5)));
    const back = invert(map);
    const there = apply(map, { x: 7, y: 11 });
    expect(back && apply(back, there)).toMatchObject({ x: expect.closeTo(7, 9), y: expect.closeTo(11, 9) });
    expect(invert(scaling(0, 1))).toBeUndefined();
  });

  it('weighs even–odd areas by depth, whichever way their contours run (closed form)', () => {
    const hollow = (hole: Path): Region => ({ path: joinPaths([box(0, 0, 10, 10), hole]), rule: 'evenodd' });
    const hole = box(5, 2, 9, 8);
    for (const region of [hollow(hole), hollow(reversePath(hole))]) {
      const found = weightOf([region], 0.01);
      expect(found?.area).toBeCloseTo(100 - 24, 9);
      expect(found?.x).toBeCloseTo((100 * 5 - 24 * 7) / 76, 9);
      expect(found?.y).toBeCloseTo(5, 9);
    }
  });
});
