import { describe, expect, it } from 'vitest';
import { photoDeskSchema, stampPlace, startStamp, startVeil, veilLayout, type Veil } from '$core/index';
import { random } from '../../support/random';

const veil = (change: Partial<Veil> = {}): Veil => ({ ...photoDeskSchema.parse({}).veil, on: true, ...change });
const SIZES = [
  [1200, 833],
  [3000, 2000],
  [2000, 3000],
  [8660, 5773],
  [640, 640],
] as const;

describe('a veil', () => {
  it.each([
    ['Windrow Kites', 24, 35, 45],
    ['The Little Bindery and Paper Mill by the Old Harbor', 61, 14, 18],
    ['🪁'.repeat(80), 36, 23, 30],
  ])('of %j begins with letters that are seen, and no farther apart', (name, sizePercent, acrossPercent, downPercent) => {
    const begins = startVeil(name, veil());
    expect(begins).toMatchObject({ sizePercent, acrossPercent, downPercent });
    expect(name.startsWith(begins.text)).toBe(true);
    expect(photoDeskSchema.parse({ veil: { ...veil(), ...begins } }).veil).toEqual({ ...veil(), ...begins });
    // Room in percent of the picture, as for a short line.
    expect((begins.sizePercent * begins.downPercent) / 100).toBeCloseTo((24 * 45) / 100, 0);
  });

  it('lies in even rows and columns at every size and angle, within half a pixel', () => {
    const next = random(5);
    for (let n = 0; n < 120; n++) {
      const [widthPx, heightPx] = SIZES[n % SIZES.length] as readonly [number, number];
      const of = veil({
        angleDeg: Math.round(next() * 180 - 90),
        sizePercent: 8 + next() * 40,
        acrossPercent: next() * 120,
        downPercent: next() * 120,
        offsetPercent: next() * 100,
      });
      const { spots, acrossPx, downPx } = veilLayout({ widthPx, heightPx }, 0.2 + next(), of);
      const angle = (of.angleDeg * Math.PI) / 180;
      // Turned back, rows lie one step apart, and so do their members: told from the places alone.
      const back = spots.map(({ x, y, row, column }) => {
        const [dx, dy] = [x - widthPx / 2, y - heightPx / 2];
        return { u: dx * Math.cos(angle) + dy * Math.sin(angle), v: -dx * Math.sin(angle) + dy * Math.cos(angle), row, column };
      });
      for (const { u, v, row, column } of back) {
        expect(Math.abs(v - row * downPx)).toBeLessThan(0.5);
        const shift = (Math.abs(row) % 2) * (of.offsetPercent / 100) * acrossPx;
        expect(Math.abs(u - shift - column * acrossPx)).toBeLessThan(0.5);
      }
    }
  });
  it('covers the same share of photos from 1 to 50 megapixels, within 2 %', () => {
    for (const shape of [1.5, 1, 0.75, 16 / 9])
      for (const angleDeg of [0, -30, 45]) {
        const shares = [1, 4, 12, 24, 50].map((mega) => {
          const heightPx = Math.round(Math.sqrt((mega * 1e6) / shape));
          const widthPx = Math.round(heightPx * shape);
          const { spots, widthPx: w, heightPx: h } = veilLayout({ widthPx, heightPx }, 0.3, veil({ angleDeg }));
          return (spots.length * w * h) / (widthPx * heightPx);
        });
        expect(Math.max(...shares) / Math.min(...shares)).toBeLessThan(1.02);
      }
  });
  it('leaves out what the edge would cut where it is to be whole, and nothing else', () => {
    const photo = { widthPx: 1500, heightPx: 1000 };
    const bled = veilLayout(photo, 0.4, veil());
    const whole = veilLayout(photo, 0.4, veil({ whole: true }));
    const kept = new Set(whole.spots.map(({ row, column }) => `${row} ${column}`));
    const turn = (-30 * Math.PI) / 180;
    for (const { x, y, row, column } of bled.spots) {
      const corners = [-1, 1].flatMap((i) =>
        [-1, 1].map((j) => {
          const [a, b] = [(i * bled.widthPx) / 2, (j * bled.heightPx) / 2];
          return [x + a * Math.cos(turn) - b * Math.sin(turn), y + a * Math.sin(turn) + b * Math.cos(turn)] as const;
        }),
      );
      const inside = corners.every(([px, py]) => px >= -1e-6 && py >= -1e-6 && px <= 1500 + 1e-6 && py <= 1000 + 1e-6);
      expect(kept.has(`${row} ${column}`)).toBe(inside);
    }
  });
  it('strays no farther than it is let, and never into a neighbor', () => {
    const photo = { widthPx: 1500, heightPx: 1000 };
    const even = new Map(veilLayout(photo, 0.4, veil()).spots.map((spot) => [`${spot.row} ${spot.column}`, spot]));
    const strayed = veilLayout(photo, 0.4, veil({ jitterPercent: 50 }));
    let moved = 0;
    for (const spot of strayed.spots) {
      const from = even.get(`${spot.row} ${spot.column}`);
      if (!from) continue;
      const far = Math.hypot(spot.x - from.x, spot.y - from.y);
      moved = Math.max(moved, far);
      expect(far).toBeLessThanOrEqual(Math.hypot(strayed.acrossPx - strayed.widthPx, strayed.downPx - strayed.heightPx) / 4 + 1e-6);
    }
    expect(moved).toBeGreaterThan(1);
  });
});

describe('a stamp', () => {
  it('keeps its margin at every anchor and turn, told from its corners', () => {
    const photo = { widthPx: 3000, heightPx: 2000 };
    const ink = { left: 10, top: 20, right: 310, bottom: 120 };
    for (const anchor of ['top-left', 'top', 'top-right', 'left', 'center', 'right', 'bottom-left', 'bottom', 'bottom-right'] as const)
      for (const turnDeg of [0, 17, 90, -45]) {
        const place = stampPlace(photo, ink, { ...startStamp('s', 'm'), anchor, turnDeg, sizePercent: 30, marginPercent: 4 });
        expect(Math.max(place.widthPx, place.heightPx)).toBeCloseTo(600, 6);
        const turn = (turnDeg * Math.PI) / 180;
        const xs: number[] = [];
        const ys: number[] = [];
        for (const i of [-0.5, 0.5])
          for (const j of [-0.5, 0.5]) {
            xs.push(place.centerX + i * place.widthPx * Math.cos(turn) - j * place.heightPx * Math.sin(turn));
            ys.push(place.centerY + i * place.widthPx * Math.sin(turn) + j * place.heightPx * Math.cos(turn));
          }
        if (anchor.endsWith('left')) expect(Math.min(...xs)).toBeCloseTo(80, 6);
        if (anchor.endsWith('right')) expect(Math.max(...xs)).toBeCloseTo(2920, 6);
        if (anchor.startsWith('top')) expect(Math.min(...ys)).toBeCloseTo(80, 6);
        if (anchor.startsWith('bottom')) expect(Math.max(...ys)).toBeCloseTo(1920, 6);
        if (anchor === 'center') expect([place.centerX, place.centerY]).toEqual([1500, 1000]);
      }
  });
});
