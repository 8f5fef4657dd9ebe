import { describe, expect, it } from 'vitest';
import { pictureColors } from '$core/index';

const fill = (...runs: readonly (readonly [count: number, rgb: readonly [number, number, number]])[]) =>
  Uint8Array.from(runs.flatMap(([count, rgb]) => Array.from({ length: count }, () => rgb).flat()));

describe('pictureColors', () => {
  it('finds the colors of a flat picture with their exact shares, largest first', () => {
    expect(pictureColors(fill([300, [34, 48, 42]], [600, [232, 184, 75]], [100, [255, 253, 248]]))).toEqual([
      { hex: '#e8b84b', share: 0.6 },
      { hex: '#22302a', share: 0.3 },
      { hex: '#fffdf8', share: 0.1 },
    ]);
  });
  it('joins colors that nobody could tell apart, and keeps the shares whole', () => {
    const found = pictureColors(fill([50, [200, 80, 60]], [50, [202, 81, 61]], [100, [20, 30, 200]]));
    expect(found).toHaveLength(2);
    expect(found.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 2);
  });
  it('says nothing of no picture, and the same of the same picture', () => {
    expect(pictureColors(new Uint8Array())).toEqual([]);
    const noise = Uint8Array.from({ length: 3000 }, (_, n) => (n * 7919) % 256);
    expect(pictureColors(noise)).toEqual(pictureColors(noise));
    expect(pictureColors(noise).length).toBeLessThanOrEqual(6);
  });
});
