import { describe, expect, it } from 'vitest';
import { canvasFrame, fileCanvas, PIECE_SIZES, pieceCanvasSchema, canvasBox, type Bounds } from '$core/index';
import fc from '../../support/properties';

const widthOf = ({ left, right }: Bounds) => right - left;
const heightOf = ({ top, bottom }: Bounds) => bottom - top;

describe('a piece’s own canvas as that of its file', () => {
  it('has its own pixels, or 300 of them to an inch in print', () => {
    for (const { id, canvas } of PIECE_SIZES) {
      const piece = pieceCanvasSchema.parse(canvas);
      const frame = canvasFrame(canvasBox(piece), fileCanvas(piece, false), true);
      if (!frame.ok) throw new Error(id);
      const perUnit = piece.unit === 'px' ? 1 : piece.unit === 'in' ? 300 : 300 / 25.4;
      expect(frame.value.widthPx, id).toBe(Math.round(piece.width * perUnit));
      expect(frame.value.heightPx, id).toBe(Math.round(piece.height * perUnit));
      // The file shows the canvas and nothing beside it, but for what rounding to whole pixels adds.
      expect(Math.abs(widthOf(frame.value.box) / heightOf(frame.value.box) - piece.width / piece.height), id).toBeLessThan(0.02);
    }
  });

  it('holds its bleed, in mm whatever its unit, where it is printed from, and else none', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('mm' as const, 'in' as const, 'px' as const),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (unit, bleed) => {
          const piece = pieceCanvasSchema.parse({ width: 100, height: 60, unit, bleed });
          const perUnit = { mm: 1, in: 25.4, px: 25.4 / 96 }[unit];
          expect(fileCanvas(piece, true).bleedMm).toBeCloseTo(Math.min(50, bleed * perUnit), 9);
          expect(fileCanvas(piece, false).bleedMm).toBe(0);
        },
      ),
    );
  });

  it('is one for every canvas that a piece may have, however large it and its bleed are', () => {
    for (const canvas of [
      { width: 5000, height: 100, unit: 'mm', bleed: 1000 },
      { width: 200, height: 200, unit: 'in', bleed: 900 },
      { width: 20_000, height: 20_000, bleed: 1000 },
      { width: 8, height: 8 },
    ]) {
      const piece = pieceCanvasSchema.parse(canvas);
      for (const bleeds of [false, true]) expect(fileCanvas(piece, bleeds)).toMatchObject({ width: piece.width, height: piece.height });
    }
  });
});
