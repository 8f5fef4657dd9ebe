import { Resvg } from '@resvg/resvg-js';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  boundsOf,
  isSafe,
  joinPaths,
  mapPath,
  outlineOf,
  outlinesIn,
  pathData,
  silhouetteOf,
  smallestMadeMm,
  smallestSafePx,
  startOf,
  survivalAt,
  weakAtAddress,
  weakAtFrom,
  weakAtMm,
  weakAtPx,
  weakAtText,
  weakPlaces,
  type Bounds,
  type Form,
  type Region,
  type ResolvedMark,
} from '$core/index';
import { drawnOn } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { paths } from '../../support/resolver';

const boxOf = (area: Region): Bounds => boundsOf(area.path) ?? { left: 0, right: 1, top: 0, bottom: 1 };
const measured = (area: Region) => silhouetteOf(area, boxOf(area), paths);
const welded = (...regions: readonly Region[]): Region => paths.weld(regions);
const panel = (widthPx: number, heightPx: number, x = 0, y = 0): Region => ({
  path: mapPath(outlineOf({ ...startOf('panel'), widthPx, heightPx, cornerPx: 0 } as Form), { a: 1, b: 0, c: 0, d: 1, e: x, f: y }),
  rule: 'nonzero',
});

describe('what is left of a mark when it is small', () => {
  it('a bar is safe from the size at which it is half a pixel thick (arithmetic)', () => {
    const bar = measured(welded(panel(400, 4)));
    expect(Math.abs(smallestSafePx(bar) - 50)).toBeLessThanOrEqual(1);
    expect(survivalAt(bar, 51).ink).toBeGreaterThan(0.99);
    expect(survivalAt(bar, 49)).toMatchObject({ ink: expect.closeTo(0, 1), pieces: 1, faded: 1 });
  });

  it('one hairline beside a mass does not fail a mark, and the share it takes is told (arithmetic)', () => {
    // A block of 100 × 100 and a hairline of 400 × 1: 10,000 and 400 of ink.
    const mark = measured(welded(panel(100, 100), panel(400, 1, 0, 120)));
    const small = survivalAt(mark, 64);
    expect(small.ink).toBeCloseTo(10_000 / 10_400, 2);
    expect([small.pieces, small.faded]).toEqual([2, 1]);
  });

  it('a light letter on a ground is a counter, and closes when its strokes do', () => {
    const mark = measured(paths.combine('subtract', panel(200, 200), panel(100, 4)));
    expect(survivalAt(mark, 100)).toMatchObject({ counters: 1, closed: 0 });
    expect(survivalAt(mark, 20)).toMatchObject({ counters: 1, closed: 1 });
    expect(isSafe(survivalAt(mark, 20))).toBe(false);
  });

  it('two bars with a tight gap run together (arithmetic)', () => {
    const mark = measured(welded(panel(100, 40), panel(100, 40, 0, 42)));
    expect(survivalAt(mark, 30).white).toBeGreaterThan(0.95);
    expect(survivalAt(mark, 20).white).toBeLessThan(0.8);
  });

  it('the smallest words must stay readable, whatever their strokes', () => {
    const block = measured(welded(panel(400, 200)));
    expect(smallestSafePx(block, 20)).toBe(100);
  });

  it('in a way of making, limits are in mm (arithmetic)', () => {
    expect(smallestMadeMm(measured(welded(panel(400, 4))), { stroke: 0.35, gap: 0.35 })).toBeCloseTo(35, 0);
  });

  it('tells what is round', () => {
    const form = (name: 'disk' | 'panel' | 'star') =>
      measured(welded({ path: outlineOf({ ...startOf(name), widthPx: 100, heightPx: 100 } as Form), rule: 'nonzero' }));
    expect([form('disk').isRound, form('panel').isRound]).toEqual([true, false]);
  });
});

/** An area as a grid of cells, drawn by another program (resvg), with room around. */
function raster(
  area: Region,
  longer: number,
): { readonly cells: Uint8Array; readonly wide: number; readonly high: number; readonly perUnit: number } {
  const box = boxOf(area);
  const unit = Math.max(box.right - box.left, box.bottom - box.top) / longer;
  const room = 12 * unit;
  const [x, y, w, h] = [box.left - room, box.top - room, box.right - box.left + 2 * room, box.bottom - box.top + 2 * room];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x} ${y} ${w} ${h}" width="${Math.round(w / unit)}" height="${Math.round(h / unit)}"><path fill-rule="${area.rule}" d="${pathData(area.path)}"/></svg>`;
  const { pixels, width, height } = new Resvg(svg).render();
  return {
    cells: Uint8Array.from({ length: width * height }, (_, at) => ((pixels[4 * at + 3] ?? 0) > 127 ? 1 : 0)),
    wide: width,
    high: height,
    perUnit: 1 / unit,
  };
}
/** Share of cells that disks of a radius reach that lie inside: every disk is tried, cell by cell. @source mathematical morphology, "opening" by its definition */
function openedShare({ cells, wide, high }: ReturnType<typeof raster>, radius: number): number {
  const reach = Math.floor(radius);
  const disk: number[] = [];
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++) if (dx * dx + dy * dy <= radius * radius) disk.push(dy * wide + dx);
  const kept = new Uint8Array(cells.length);
  for (let y = reach; y < high - reach; y++)
    for (let x = reach; x < wide - reach; x++) {
      const at = y * wide + x;
      if (cells[at] === 1 && disk.every((step) => cells[at + step] === 1)) for (const step of disk) kept[at + step] = 1;
    }
  const count = (of: Uint8Array) => of.reduce((sum, cell) => sum + cell, 0);
  return count(kept) / count(cells);
}

describe('the share of ink that is drawn, confirmed on a raster by another route', () => {
  let letters: (text: string, family: string) => Region;
  beforeAll(async () => {
    const draw = drawnOn(await shelfOf('jost', 'playfair-display', 'cormorant', 'italiana'));
    letters = (text, family) => {
      const mark: ResolvedMark = draw({ kind: 'lettering', id: 'a', text, font: { family } });
      return paths.weld([{ path: joinPaths(outlinesIn(mark.drawing.groups).map(({ path }) => path)), rule: 'nonzero' }]);
    };
  });
  it.each([
    ['Harbor', 'jost'],
    ['Harbor', 'playfair-display'],
    ['Quay', 'cormorant'],
    ['SALT', 'italiana'],
  ])('%s in %s', (text, family) => {
    const area = letters(text, family);
    const silhouette = measured(area);
    const grid = raster(area, 900);
    let compared = 0;
    for (const longerPx of [24, 40, 64, 110]) {
      // A stroke of half a pixel, in cells of the raster.
      const radius = (0.25 * 900) / longerPx;
      if (radius < 2) continue;
      compared++;
      const expected = openedShare(grid, radius);
      expect(Math.abs(survivalAt(silhouette, longerPx).ink - expected), `${longerPx} px: ${expected.toFixed(3)}`).toBeLessThan(0.12);
    }
    expect(compared).toBeGreaterThanOrEqual(4);
  });
  it.each([
    ['Harbor', 'jost'],
    ['Harbor', 'playfair-display'],
    ['SALT', 'italiana'],
  ])('at its smallest safe size most of the ink of %s in %s is there, at half of it less', (text, family) => {
    const area = letters(text, family);
    const safe = smallestSafePx(measured(area));
    const grid = raster(area, 1200);
    const at = (longerPx: number) => openedShare(grid, (0.25 * 1200) / longerPx);
    expect(at(safe)).toBeGreaterThan(0.78);
    expect(at(safe / 2)).toBeLessThan(at(safe));
  });
});

describe('where a mark gives way', () => {
  const block = panel(100, 100);
  it('is where its strokes are thinner, and its gaps tighter, than the size leaves (arithmetic)', () => {
    // A block, a hairline of 1 under it, and a second block 2 away from the first.
    const mark = measured(welded(block, panel(400, 1, 0, 120), panel(100, 100, 102, 0)));
    const at = (longerPx: number) => weakPlaces(mark, weakAtPx(longerPx));
    expect(at(1000)).toEqual([]);
    const thin = at(190);
    expect(thin.length).toBeGreaterThan(20);
    for (const { kind, at, widthPx } of thin) {
      expect(kind).toBe('stroke');
      expect(at.y).toBeCloseTo(120, 3);
      expect(widthPx).toBeCloseTo(1, 3);
    }
    // At 90 px half a pixel is 2.2 of 400: the gap closes too.
    const both = at(90);
    const gaps = both.filter(({ kind }) => kind === 'gap');
    expect(gaps.length).toBeGreaterThan(5);
    for (const { at, widthPx } of gaps) {
      expect(at.x).toBeCloseTo(51, 1);
      expect(widthPx).toBeCloseTo(2, 1);
    }
    expect(both.map(({ widthPx }) => widthPx)).toEqual(both.map(({ widthPx }) => widthPx).sort((a, b) => a - b));
  });

  it('takes as much of the outline as the share that fades (two countings of one thing)', () => {
    const mark = measured(welded(block, panel(400, 1, 0, 120)));
    expect(survivalAt(mark, 64).faded > 0).toBe(weakPlaces(mark, weakAtPx(64)).some(({ kind }) => kind === 'stroke'));
    expect(weakPlaces(mark, weakAtMm('embroidery', 40, { stroke: 1, gap: 1 })).some(({ kind }) => kind === 'stroke')).toBe(true);
    expect(weakPlaces(mark, weakAtMm('print', 200, { stroke: 0.1, gap: 0.1 }))).toEqual([]);
  });

  it('is said, and stands in an address; what is no address of it is nothing', () => {
    expect(weakAtText(weakAtPx(32))).toBe('at 32 px');
    for (const look of [weakAtPx(16), weakAtPx(159.9), weakAtMm('vinyl', 60, { stroke: 0.8, gap: 1 })]) {
      const read = weakAtFrom(weakAtAddress(look));
      expect(read?.way).toBe(look.way);
      expect(read?.stroke).toBeCloseTo(look.stroke, 5);
      expect(read?.gap).toBeCloseTo(look.gap, 5);
    }
    for (const junk of [
      null,
      '',
      'screen',
      'screen_0_0',
      'screen_2_2',
      'screen_x_y',
      'loud_0.1_0.1',
      'screen_0.1_0.1_0.1',
      '__proto___0.1_0.1',
    ])
      expect(weakAtFrom(junk)).toBeUndefined();
  });
});
