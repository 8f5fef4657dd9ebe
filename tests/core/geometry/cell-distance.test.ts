import { describe, expect, it } from 'vitest';
import { distanceInside, opened, openedBySmall } from '../../../src/core/geometry';
import { random } from '../../support/random';

/** Cells in many mixtures: hardly any, nearly all, all, stripes, and blocks with holes. */
function* grids(count: number): Generator<{ readonly mask: Uint8Array; readonly columns: number; readonly rows: number }> {
  const next = random(3);
  for (let n = 0; n < count; n++) {
    const [columns, rows, share] = [1 + Math.floor(next() * 24), 1 + Math.floor(next() * 24), next()];
    const mask = Uint8Array.from({ length: columns * rows }, (_, at) => {
      if (n % 9 === 0) return 1;
      if (n % 9 === 1) return Math.floor((at % columns) / 5) % 2;
      if (n % 9 === 2) return next() < 0.97 ? 1 : 0;
      return next() < share ? 1 : 0;
    });
    yield { mask, columns, rows };
  }
}

describe('the distance to the edge', () => {
  it('is what looking at every cell finds, in 90 grids of every mixture', () => {
    for (const { mask, columns, rows } of grids(90)) {
      const found = distanceInside(mask, columns, rows);
      if (mask.every((cell) => cell === 1)) continue;
      for (let at = 0; at < mask.length; at++) {
        let nearest = mask[at] ? Infinity : 0;
        for (let other = 0; other < mask.length; other++)
          if (!mask[other])
            nearest = Math.min(
              nearest,
              Math.hypot((at % columns) - (other % columns), Math.floor(at / columns) - Math.floor(other / columns)),
            );
        expect(found[at]).toBeCloseTo(nearest, 4);
      }
    }
  });

  it('opened by a radius keeps what is as wide as the disk, and nothing thinner', () => {
    const [columns, rows] = [80, 60];
    const mask = new Uint8Array(columns * rows);
    for (let y = 10; y < 50; y++) for (let x = 5; x < 40; x++) mask[y * columns + x] = 1;
    for (let y = 28; y < 33; y++) for (let x = 40; x < 75; x++) mask[y * columns + x] = 1;
    const kept = opened(distanceInside(mask, columns, rows), columns, rows, 8);
    expect(kept[30 * columns + 20]).toBe(1);
    expect(kept[30 * columns + 65]).toBe(0);
  });

  it('opened by the disk’s own cells is opened by distances, at every small radius', () => {
    for (const { mask, columns, rows } of grids(180))
      for (const radius of [1, 1.5, 2.1, 3.3])
        expect([...openedBySmall(mask, columns, rows, radius)]).toEqual([
          ...opened(distanceInside(mask, columns, rows), columns, rows, radius),
        ]);
  });
});
