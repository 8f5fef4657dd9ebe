import { Resvg } from '@resvg/resvg-js';
import { describe, expect, it } from 'vitest';
import {
  builtParts,
  distanceInside,
  dress,
  madeBy,
  EMPTY_RECIPE,
  STARTING_PALETTE,
  toSvg,
  type BuildContext,
  type Palette,
} from '$core/index';
import { casesOf, DEEP } from '../support/deep';
import { shelfOf } from '../support/fonts';
import { paths, resolverOf } from '../support/resolver';

/**
 * Interlocked capitals, read back from the rendered picture of the file: resvg draws it, its pixels are measured. All 676 ordered pairs in six faces
 * of different classes with DEEP=1, a sample of them otherwise.
 */
const FACES = ['great-vibes', 'josefin-sans', 'orbitron'] as const;
const PAIRS_A_FACE = casesOf({ inFull: 676, sample: 2 });
const CAP_PX = 240;

const shelf = await shelfOf(...FACES);
const { resolve } = resolverOf(shelf);
const kept = new Map<string, unknown>();
const remember: BuildContext['remember'] = (key, make) => {
  if (!kept.has(key)) kept.set(key, make());
  return kept.get(key) as ReturnType<typeof make>;
};
const palette: Palette = { ...STARTING_PALETTE, lead: '#ff0000', accent: '#0000ff' };

interface Measured {
  readonly pair: string;
  readonly crossings: number;
  readonly gapShare: number;
  readonly visible: number;
  readonly crumbs: number;
  readonly width: number;
  readonly poor: boolean;
}

/** Pixels of a picture that are of one of two colors, each on its own. */
function inked(svg: string): { readonly masks: readonly [Uint8Array, Uint8Array]; readonly columns: number; readonly rows: number } {
  const picture = new Resvg(svg).render();
  const { width, height, pixels } = picture;
  const masks: [Uint8Array, Uint8Array] = [new Uint8Array(width * height), new Uint8Array(width * height)];
  for (let at = 0; at < width * height; at++) {
    const [red = 0, , blue = 0, alpha = 0] = pixels.subarray(4 * at, 4 * at + 4);
    if (alpha >= 96) (red > blue ? masks[0] : masks[1])[at] = 1;
  }
  return { masks, columns: width, rows: height };
}

/** How many pieces of less than an area there are, corners counted as touching. */
function crumbsIn(mask: Uint8Array, columns: number, least: number): number {
  const seen = new Uint8Array(mask.length);
  let crumbs = 0;
  for (let start = 0; start < mask.length; start++) {
    if (!mask[start] || seen[start]) continue;
    const stack = [start];
    seen[start] = 1;
    let cells = 0;
    for (let cell = stack.pop(); cell !== undefined; cell = stack.pop()) {
      cells++;
      for (const near of [
        cell - 1,
        cell + 1,
        cell - columns,
        cell + columns,
        cell - columns - 1,
        cell - columns + 1,
        cell + columns - 1,
        cell + columns + 1,
      ])
        if (mask[near] && !seen[near]) {
          seen[near] = 1;
          stack.push(near);
        }
    }
    if (cells < least) crumbs++;
  }
  return crumbs;
}

function measure(pair: string, family: string): Measured | undefined {
  const context: BuildContext = { fonts: shelf, paths, remember, heard: { text: pair, font: { family, style: 'normal', axes: {} } } };
  const drawn = (numbers: object) => {
    const all = { sizePx: CAP_PX, firstPaint: { role: 'lead' }, secondPaint: { role: 'accent' }, ...numbers };
    const parts = builtParts(EMPTY_RECIPE, 'built', { builder: 'monogram', numbers: all, follows: null, heard: context.heard }, context);
    if (!parts) return undefined;
    const mark = resolve({ recipe: { ...EMPTY_RECIPE, parts }, sources: new Map(), dress: dress(palette, 'full') });
    return mark.ink ? { parts, mark, ink: mark.ink, ...inked(toSvg(mark.drawing, { box: mark.ink, title: pair })) } : undefined;
  };
  const woven = drawn({ construction: 'interlocked', letters: pair });
  const loose = drawn({ construction: 'beside', letters: pair, gapPercent: 30 });
  if (!woven || !loose) return undefined;
  const combination = woven.parts.find((part) => part.kind === 'combination');
  const gapPx = combination?.kind === 'combination' ? combination.gapPx : 0;
  const crossings = woven.mark.parts.find(({ crossings: found }) => found)?.crossings?.length ?? 0;
  const ground = woven.masks[1].map((ink) => (ink ? 0 : 1));
  const away = distanceInside(ground, woven.columns, woven.rows);
  let nearest = Infinity;
  woven.masks[0].forEach((ink, at) => {
    if (ink) nearest = Math.min(nearest, away[at] as number);
  });
  const sum = (mask: Uint8Array) => mask.reduce((all, ink) => all + ink, 0);
  const letters = woven.parts.filter((part) => part.kind === 'lettering');
  const scales = letters.map((part, index) => {
    const full = loose.parts.filter((each) => each.kind === 'lettering')[index];
    return part.kind === 'lettering' && full?.kind === 'lettering' ? part.sizePx / full.sizePx : 1;
  });
  const visible = Math.min(
    ...([0, 1] as const).map((index) => sum(woven.masks[index]) / (sum(loose.masks[index]) * (scales[index] ?? 1) ** 2)),
  );
  const crumbs = [0, 1].reduce((all, index) => all + crumbsIn(woven.masks[index] as Uint8Array, woven.columns, 0.8 * gapPx * gapPx), 0);
  const beside = loose.ink.right - loose.ink.left - 0.3 * CAP_PX;
  const poor = drawnPoor(pair, context);
  return { pair, crossings, gapShare: nearest / gapPx, visible, crumbs, width: (woven.ink.right - woven.ink.left) / beside, poor };
}

/** Whether the builder says that it is no clean interlock. */
function drawnPoor(pair: string, context: BuildContext): boolean {
  const built = { builder: 'monogram', numbers: { construction: 'interlocked', letters: pair }, heard: context.heard };
  return (madeBy(built, context)?.notices ?? []).some(({ code }) => code === 'poor-interlock');
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

describe('interlocked capitals in the rendered picture', () => {
  const all: Measured[] = [];
  it.each(FACES)(
    'in %s come for every pair, keep their gap and leave no crumbs',
    (family) => {
      for (let index = 0; index < PAIRS_A_FACE; index++) {
        const number = PAIRS_A_FACE === 676 ? index : (index * 131 + FACES.indexOf(family) * 29) % 676;
        const pair = String.fromCharCode(65 + (number % 26), 65 + Math.floor(number / 26));
        // What one pair was searched by is of no use to the next.
        kept.clear();
        const found = measure(pair, family);
        expect(found, pair).toBeDefined();
        if (found) all.push(found);
      }
    },
    2 * 3_600_000,
  );

  it('meet the bars: crossings, gaps, what stays visible, width', () => {
    const share = (of: (each: Measured) => boolean) => all.filter(of).length / all.length;
    if (DEEP)
      console.log(
        JSON.stringify({
          pairs: all.length,
          without: share(({ crossings }) => crossings === 0),
          gap: share(({ gapShare }) => gapShare >= 0.8),
          narrow: all
            .filter(({ gapShare }) => gapShare < 0.8)
            .map(({ pair }) => pair)
            .slice(0, 20),
          visible: median(all.map(({ visible }) => visible)),
          least: Math.min(...all.map(({ visible }) => visible)),
          width: median(all.map(({ width }) => width)),
          crumbs: share(({ crumbs }) => crumbs > 0),
          poor: share(({ poor }) => poor),
        }),
      );
    // Bars of the measured start: pixels, at 240 px of capital height, are a tenth of a gap.
    expect(share(({ crossings }) => crossings === 0)).toBeLessThanOrEqual(0.1);
    expect(share(({ gapShare }) => gapShare >= 0.7)).toBeGreaterThanOrEqual(0.99);
    expect(median(all.map(({ visible }) => visible))).toBeGreaterThanOrEqual(0.88);
    expect(median(all.map(({ width }) => width))).toBeLessThanOrEqual(0.75);
    expect(share(({ crumbs }) => crumbs > 0)).toBeLessThanOrEqual(0.05);
  });
});
