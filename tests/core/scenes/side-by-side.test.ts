import { describe, expect, it } from 'vitest';
import { SHEET_GAP, sideBySide } from '$core/index';
import { random } from '../../support/random';

describe('goods side by side', () => {
  it('fill a sheet in rows, none cut, none over another, each as wide for its height as it is', () => {
    const next = random(41);
    for (let many = 1; many <= 24; many++)
      for (const widthPx of [320, 2000, 4500]) {
        const ratios = Array.from({ length: many }, () => 0.6 + next() * 1.4);
        const { heightPx, cells } = sideBySide(ratios, widthPx);
        const gap = Math.max(1, Math.round(widthPx * SHEET_GAP));
        expect(cells).toHaveLength(many);
        for (const [at, { left, top, width, height }] of cells.entries()) {
          expect([left >= gap, top >= gap, left + width <= widthPx - gap, top + height <= heightPx - gap]).toEqual([
            true,
            true,
            true,
            true,
          ]);
          // Whole pixels: a picture of one pixel more or less is as near as it comes.
          expect(Math.abs(width - height * (ratios[at] as number)), `${many} at ${widthPx}`).toBeLessThanOrEqual(many + 1);
          for (const other of cells.slice(0, at))
            expect(
              other.left + other.width + gap <= left || other.top + other.height + gap <= top,
              `${at} of ${many} beside the others`,
            ).toBe(true);
        }
        // Every row ends at the right edge.
        for (const row of new Set(cells.map(({ top }) => top)))
          expect(Math.max(...cells.filter(({ top }) => top === row).map(({ left, width }) => left + width))).toBe(widthPx - gap);
      }
  });

  it('come near to 4 : 3 where their number lets them', () => {
    for (const many of [2, 4, 6, 9, 12]) {
      const { heightPx } = sideBySide(Array<number>(many).fill(1.25), 2000);
      expect(Math.abs(Math.log(2000 / heightPx / (4 / 3))), `${many}`).toBeLessThan(0.65);
    }
  });
});
