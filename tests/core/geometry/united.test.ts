import { describe, expect, it } from 'vitest';
import { PathPen, reversePath, united, type Region } from '../../../src/core/geometry';
import { areaOfRegion, weldFlattened } from '$core/pathops';
import { random as seeded } from '../../support/random';
import { paths } from '../../support/resolver';

/** An upright square, or a disk of four cubics. */
function piece(x: number, y: number, size: number, round: boolean): Region {
  const pen = new PathPen();
  const [r, k] = [size / 2, (size / 2) * 0.5522847498];
  if (round)
    pen
      .move(x + r, y)
      .cubic(x + r, y + k, x + k, y + r, x, y + r)
      .cubic(x - k, y + r, x - r, y + k, x - r, y)
      .cubic(x - r, y - k, x - k, y - r, x, y - r)
      .cubic(x + k, y - r, x + r, y - k, x + r, y);
  else
    pen
      .move(x - r, y - r)
      .line(x + r, y - r)
      .line(x + r, y + r)
      .line(x - r, y + r);
  return { path: pen.close().path(), rule: 'nonzero' };
}

const FINELY = 0.01;

describe('many areas, united by halves', () => {
  it('cover what a polygon library covers, however they lie and whichever way they run (16 heaps)', () => {
    const random = seeded(11);
    for (let heap = 0; heap < 16; heap++) {
      const spread = heap % 2 === 0 ? 200 : 900;
      const regions = Array.from({ length: 1 + Math.floor(random() * 40) }, (): Region => {
        const made = piece(random() * spread, random() * spread, 10 + random() * 80, random() < 0.5);
        return random() < 0.5 ? made : { ...made, path: reversePath(made.path) };
      });
      const found = united(regions, paths);
      expect(found.rule).toBe('evenodd');
      expect(Math.abs(areaOfRegion(found, FINELY) / areaOfRegion(weldFlattened(regions, FINELY), FINELY) - 1), `heap ${heap}`).toBeLessThan(
        0.001,
      );
    }
  });

  it('keep the hole of a ring, and what stands in it', () => {
    const ring = paths.combine('subtract', piece(0, 0, 200, true), piece(0, 0, 160, true));
    const found = united([piece(0, 0, 60, false), ring, piece(300, 0, 50, false)], paths);
    expect(areaOfRegion(found)).toBeCloseTo(60 * 60 + 50 * 50 + Math.PI * (100 * 100 - 80 * 80), -1);
  });

  it('of nothing, and of empty areas, are nothing', () => {
    expect(united([], paths).path.verbs).toBe('');
    expect(united([{ path: { verbs: '', coords: [] }, rule: 'nonzero' }], paths).path.verbs).toBe('');
  });
});
