import { describe, expect, it } from 'vitest';
import {
  artPyramid,
  colorArea,
  composeOnPhoto,
  expect as valueOf,
  grayUnder,
  handleWeights,
  inverse,
  meshMap,
  meshPlace,
  MOST_UV,
  ownGoodsSchema,
  ownScene,
  photoLuminance,
  placeRatio,
  project,
  shiftedByFolds,
  softened,
  squareTo,
  startOwnGoods,
  type OwnGoods,
} from '$core/index';
import { random } from '../../support/random';
import fc from '../../support/properties';

const PHOTO = '0b8f5a52-58a4-4c15-9d9b-2f4a0d6f1a11';
const goodsOf = (change: Partial<OwnGoods> = {}): OwnGoods => ({ ...startOwnGoods(PHOTO, 'Apron', 400, 300), ...change });
const [WIDE, HIGH] = [400, 300];

/** Cloth of one color in soft folds under light from the left, with a little noise. */
function cloth(color: readonly [number, number, number], seed = 7): Uint8Array {
  const next = random(seed);
  const rgb = new Uint8Array(WIDE * HIGH * 3);
  for (let y = 0; y < HIGH; y++)
    for (let x = 0; x < WIDE; x++) {
      const light = 0.75 + 0.3 * Math.sin(x / 9 + Math.sin(y / 40) * 2) * Math.cos(y / 130) + (next() - 0.5) * 0.03;
      for (let k = 0; k < 3; k++) rgb[(y * WIDE + x) * 3 + k] = Math.max(0, Math.min(255, Math.round((color[k] as number) * light)));
    }
  return rgb;
}
const correlation = (a: readonly number[], b: readonly number[]): number => {
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [ma, mb] = [mean(a), mean(b)];
  const sum = (f: (n: number) => number) => a.reduce((total, _, n) => total + f(n), 0);
  return (
    sum((n) => ((a[n] as number) - ma) * ((b[n] as number) - mb)) /
    Math.sqrt(sum((n) => ((a[n] as number) - ma) ** 2) * sum((n) => ((b[n] as number) - mb) ** 2))
  );
};
/** Compared as bytes: nobody wants to read a list of where pictures differ. */
const same = (one: Uint8Array, other: Uint8Array): boolean => Buffer.from(one).equals(Buffer.from(other));
const areas = ownScene('x', goodsOf(), { widthPx: WIDE, heightPx: HIGH, tones: { columns: 0, rows: 0, light: [], busy: [] } }).areas;
const solid = (r: number, g: number, b: number) =>
  artPyramid(
    Uint8Array.from({ length: 64 * 64 * 4 }, (_, at) => [r, g, b, 255][at % 4] as number),
    64,
    64,
  );
const covering = (art: ReturnType<typeof solid>, way: OwnGoods['way'] = 'paint') =>
  [{ area: 1, art, x: 0.5, y: 0.5, width: 0.8, turnDeg: 0, way }] as const;

const corner = (x: number, y: number) =>
  fc.record({ x: fc.double({ min: x - 0.12, max: x + 0.12, noNaN: true }), y: fc.double({ min: y - 0.12, max: y + 0.12, noNaN: true }) });
const cornersOf = fc.tuple(corner(0.3, 0.3), corner(0.7, 0.3), corner(0.7, 0.7), corner(0.3, 0.7));

describe('the place on a photo', () => {
  it('is mapped as the inverse of its corners says, within a quarter of a pixel, where nothing is bent', () => {
    fc.assert(
      fc.property(cornersOf, (corners) => {
        const map = squareTo(corners.map(({ x, y }) => ({ x: x * WIDE, y: y * HIGH })) as never);
        const place = meshMap({ corners, mesh: [] }, WIDE, HIGH);
        expect(place.ok).toBe(map.ok);
        if (!map.ok || !place.ok) return;
        const back = inverse(map.value);
        let farthest = 0;
        let outside = 0;
        for (let at = 0; at < WIDE * HIGH; at += 37) {
          const pixel = { x: (at % WIDE) + 0.5, y: Math.floor(at / WIDE) + 0.5 };
          const { x, y } = project(back, pixel);
          if (place.value.area[at] === 0) {
            outside = Math.max(outside, Math.min(x, y, 1 - x, 1 - y));
            continue;
          }
          const there = project(map.value, {
            x: (place.value.uv[at * 2] as number) / MOST_UV,
            y: (place.value.uv[at * 2 + 1] as number) / MOST_UV,
          });
          farthest = Math.max(farthest, Math.hypot(there.x - pixel.x, there.y - pixel.y));
        }
        expect(farthest).toBeLessThan(0.25);
        expect(outside).toBeLessThan(0.02);
      }),
      { numRuns: 20, endOnFailure: true, seed: 20_261_127 },
    );
  });
  it('runs through each of its sixteen handles where they were pulled', () => {
    fc.assert(
      fc.property(
        cornersOf,
        fc.array(fc.double({ min: -0.05, max: 0.05, noNaN: true }), { minLength: 32, maxLength: 32 }),
        (corners, by) => {
          const mesh = Array.from({ length: 16 }, (_, n) => ({ x: by[n * 2] as number, y: by[n * 2 + 1] as number }));
          const [flat, bent] = [meshPlace({ corners, mesh: [] }, 1, 1), meshPlace({ corners, mesh }, 1, 1)];
          if (!flat.ok || !bent.ok) return;
          mesh.forEach(({ x, y }, n) => {
            const [u, v] = [(n % 4) / 3, Math.floor(n / 4) / 3];
            const [before, after] = [flat.value(u, v), bent.value(u, v)];
            expect(after.x - before.x).toBeCloseTo(x, 9);
            expect(after.y - before.y).toBeCloseTo(y, 9);
          });
        },
      ),
    );
  });
  it('shares weight out among handles so that it adds up to one, and keeps straight what is pulled straight', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (t) => {
        const weights = handleWeights(t);
        expect(weights.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 12);
        expect(weights.reduce((sum, each, n) => sum + (each * n) / 3, 0)).toBeCloseTo(t, 12);
      }),
    );
  });
  it('is refused with a sentence when its corners cross', () => {
    const crossed = goodsOf({
      corners: [
        { x: 0.2, y: 0.2 },
        { x: 0.8, y: 0.8 },
        { x: 0.8, y: 0.2 },
        { x: 0.2, y: 0.8 },
      ],
    });
    const shown = composeOnPhoto(cloth([200, 190, 170]), WIDE, HIGH, crossed, areas, covering(solid(0, 0, 0)));
    expect(!shown.ok && shown.problems[0]?.message).toContain('cross');
  });
  it('takes its height from its sides until it is told', () => {
    expect(placeRatio(goodsOf(), { widthPx: WIDE, heightPx: HIGH })).toBeCloseTo(1, 9);
    expect(placeRatio(goodsOf({ ratio: 2.5 }), { widthPx: WIDE, heightPx: HIGH })).toBe(2.5);
  });
  it('knows how light it is under the place', () => {
    const light = Array.from({ length: 16 }, (_, n) => (n % 4 < 2 ? 20 : 90));
    const tones = { columns: 4, rows: 4, light, busy: light };
    const at = (x: number) =>
      [
        { x, y: 0.1 },
        { x: x + 0.4, y: 0.1 },
        { x: x + 0.4, y: 0.9 },
        { x, y: 0.9 },
      ] as unknown as OwnGoods['corners'];
    // L* 20 is about #303030, L* 90 about #e2e2e2 (CIE 15 through sRGB).
    expect(grayUnder(tones, at(0.05))).toBe('#303030');
    expect(grayUnder(tones, at(0.55))).toBe('#e2e2e2');
  });
});

describe('a mark on a photo', () => {
  it('leaves every byte of the photo beside it as it was', () => {
    const photo = cloth([180, 60, 60]);
    const shown = valueOf(composeOnPhoto(photo, WIDE, HIGH, goodsOf(), areas, covering(solid(255, 255, 255))));
    const place = valueOf(meshMap(goodsOf(), WIDE, HIGH));
    let [changed, strayed] = [0, 0];
    shown.forEach((part, n) => {
      if (part === photo[n]) return;
      if (place.area[Math.floor(n / 3)] === 0) strayed++;
      else changed++;
    });
    expect(strayed).toBe(0);
    expect(changed).toBeGreaterThan(10_000);
    expect(same(valueOf(composeOnPhoto(photo, WIDE, HIGH, goodsOf(), areas, [])), photo)).toBe(true);
  });
  it.each([
    ['light on dark cloth', [40, 44, 60], [245, 240, 230]],
    ['dark on light cloth', [225, 220, 205], [30, 40, 60]],
    ['a color on another', [60, 110, 80], [230, 170, 50]],
  ] as const)('keeps the folds of a photo never seen before, correlated at 0.9 or more: %s', (_, color, ink) => {
    const photo = cloth(color, 11);
    for (const way of ['paint', 'cloth', 'paper'] as const) {
      const shown = valueOf(composeOnPhoto(photo, WIDE, HIGH, goodsOf(), areas, covering(solid(ink[0], ink[1], ink[2]), way)));
      const [bare, marked] = [photoLuminance(photo), photoLuminance(shown)];
      const within = Array.from({ length: WIDE * HIGH }, (__, at) => at).filter((at) => {
        const [x, y] = [at % WIDE, Math.floor(at / WIDE)];
        return x > 145 && x < 255 && y > 95 && y < 205;
      });
      expect(
        correlation(
          within.map((at) => bare[at] as number),
          within.map((at) => marked[at] as number),
        ),
      ).toBeGreaterThan(0.9);
    }
  });
  it('shifts along folds, the other way under light from the other side, and stays where there are none', () => {
    const flat = valueOf(meshMap(goodsOf(), WIDE, HIGH));
    const luminance = photoLuminance(cloth([200, 200, 200]));
    const moved = (goods: OwnGoods, lum = luminance) => {
      const { uv } = shiftedByFolds(flat, lum, goods);
      return Array.from({ length: WIDE * HIGH }, (_, at) => (uv[at * 2] as number) - (flat.uv[at * 2] as number));
    };
    const left = moved(goodsOf({ folds: 10 }));
    const right = moved(goodsOf({ folds: 10, light: 'right' }));
    // A thousandth of the width is 0.4 px here; the place is 150 px wide.
    const farthest = Math.max(...left.map(Math.abs)) / (MOST_UV / 150);
    expect(farthest).toBeGreaterThan(0.5);
    expect(farthest).toBeLessThan(4.2);
    expect(correlation(left, right)).toBeLessThan(-0.98);
    expect(moved(goodsOf({ folds: 0 })).every((each) => each === 0)).toBe(true);
    expect(moved(goodsOf({ folds: 20 }), new Float32Array(WIDE * HIGH).fill(0.4)).every((each) => each === 0)).toBe(true);
  });
});

describe('cloth in another color', () => {
  const photo = cloth([205, 200, 190]);
  // A red patch on it that must stay.
  for (let y = 40; y < 90; y++) for (let x = 40; x < 100; x++) photo.set([180, 30, 40], (y * WIDE + x) * 3);
  const goods = goodsOf({ cloth: { at: [{ x: 0.6, y: 0.6 }], spread: 1, color: '#225577' } });
  const shown = valueOf(composeOnPhoto(photo, WIDE, HIGH, goods, areas, [], '#225577'));
  it('covers what is alike, to 98 of 100 pixels, and leaves what is not', () => {
    const within = colorArea(photo, WIDE, HIGH, [{ x: 0.6, y: 0.6 }], 1);
    let [cloths, patch] = [0, 0];
    within.forEach((share, at) => {
      const [x, y] = [at % WIDE, Math.floor(at / WIDE)];
      const inPatch = x >= 42 && x < 98 && y >= 42 && y < 88;
      if (inPatch) patch += share;
      else if (x < 36 || x > 104 || y < 36 || y > 94) cloths += share;
    });
    expect(patch).toBeLessThan(0.01 * 56 * 46);
    expect(cloths / (WIDE * HIGH - 68 * 58)).toBeGreaterThan(0.98);
  });
  it('keeps its folds: light before and after go together at 0.97 or more', () => {
    const [before, after] = [photoLuminance(photo), photoLuminance(shown)];
    const at = Array.from({ length: 4000 }, (_, n) => n * 29).filter((n) => n % WIDE > 110);
    expect(
      correlation(
        at.map((n) => before[n] as number),
        at.map((n) => after[n] as number),
      ),
    ).toBeGreaterThan(0.97);
  });
  it('does nothing where the photo was not clicked, or beside it', () => {
    const beside = { ...goods, cloth: { at: [{ x: 1.4, y: 0.5 }], spread: 1, color: '#225577' as const } };
    expect(same(valueOf(composeOnPhoto(photo, WIDE, HIGH, beside, areas, [], '#225577')), photo)).toBe(true);
  });
});

describe('a soft copy', () => {
  it('comes within 9 % of the peak of a Gaussian', () => {
    const side = 121;
    const values = new Float32Array(side * side);
    values[60 * side + 60] = 1;
    for (const sigma of [2, 5, 9]) {
      const soft = softened(values, side, side, sigma);
      const peak = 1 / (2 * Math.PI * sigma * sigma);
      for (let x = 60; x < 60 + 2 * sigma; x++) {
        const exact = peak * Math.exp(-((x - 60) ** 2) / (2 * sigma * sigma));
        expect(Math.abs((soft[60 * side + x] as number) - exact) / peak).toBeLessThan(0.09);
      }
      expect(soft.reduce((sum, value) => sum + value, 0)).toBeCloseTo(1, 4);
    }
  });
});

describe('what is stored of own goods', () => {
  it('is read with what it leaves out, and refused where it cannot be', () => {
    const { photo, label, corners } = goodsOf();
    expect(ownGoodsSchema.parse({ photo, label, corners })).toMatchObject({ folds: 8, light: 'left', way: 'cloth', mesh: [] });
    for (const wrong of [
      { label: ' ' },
      { photo: 'x' },
      { corners: corners.slice(1) },
      { folds: 21 },
      { mesh: [{ x: 0, y: 0 }] },
      { more: 1 },
    ])
      expect(ownGoodsSchema.safeParse({ photo, label, corners, ...wrong }).success).toBe(false);
  });
});
