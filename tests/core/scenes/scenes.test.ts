import { describe, expect, it } from 'vitest';
import { artPyramid, composeScene, inverse, MOST_LIGHT, MOST_UV, project, squareTo, type Corner, type UvMap } from '$core/index';
import { random } from '../../support/random';
import fc from '../../support/properties';

const encode = (light: number): number => {
  const part = Math.min(1, light / MOST_LIGHT);
  return Math.round(255 * (part <= 0.0031308 ? part * 12.92 : 1.055 * part ** (1 / 2.4) - 0.055));
};

/** Four corners by solving the eight equations themselves, with pivots: a second way to the same map. */
function solved(corners: readonly [Corner, Corner, Corner, Corner]): number[] {
  const square = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ] as const;
  const rows = corners.flatMap(({ x, y }, at) => {
    const [u, v] = square[at] as readonly [number, number];
    return [
      [u, v, 1, 0, 0, 0, -u * x, -v * x, x],
      [0, 0, 0, u, v, 1, -u * y, -v * y, y],
    ];
  });
  for (let k = 0; k < 8; k++) {
    let pivot = k;
    for (let r = k; r < 8; r++) if (Math.abs(rows[r]?.[k] ?? 0) > Math.abs(rows[pivot]?.[k] ?? 0)) pivot = r;
    [rows[k], rows[pivot]] = [rows[pivot] as number[], rows[k] as number[]];
    const top = rows[k] as number[];
    for (let r = 0; r < 8; r++) {
      if (r === k) continue;
      const row = rows[r] as number[];
      const factor = (row[k] as number) / (top[k] as number);
      for (let c = k; c < 9; c++) row[c] = (row[c] as number) - factor * (top[c] as number);
    }
  }
  return [...rows.map((row, k) => (row[8] as number) / (row[k] as number)), 1];
}

const corner = (x: number, y: number, reach: number) =>
  fc.record({
    x: fc.double({ min: x - reach, max: x + reach, noNaN: true }),
    y: fc.double({ min: y - reach, max: y + reach, noNaN: true }),
  });

describe('four corners', () => {
  it('give the map that solving its equations gives, within 1e-9, and land where they were put', () => {
    fc.assert(
      fc.property(fc.tuple(corner(0, 0, 0.25), corner(1, 0, 0.25), corner(1, 1, 0.25), corner(0, 1, 0.25)), (corners) => {
        const map = squareTo(corners);
        if (!map.ok) return;
        solved(corners).forEach((value, at) => expect(Math.abs(value - (map.value[at] as number))).toBeLessThan(1e-9));
        [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ].forEach(([x = 0, y = 0], at) => {
          const put = project(map.value, { x, y });
          expect(Math.hypot(put.x - (corners[at]?.x ?? 0), put.y - (corners[at]?.y ?? 0)) * 2000).toBeLessThan(0.01);
        });
        const back = project(inverse(map.value), project(map.value, { x: 0.3, y: 0.7 }));
        expect(Math.hypot(back.x - 0.3, back.y - 0.7)).toBeLessThan(1e-9);
      }),
      { numRuns: 500 },
    );
  });
  it('are refused in a bow-tie or folded inwards', () => {
    const bow = squareTo([
      { x: 0, y: 0 },
      { x: 1, y: 1 },
      { x: 1, y: 0 },
      { x: 0, y: 1 },
    ]);
    expect(bow.ok).toBe(false);
    expect(!bow.ok && bow.problems[0]?.message).toContain('cross');
    expect(
      squareTo([
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 0.2, y: 0.2 },
        { x: 0, y: 1 },
      ]).ok,
    ).toBe(false);
  });
});

/** A sheet seen straight on, all of it one print area. */
const straight = (side: number): UvMap => ({
  widthPx: side,
  heightPx: side,
  area: new Uint8Array(side * side).fill(1),
  uv: Uint16Array.from({ length: side * side * 2 }, (_, at) => {
    const pixel = at >> 1;
    return Math.round(((((at & 1 ? Math.floor(pixel / side) : pixel % side) + 0.5) / side) * MOST_UV) as number);
  }),
});
const facts = { areas: [{ name: 'sheet', widthMm: 100, heightMm: 100 }] };
const even = (side: number, light: number) => new Uint8Array(side * side * 3).fill(encode(light));

describe('a mark on goods', () => {
  it('leaves goods without a mark what they are: rest and print times their color, in linear light', () => {
    const out = composeScene({ rest: even(16, 0.05), print: even(16, 0.4), map: straight(16) }, facts, '#808080', []);
    // By the published transfer function (IEC 61966-2-1), grain of under one level aside.
    const gray = ((0x80 / 255 + 0.055) / 1.055) ** 2.4;
    const light = 0.05 + 0.4 * gray;
    const wanted = 255 * (1.055 * light ** (1 / 2.4) - 0.055);
    const mean = out.reduce((sum, value) => sum + value, 0) / out.length;
    expect(Math.abs(mean - wanted)).toBeLessThan(1);
  });
  it('shown again in another color, light or place, is what it would be the first time', () => {
    const layersOf = () => ({ rest: even(16, 0.05), print: even(16, 0.4), map: straight(16) });
    const art = artPyramid(
      Uint8Array.from({ length: 16 * 16 * 4 }, (_, at) => [150, 40, 60, 255][at % 4] as number),
      16,
      16,
    );
    const at = (x: number) => [{ area: 1, art, x, y: 0.5, width: 0.3, turnDeg: 0, way: 'paper' as const }];
    const layers = layersOf();
    for (const [tint, x, grain] of [
      ['#808080', 0.3, undefined],
      ['#808080', 0.7, undefined],
      ['#204060', 0.7, undefined],
      ['#204060', 0.7, 0],
      ['#808080', 0.3, undefined],
    ] as const)
      expect(composeScene(layers, facts, tint, at(x), grain)).toEqual(composeScene(layersOf(), facts, tint, at(x), grain));
    const brighter = { ...layers, rest: even(16, 0.3) };
    expect(composeScene(brighter, facts, '#808080', at(0.3))).toEqual(
      composeScene({ ...layersOf(), rest: even(16, 0.3) }, facts, '#808080', at(0.3)),
    );
    // Flat goods are seen as they are, photographed ones have their brightest lights pressed together.
    const bright = { ...layersOf(), print: even(16, 0.9) };
    const photographed = composeScene(bright, facts, '#ffffff', [], 0);
    expect(composeScene(bright, { ...facts, flat: true }, '#ffffff', [], 0)).not.toEqual(photographed);
    expect(composeScene(bright, facts, '#ffffff', [], 0)).toEqual(photographed);
  });
  it('keeps the light that falls on it: shading under the mark goes with the bare goods’', () => {
    const side = 96;
    const print = new Uint8Array(side * side * 3);
    const next = random(2);
    const waves = Array.from({ length: 5 }, () => [next() * 0.2, next() * 0.2, next() * 7] as const);
    for (let at = 0; at < side * side; at++) {
      const [x, y] = [at % side, Math.floor(at / side)];
      const light = 0.35 + 0.25 * Math.sin(waves.reduce((sum, [a, b, c]) => sum + Math.sin(x * a + y * b + c), 0));
      print.fill(encode(light), at * 3, at * 3 + 3);
    }
    const art = artPyramid(
      Uint8Array.from({ length: 64 * 64 * 4 }, (_, at) => [150, 40, 60, 255][at % 4] as number),
      64,
      64,
    );
    const layers = { rest: even(side, 0), print, map: straight(side) };
    const bare = composeScene(layers, facts, '#ffffff', []);
    for (const way of ['paper', 'cloth', 'paint', 'pressed', 'engraved'] as const) {
      const shown = composeScene(layers, facts, '#ffffff', [{ area: 1, art, x: 0.5, y: 0.5, width: 0.9, turnDeg: 0, way }]);
      const pairs: [number, number][] = [];
      for (let y = 20; y < 76; y++)
        for (let x = 20; x < 76; x++) pairs.push([bare[(y * side + x) * 3] as number, shown[(y * side + x) * 3] as number]);
      const mean = (k: 0 | 1) => pairs.reduce((sum, pair) => sum + pair[k], 0) / pairs.length;
      const [ma, mb] = [mean(0), mean(1)];
      const sum = (f: (a: number, b: number) => number) => pairs.reduce((total, [a, b]) => total + f(a - ma, b - mb), 0);
      const correlation = sum((a, b) => a * b) / Math.sqrt(sum((a) => a * a) * sum((_, b) => b * b));
      expect(correlation, way).toBeGreaterThan(0.9);
    }
  });
  // A wheel as marks have them, and one of spokes and rings finer than the pixels that show it.
  it.each([
    { what: 'a mark', ring: 40, spokes: 6, most: 0.5 },
    { what: 'fine lines', ring: 9, spokes: 40, most: 1.5 },
  ])(
    'is as smooth as 8 × 8 taps in every pixel: $what, mean under $most of 255, all but one in a hundred under 10',
    ({ ring: wide, spokes, most }) => {
      const artSide = 512;
      const rgba = new Uint8Array(artSide * artSide * 4);
      for (let y = 0; y < artSide; y++)
        for (let x = 0; x < artSide; x++) {
          const [dx, dy] = [x - 255.5, y - 255.5];
          const ring = Math.floor(Math.hypot(dx, dy) / wide) % 2;
          const spoke = Math.floor((Math.atan2(dy, dx) * spokes) / Math.PI) % 2;
          rgba.set([20, 20, 20, (ring + spoke) % 2 === 0 ? 255 : 0], (y * artSide + x) * 4);
        }
      const art = artPyramid(rgba, artSide, artSide);
      const side = 128;
      const shown = composeScene(
        { rest: even(side, 0), print: even(side, 0.5), map: straight(side) },
        facts,
        '#ffffff',
        [{ area: 1, art, x: 0.5, y: 0.5, width: 0.8, turnDeg: 21, way: 'paint' }],
        0,
      );
      // The reference: every pixel by 64 taps on the art itself.
      const turn = (-21 * Math.PI) / 180;
      const scale = artSide / (0.8 * side);
      // The light as the layer holds it, in 8 bits.
      const falls = ((encode(0.5) / 255 + 0.055) / 1.055) ** 2.4 * MOST_LIGHT;
      const differences: number[] = [];
      for (let y = 0; y < side; y++)
        for (let x = 0; x < side; x++) {
          let [cover, ink] = [0, 0];
          for (let j = 0; j < 8; j++)
            for (let i = 0; i < 8; i++) {
              const [u, v] = [(x + (i + 0.5) / 8 - side / 2) * scale, (y + (j + 0.5) / 8 - side / 2) * scale];
              const [px, py] = [
                u * Math.cos(turn) - v * Math.sin(turn) + artSide / 2 - 0.5,
                u * Math.sin(turn) + v * Math.cos(turn) + artSide / 2 - 0.5,
              ];
              for (const [a, b] of [
                [0, 0],
                [1, 0],
                [0, 1],
                [1, 1],
              ] as const) {
                const [x0, y0] = [Math.floor(px) + a, Math.floor(py) + b];
                if (x0 < 0 || y0 < 0 || x0 >= artSide || y0 >= artSide) continue;
                const share = (1 - Math.abs(px - x0)) * (1 - Math.abs(py - y0));
                const alpha = ((rgba[(y0 * artSide + x0) * 4 + 3] as number) / 255) * share;
                cover += alpha / 64;
                ink += (alpha * ((20 / 255 + 0.055) / 1.055) ** 2.4) / 64;
              }
            }
          const light = falls * (1 - cover + ink);
          const wanted = 255 * (light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055);
          differences.push(Math.abs(Math.round(wanted) - (shown[(y * side + x) * 3] as number)));
        }
      differences.sort((a, b) => a - b);
      const mean = differences.reduce((sum, value) => sum + value, 0) / differences.length;
      expect(differences[Math.floor(differences.length * 0.99)]).toBeLessThan(10);
      expect(mean).toBeLessThan(most);
    },
  );
});
