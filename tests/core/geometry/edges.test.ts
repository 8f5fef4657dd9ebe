import { describe, expect, it } from 'vitest';
import { boundsOf, contoursOf, flatten, outlineOf, PathPen, startOf, toSize, type Region } from '$core/index';
import { dashesAlong, roughened } from '../../../src/core/geometry';
import { areaOf } from '../../support/drawn-mark';

const disk: Region = { path: toSize(outlineOf(startOf('disk')), 200, 200), rule: 'nonzero' };

describe('a rough edge', () => {
  it('never leaves its place farther than its depth, and covers about as much', () => {
    const made = roughened(disk, { seed: 3, depth: 4, grain: 15 });
    const away = flatten(made.path, 0.01)
      .flat()
      .map(({ x, y }) => Math.hypot(x, y) - 100);
    expect(Math.max(...away.map(Math.abs))).toBeLessThanOrEqual(4.05);
    expect(Math.max(...away)).toBeGreaterThan(1);
    expect(Math.min(...away)).toBeLessThan(-1);
    expect(Math.abs(areaOf([made]) / (Math.PI * 1e4) - 1)).toBeLessThan(0.03);
  });

  it('is the same for the same seed, another for another, and leaves what is too small', () => {
    const once = roughened(disk, { seed: 3, depth: 4, grain: 15 });
    expect(roughened(disk, { seed: 3, depth: 4, grain: 15 })).toEqual(once);
    expect(roughened(disk, { seed: 4, depth: 4, grain: 15 })).not.toEqual(once);
    const speck: Region = { path: toSize(outlineOf(startOf('disk')), 2, 2), rule: 'nonzero' };
    expect(areaOf([roughened(speck, { seed: 1, depth: 5, grain: 20 })])).toBeCloseTo(areaOf([speck]), 2);
  });
});

describe('dashes', () => {
  it('stand a whole number of times along a square, each as long as it is said', () => {
    const square = new PathPen().move(0, 0).line(100, 0).line(100, 100).line(0, 100).close().path();
    const dashes = contoursOf(dashesAlong(square, { dash: 12, gap: 7 }));
    expect(dashes).toHaveLength(Math.round(400 / 19));
    const lengths = dashes.map(({ coords }) => {
      let length = 0;
      for (let at = 2; at < coords.length; at += 2)
        length += Math.hypot((coords[at] as number) - (coords[at - 2] as number), (coords[at + 1] as number) - (coords[at - 1] as number));
      return length;
    });
    for (const length of lengths) expect(length).toBeCloseTo(12, 6);
    // Corners belong to the dashes that run over them.
    expect(dashes.some(({ verbs }) => verbs.length > 2)).toBe(true);
    expect(boundsOf({ verbs: dashes.map(({ verbs }) => verbs).join(''), coords: dashes.flatMap(({ coords }) => coords) })).toMatchObject({
      left: 0,
      top: 0,
    });
  });

  it('are none where the outline is shorter than one', () => {
    expect(dashesAlong(toSize(outlineOf(startOf('disk')), 2, 2), { dash: 12, gap: 7 }).verbs).toBe('');
  });
});
