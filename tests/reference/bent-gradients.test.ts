import { Resvg } from '@resvg/resvg-js';
import { areaPathsD, FillRule, unionD } from 'clipper2-ts';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { distanceThrough } from '$core/fields';
import { dress, flatten, newTreatment, outlinesIn, RECIPE_VERSION, STARTING_PALETTE, toSvg, type Recipe } from '$core/index';
import { letteringInput, partOf } from '../support/drawn-mark';
import { shelfOf } from '../support/fonts';
import { resolverOf } from '../support/resolver';
import { byLibrsvg } from '../support/second-renderer';

const { resolve } = resolverOf(await shelfOf('jost'));
const draw = (input: object, dressing: 'full' | 'black' = 'full') => {
  const recipe: Recipe = { version: RECIPE_VERSION, parts: [partOf(input as Parameters<typeof partOf>[0])] };
  const mark = resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, dressing) });
  if (!mark.ink) throw new Error('nothing is drawn');
  return { ...mark, ink: mark.ink };
};
const [FROM, TO] = [
  [208, 48, 32],
  [32, 64, 224],
] as const;
const STOPS = [
  { atPercent: 0, opacityPercent: 100, paint: { hex: '#d03020' } },
  { atPercent: 100, opacityPercent: 100, paint: { hex: '#2040e0' } },
];
const gradient = (more: object) => newTreatment('gradient', 'g', { stops: STOPS, ...more });

const SIDE = 400;
/** Both renderers' pixels. */
const shown = (svg: string): readonly Uint8Array[] => [
  PNG.sync.read(new Resvg(svg, { fitTo: { mode: 'width', value: SIDE } }).render().asPng()).data,
  byLibrsvg(svg, SIDE, SIDE).data,
];

/** How far pixels are from the colors that a share of the way says, where they are whole; away from a rim. @param shareAt nothing where it is not asked */
function off(pixels: Uint8Array, shareAt: (x: number, y: number) => number | undefined) {
  const by: number[] = [];
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++) {
      const at = (y * SIDE + x) * 4;
      const share = shareAt((x + 0.5) / SIDE, (y + 0.5) / SIDE);
      if (share === undefined || pixels[at + 3] !== 255) continue;
      for (let channel = 0; channel < 3; channel++)
        by.push(
          Math.abs(
            (pixels[at + channel] as number) -
              ((FROM[channel] as number) + ((TO[channel] as number) - (FROM[channel] as number)) * Math.min(1, Math.max(0, share))),
          ),
        );
    }
  by.sort((one, other) => one - other);
  return {
    count: by.length,
    mean: by.reduce((sum, value) => sum + value, 0) / by.length,
    p99: by[Math.floor(by.length * 0.99)] as number,
  };
}

const panel = (treatment: object, widthPx = 200, heightPx = 200) => ({
  kind: 'shape',
  id: 'it',
  form: { form: 'panel', widthPx, heightPx, cornerPx: 0 },
  treatments: [treatment],
});
const ring = (treatment: object) => ({
  kind: 'shape',
  id: 'it',
  form: { form: 'ring', widthPx: 200, heightPx: 200, bandPx: 18 },
  treatments: [treatment],
});

describe('a gradient that bends', () => {
  it('runs around a middle as the angle says, by two renderers', () => {
    // Toward the right, then clockwise on screen.
    const { drawing, ink } = draw(panel(gradient({ form: 'around', fromX: 50, fromY: 50, toX: 100, toY: 50 })));
    for (const pixels of shown(toSvg(drawing, { title: 'Around', box: ink }))) {
      const { mean, p99, count } = off(pixels, (x, y) => {
        const [dx, dy] = [x - 0.5, y - 0.5];
        const angle = Math.atan2(dy, dx);
        const share = (angle < 0 ? angle + 2 * Math.PI : angle) / (2 * Math.PI);
        // Where the last color meets the first, a pixel may be either.
        return Math.hypot(dx, dy) < 0.04 || (Math.abs(dy) < 0.01 && dx > 0) ? undefined : share;
      });
      expect(count).toBeGreaterThan(400_000);
      expect(mean).toBeLessThan(1);
      expect(p99).toBeLessThan(3);
    }
  });

  it('runs along a bar as a straight one does, and along a ring as the angle says, both ways', () => {
    const bar = draw(panel(gradient({ form: 'along', fromX: 0, fromY: 50, toX: 100, toY: 50 }), 200, 200));
    for (const pixels of shown(toSvg(bar.drawing, { title: 'Along', box: bar.ink }))) {
      // From a place on one side to one on the other: on the straight way between them the share of the way.
      const { mean, p99 } = off(pixels, (x, y) => (Math.abs(y - 0.5) < 0.02 ? x : undefined));
      expect(mean).toBeLessThan(4);
      expect(p99).toBeLessThan(10);
    }
    const round = draw(ring(gradient({ form: 'along', fromX: 50, fromY: 0, toX: 50, toY: 100 })));
    for (const pixels of shown(toSvg(round.drawing, { title: 'Along', box: round.ink }))) {
      const { mean, p99, count } = off(pixels, (x, y) => Math.abs(Math.atan2(x - 0.5, 0.5 - y)) / Math.PI);
      expect(count).toBeGreaterThan(50_000);
      expect(mean).toBeLessThan(4);
      expect(p99).toBeLessThan(14);
    }
  });

  it.each(['around', 'along'] as const)('%s leaves every letter as large as it was, opaque or not, and whole in one color', (form) => {
    const plain = draw(letteringInput({ text: 'Robin & Öx' }));
    const areaOf = (mark: typeof plain) => {
      const rings = outlinesIn(mark.drawing.groups).flatMap(({ path, rule }) => {
        const own = unionD(flatten(path, 0.02) as never, rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero);
        return own;
      });
      return Math.abs(areaPathsD(unionD(rings, FillRule.NonZero)));
    };
    for (const over of ['whole', 'each'])
      for (const opacityPercent of [100, 40]) {
        const stops = [{ ...STOPS[0], opacityPercent }, STOPS[1]];
        const run = draw(letteringInput({ text: 'Robin & Öx', treatments: [gradient({ form, over, stops })] }));
        expect(Math.abs(areaOf(run) / areaOf(plain) - 1), `${over} at ${opacityPercent} %`).toBeLessThan(0.002);
      }
    const [black, whole] = [
      letteringInput({ text: 'Robin & Öx', treatments: [gradient({ form })] }),
      letteringInput({ text: 'Robin & Öx' }),
    ].map((input) => {
      const mark = draw(input, 'black');
      return shown(toSvg(mark.drawing, { title: 'Black', box: plain.ink, background: '#ffffff' } as never))[0] as Uint8Array;
    }) as [Uint8Array, Uint8Array];
    let sum = 0;
    for (let at = 3; at < black.length; at += 4) sum += Math.abs((black[at] as number) - (whole[at] as number));
    // Rims that two pieces share are a little bolder; nothing else is.
    expect(sum / (black.length / 4)).toBeLessThan(1.5);
  });

  it('finds ways through what is inside alone, as long as geometry says', () => {
    const side = 120;
    const open = new Uint8Array(side * side).fill(1);
    const far = distanceThrough(open, side, side, 10 * side + 10);
    for (const [x, y] of [
      [110, 10],
      [110, 110],
      [60, 100],
    ] as const)
      expect(Math.abs((far[y * side + x] as number) - Math.hypot(x - 10, y - 10))).toBeLessThan(1.6);
    // A wall from above, open below row 90: around its lower end.
    const walled = Uint8Array.from(open, (_, cell) => (cell % side >= 58 && cell % side <= 61 && Math.floor(cell / side) < 90 ? 0 : 1));
    const around = distanceThrough(walled, side, side, 20 * side + 20);
    const way = Math.hypot(57.5 - 20, 89.5 - 20) + 4 + Math.hypot(100 - 61.5, 89.5 - 20);
    expect(Math.abs((around[20 * side + 100] as number) / way - 1)).toBeLessThan(0.025);
    const closed = Uint8Array.from(open, (_, cell) => (cell % side === 60 ? 0 : 1));
    expect(distanceThrough(closed, side, side, 0)[100]).toBe(Infinity);
  });
});
