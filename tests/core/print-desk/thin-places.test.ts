import { describe, expect, it } from 'vitest';
import { judgeDelivery, PROCESS_NAMES, processOf, thinPlace, type Delivery } from '$core/index';

const COLUMNS = 200;
function mask(...boxes: readonly (readonly [x: number, y: number, width: number, height: number])[]): Uint8Array {
  const cells = new Uint8Array(COLUMNS * COLUMNS);
  for (const [x, y, width, height] of boxes)
    for (let row = y; row < y + height; row++) cells.fill(1, row * COLUMNS + x, row * COLUMNS + x + width);
  return cells;
}

describe('a thin place', () => {
  it('is found where a bar is thinner than the limit, to a cell, and nowhere where it is not', () => {
    for (const thick of [4, 6, 8, 11, 15]) {
      const bar = mask([20, 20, 60, 60], [80, 50, 100, thick]);
      for (const limit of [5, 9, 13]) {
        const found = thinPlace(bar, COLUMNS, COLUMNS, limit);
        if (thick <= limit - 2) {
          expect(found, `${thick} at ${limit}`).toBeDefined();
          expect(Math.abs((found?.thickness ?? 0) - thick)).toBeLessThanOrEqual(1.5);
          expect(found?.x).toBeGreaterThan(78);
        }
        if (thick >= limit + 1) expect(found, `${thick} at ${limit}`).toBeUndefined();
      }
    }
  });

  it('is not a corner, a round or an uneven edge', () => {
    expect(thinPlace(mask([40, 40, 100, 100]), COLUMNS, COLUMNS, 30)).toBeUndefined();
    const disk = new Uint8Array(COLUMNS * COLUMNS);
    for (let y = 0; y < COLUMNS; y++) for (let x = 0; x < COLUMNS; x++) if (Math.hypot(x - 100, y - 100) < 50) disk[y * COLUMNS + x] = 1;
    expect(thinPlace(disk, COLUMNS, COLUMNS, 40)).toBeUndefined();
    expect(thinPlace(mask([40, 40, 100, 100], [60, 39, 2, 1]), COLUMNS, COLUMNS, 30)).toBeUndefined();
    expect(thinPlace(new Uint8Array(COLUMNS * COLUMNS), COLUMNS, COLUMNS, 30)).toBeUndefined();
  });
});

/** A delivery that a process takes. */
function good(name: (typeof PROCESS_NAMES)[number]): Delivery {
  const process = processOf(name);
  const format = process.formats[0] ?? 'svg';
  const outlines = { open: 0, strokes: 0, gradients: 0, halfClear: 0, pictures: 0, fonts: 0, overlaps: false };
  return {
    ...{ format, opens: true, clearShare: 0.5, touchesEdge: false, colors: 1, softShare: 0 },
    widthMm: process.trimMm?.width ?? process.longerMm.least + 1,
    heightMm: process.trimMm?.height ?? process.longerMm.least,
    ...(['png', 'tif'].includes(format) ? { dpi: 600 } : { outlines }),
    ...(process.trimMm ? { trimMm: process.trimMm, bleedMm: process.bleedMm ?? 0, processInks: true } : {}),
  };
}
const at = { xMm: 12.3, yMm: 4 };
const outlined = (more: object) => ({
  outlines: { open: 0, strokes: 0, gradients: 0, halfClear: 0, pictures: 0, fonts: 0, overlaps: false, ...more },
});

describe('the desk', () => {
  it.each(PROCESS_NAMES)('accepts what is right for %s', (name) =>
    expect(judgeDelivery(name, good(name))).toEqual({ accepted: true, reasons: [] }),
  );

  it.each([
    ['shirt', { format: 'jpg' }, 'format'],
    ['shirt', { opens: false }, 'unreadable'],
    ['shirt', { widthMm: 30, heightMm: 30 }, 'too-small'],
    ['stamp', { widthMm: 120 }, 'too-large'],
    ['card', { trimMm: { width: 90, height: 50 } }, 'wrong-size'],
    ['card', { bleedMm: 0 }, 'no-bleed'],
    ['card', { bleedMm: 2 }, 'no-bleed'],
    ['card', { processInks: false }, 'screen-colors'],
    ['shirt', { dpi: 150 }, 'too-coarse'],
    ['engraving', { format: 'png', dpi: 300 }, 'too-coarse'],
    ['shirt', { clearShare: 0 }, 'no-alpha'],
    ['sticker', { clearShare: 1 }, 'empty'],
    ['vinyl', { colors: 2 }, 'too-many-colors'],
    ['embroidery', { colors: 9 }, 'too-many-colors'],
    ['vinyl', { thinStroke: { ...at, mm: 0.3 } }, 'thin-stroke'],
    ['stamp', { thinGap: { ...at, mm: 0.2 } }, 'thin-gap'],
    ['shirt', { softShare: 0.6, soft: at }, 'soft-edges'],
    ['engraving', { format: 'png', dpi: 600, softShare: 0.01, soft: at }, 'gray'],
    ['sticker', { fringe: { ...at, hex: '#ffffff' } }, 'fringe'],
    ['vinyl', outlined({ open: 3 }), 'open-cuts'],
    ['vinyl', outlined({ strokes: 1 }), 'strokes'],
    ['embroidery', outlined({ gradients: 2 }), 'gradients'],
    ['stamp', outlined({ halfClear: 1 }), 'half-clear'],
    ['embroidery', outlined({ pictures: 1 }), 'pictures'],
    ['vinyl', outlined({ overlaps: true }), 'overlaps'],
    ['card', outlined({ fonts: 1 }), 'fonts'],
  ] as const)('refuses for %s what breaks one rule, and says which: %o → %s', (name, broken, code) => {
    const { accepted, reasons } = judgeDelivery(name, { ...good(name), ...broken } as Delivery);
    expect([accepted, reasons.map((reason) => reason.code)]).toEqual([false, [code]]);
    expect(reasons[0]?.message).toMatch(/[.]$/);
  });

  it('names every fault at once, with its place', () => {
    const { reasons } = judgeDelivery('vinyl', {
      ...good('vinyl'),
      colors: 3,
      thinStroke: { ...at, mm: 0.4 },
      thinGap: { ...at, mm: 0.5 },
    });
    expect(reasons.map(({ code }) => code)).toEqual(['too-many-colors', 'thin-stroke', 'thin-gap']);
    expect(reasons[1]).toMatchObject({ at, message: 'A stroke is 0.4 mm thick, 12.3 mm from the left, 4 mm from the top; 0.8 mm holds.' });
  });
});
