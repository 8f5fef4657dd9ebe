import { describe, expect, it } from 'vitest';
import {
  ANCHORS,
  blurredSides,
  boundsOf,
  canvasFrame,
  canvasSchema,
  expect as valueOf,
  icoFile,
  IDENTITY,
  onPixelGrid,
  polygonPath,
  type Drawing,
} from '$core/index';
import fc from '../../support/properties';

const ink = { left: 10, top: 20, right: 310, bottom: 120 };
const frame = (canvas: object, pixels = true) => valueOf(canvasFrame(ink, canvasSchema.parse(canvas), pixels));

describe('a canvas', () => {
  it('is exactly as large as it is asked for, in px, mm and inch', () => {
    expect(frame({ width: 1080, height: 1350 })).toMatchObject({ widthPx: 1080, heightPx: 1350 });
    // 85.60 mm at 300 px an inch: 85.6 / 25.4 · 300 = 1011.02
    expect(frame({ width: 85.6, height: 53.98, unit: 'mm', dpi: 300 })).toMatchObject({ widthPx: 1011, heightPx: 638, dotsPerInch: 300 });
    expect(frame({ width: 15, height: 18, unit: 'in', dpi: 300 })).toMatchObject({ widthPx: 4500, heightPx: 5400 });
    const withBleed = frame({ width: 85.6, height: 53.98, unit: 'mm', bleedMm: 3 }, false);
    expect([withBleed.widthIn * 25.4, withBleed.heightIn * 25.4]).toEqual([expect.closeTo(91.6, 9), expect.closeTo(59.98, 9)]);
  });

  it('fits the mark into what the air leaves, and puts it where its anchor says', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 3000 }),
        fc.integer({ min: 40, max: 3000 }),
        fc.integer({ min: 0, max: 40 }),
        fc.constantFrom(...ANCHORS),
        (width, height, airPercent, anchor) => {
          const { box, widthPx } = frame({ width, height, airPercent, anchor });
          const scale = widthPx / (box.right - box.left);
          const room = {
            left: (ink.left - box.left) * scale,
            top: (ink.top - box.top) * scale,
            right: (box.right - ink.right) * scale,
            bottom: (box.bottom - ink.bottom) * scale,
          };
          const air = (airPercent / 100) * Math.min(width, height);
          for (const side of Object.values(room)) expect(side).toBeGreaterThanOrEqual(air - 0.51);
          // It touches its air on one pair of sides, to half a pixel.
          expect(Math.min(Math.abs(room.left + room.right - 2 * air), Math.abs(room.top + room.bottom - 2 * air))).toBeLessThan(1e-6);
          if (anchor.endsWith('left')) expect(Math.abs(room.left - air)).toBeLessThanOrEqual(0.51);
          if (anchor.startsWith('bottom')) expect(Math.abs(room.bottom - air)).toBeLessThanOrEqual(0.51);
          if (anchor === 'center') expect(Math.abs(room.left - room.right)).toBeLessThanOrEqual(1.02);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('that is round holds the whole box of the mark in its circle', () => {
    const { box, widthPx } = frame({ width: 400, height: 400, round: true });
    const scale = widthPx / (box.right - box.left);
    expect((Math.hypot(300, 100) / 2) * scale).toBeLessThan(200);
  });

  it('is refused with a sentence where nothing could be made', () => {
    const refused = (canvas: object) => {
      const made = canvasFrame(ink, canvasSchema.parse(canvas), true);
      return made.ok ? '' : `${made.problems[0]?.code}`;
    };
    expect(refused({ width: 20_000, height: 20_000 })).toBe('width-out-of-range');
    expect(refused({ width: 3000, unit: 'mm', dpi: 1200 })).toBe('width-out-of-range');
    expect(refused({})).toBe('no-size');
    expect(canvasSchema.safeParse({ width: 0 }).success).toBe(false);
    expect(canvasSchema.safeParse({ width: 100, round: true }).success).toBe(false);
  });
});

const panel = (left: number, top: number, right: number, bottom: number): Drawing => ({
  groups: [
    {
      ...{ kind: 'group', id: 'p', transform: { ...IDENTITY, a: 1.5, d: 1.5, e: 3.3, f: -1.7 }, opacity: 1, blend: 'normal' },
      children: [
        {
          ...{ kind: 'fill', rule: 'nonzero', color: '#22302a', opacity: 1 },
          path: polygonPath([
            { x: left, y: top },
            { x: right, y: top },
            { x: right, y: bottom },
            { x: left, y: bottom },
          ]),
        },
      ],
    },
  ],
});
const placed = (drawing: Drawing) => {
  const [group] = drawing.groups;
  const [fill] = group?.children ?? [];
  return fill?.kind === 'fill' ? boundsOf(fill.path, group?.transform) : undefined;
};

describe('the pixel grid', () => {
  const box = { left: 0, top: 0, right: 64, bottom: 64 };
  it('takes upright and level sides; nothing moves by more than a pixel, and no stroke is lost', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 15, noNaN: true }),
        fc.double({ min: 1, max: 15, noNaN: true }),
        fc.double({ min: 0.7, max: 20, noNaN: true }),
        (left, top, size) => {
          const before = panel(left, top, left + size, top + size);
          const after = onPixelGrid(before, box, 64);
          const [from, to] = [placed(before), placed(after)];
          if (!from || !to) throw new Error('nothing drawn');
          for (const side of ['left', 'top', 'right', 'bottom'] as const) expect(Math.abs(to[side] - from[side])).toBeLessThanOrEqual(1.01);
          if (size * 1.5 >= 4) {
            expect(blurredSides(after, box, 64).blurredPx).toBe(0);
            expect(to.right - to.left).toBeGreaterThanOrEqual(1);
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  it('tells how much is blurred before and after', () => {
    const before = panel(2.2, 2.2, 20.2, 20.2);
    expect(blurredSides(before, box, 64)).toEqual({ allPx: expect.closeTo(108, 6), blurredPx: expect.closeTo(108, 6) });
    expect(blurredSides(onPixelGrid(before, box, 64), box, 64).blurredPx).toBe(0);
  });

  it('leaves what has no such side alone', () => {
    const curved: Drawing = {
      groups: [
        {
          kind: 'group',
          id: 'c',
          transform: IDENTITY,
          opacity: 1,
          blend: 'normal',
          children: [
            { kind: 'fill', rule: 'nonzero', color: '#000000', opacity: 1, path: { verbs: 'MCZ', coords: [0, 0, 10, 30, 30, 10, 0, 0] } },
          ],
        },
      ],
    };
    expect(onPixelGrid(curved, box, 64)).toBe(curved);
  });
});

describe('an icon file', () => {
  it('has a header, an entry for each size, and the pictures where the entries say', () => {
    const png = (byte: number) => new Uint8Array([137, 80, 78, 71, byte]);
    const file = valueOf(
      icoFile([
        { sidePx: 256, png: png(2) },
        { sidePx: 16, png: png(1) },
      ]),
    );
    const view = new DataView(file.buffer);
    // ICONDIR: reserved 0, type 1, count; ICONDIRENTRY: 256 is written as 0 (from memory; a decoder of somebody else reads them in tests/browser)
    expect([view.getUint16(0, true), view.getUint16(2, true), view.getUint16(4, true)]).toEqual([0, 1, 2]);
    expect([file[6], file[22]]).toEqual([16, 0]);
    const from = view.getUint32(6 + 12, true);
    expect([...file.subarray(from, from + 5)]).toEqual([...png(1)]);
    expect(icoFile([]).ok).toBe(false);
    expect(icoFile([{ sidePx: 300, png: png(1) }]).ok).toBe(false);
  });
});
