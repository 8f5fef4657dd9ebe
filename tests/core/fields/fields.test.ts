import { describe, expect, it } from 'vitest';
import {
  boundsOf,
  coverageOf,
  gridOver,
  levelsOf,
  PathPen,
  softCoverage,
  ownTexture,
  ownTextureSchema,
  softGrid,
  TEXTURE_NAMES,
  textureFrom,
  textureOf,
  wornRegion,
  type Region,
  type Wear,
} from '$core/index';
import { oneInEvery } from '../../support/deep';
import { areaOf } from '../../support/drawn-mark';

const box = (left: number, top: number, right: number, bottom: number): Region => ({
  path: new PathPen().move(left, top).line(right, top).line(right, bottom).line(left, bottom).close().path(),
  rule: 'nonzero',
});
/** The normal distribution's share below x. @source M. Abramowitz, I. Stegun, "Handbook of Mathematical Functions", 7.1.26: error below 1.5e-7 */
function below(x: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(x)) / Math.SQRT2);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp((-x * x) / 2);
  return x >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}

describe('how much of each cell is covered', () => {
  it('adds up to the area, within 0.2 %, whatever the grid', () => {
    const ring: Region = { path: { verbs: box(0, 0, 100, 60).path.verbs, coords: box(3.3, 7.7, 91.9, 55.1).path.coords }, rule: 'nonzero' };
    for (const cells of [40, 97, 160]) {
      const grid = gridOver({ left: 0, top: 0, right: 100, bottom: 60 }, cells);
      const sum = coverageOf(ring, grid).reduce((total, share) => total + share, 0) * grid.cell * grid.cell;
      expect(Math.abs(sum / ((91.9 - 3.3) * (55.1 - 7.7)) - 1)).toBeLessThan(0.002 + 0.5 / cells / 4);
    }
  });
});

describe('a softened field', () => {
  it.each([3, 8, 20])(
    'is the product of two normal distributions over a rectangle, within 1 of 255 on average, at a deviation of %i',
    (sigma) => {
      // The convolution of a rectangle with a Gaussian, in closed form.
      const exact = (x: number, y: number) =>
        (below((x - 20) / sigma) - below((x - 120) / sigma)) * (below((y - 30) / sigma) - below((y - 90) / sigma));
      const grid = softGrid({ left: 20 - 3 * sigma, top: 30 - 3 * sigma, right: 120 + 3 * sigma, bottom: 90 + 3 * sigma }, sigma);
      const soft = softCoverage(box(20, 30, 120, 90), grid, sigma);
      let [sum, worst] = [0, 0];
      soft.forEach((value, at) => {
        const [x, y] = [grid.left + ((at % grid.columns) + 0.5) * grid.cell, grid.top + (Math.floor(at / grid.columns) + 0.5) * grid.cell];
        const off = Math.abs(value - exact(x, y)) * 255;
        sum += off;
        worst = Math.max(worst, off);
      });
      expect(sum / soft.length).toBeLessThan(1);
      expect(worst).toBeLessThan(9);
    },
  );
});

describe('a soft tone as areas', () => {
  it('is as opaque as the field to half a level, and lies within what it was given', () => {
    const sigma = 6;
    const grid = softGrid({ left: -20, top: -20, right: 120, bottom: 80 }, sigma);
    const soft = softCoverage(box(0, 0, 100, 60), grid, sigma);
    const levels = levelsOf(soft, grid, 20, 0.8);
    // Painted one over the other, asked cell by cell.
    const clear = new Float32Array(soft.length).fill(1);
    for (const { region, opacity } of levels)
      coverageOf(region, grid).forEach((share, at) => (clear[at] = (clear[at] as number) * (1 - opacity * share)));
    let sum = 0;
    soft.forEach((value, at) => (sum += Math.abs(1 - (clear[at] as number) - 0.8 * value)));
    expect(sum / soft.length).toBeLessThan(0.8 / 40);
    levels.slice(1).forEach(({ region }, n) => {
      const [inner, outer] = [boundsOf(region.path), boundsOf((levels[n] as (typeof levels)[number]).region.path)];
      expect(inner && outer && inner.left >= outer.left - 0.5 && inner.right <= outer.right + 0.5).toBe(true);
    });
  });
});

describe('textures of wear', () => {
  const wear = (more: Partial<Wear> = {}): Wear => ({
    texture: textureOf('worn'),
    amount: 0.25,
    grain: 5,
    turnDeg: 0,
    seed: 3,
    keep: 0,
    ...more,
  });
  const sheet = box(0, 0, 220, 140);
  const taken = (of: Wear, area = sheet) => {
    const worn = wornRegion(area, of);
    const grid = gridOver({ left: 0, top: 0, right: 220, bottom: 140 }, 600);
    const [all, off] = [coverageOf(area, grid), coverageOf(worn, grid)];
    return all.reduce((sum, share, at) => sum + Math.min(share, off[at] as number), 0) / all.reduce((sum, share) => sum + share, 0);
  };
  it.each(TEXTURE_NAMES)(
    '%s takes the share that is asked for, to three in a hundred, the same again for its seed and another for another',
    (name) => {
      const texture = textureOf(name);
      for (const amount of oneInEvery(2, [0.4, 0.1])) expect(Math.abs(taken(wear({ texture, amount })) - amount)).toBeLessThan(0.03);
      const [one, again, other] = [wear({ texture }), wear({ texture }), wear({ texture, seed: 4 })].map(
        (each) => wornRegion(sheet, each).path,
      );
      expect(again).toEqual(one);
      expect(other?.coords).not.toEqual(one?.coords);
    },
  );
  it('of one’s own are worn where their picture is dark, or light, in the share that is asked for, mirrored beyond their edges', () => {
    // Left half black, right half white, a grain a cell: 40 grains of 5 px are 200 px wide, and the rest of the sheet is the picture again, mirrored.
    const tones = Uint8Array.from({ length: 40 * 20 }, (_, at) => (at % 40 < 20 ? 20 : 240));
    const own = ownTexture('torn.png', 40, 20, tones);
    if (!own) throw new Error('no texture');
    const left = box(0, 0, 100, 140);
    const shareLeft = (of: Wear) => areaOf([wornRegion(left, of)]) / 14000;
    for (const amount of [0.2, 0.4]) {
      expect(Math.abs(taken(wear({ texture: textureFrom(own), amount, seed: 0 })) - amount)).toBeLessThan(0.03);
      expect(Math.abs(taken(wear({ texture: textureFrom({ ...own, light: true }), amount, seed: 0 })) - amount)).toBeLessThan(0.03);
    }
    // What is asked for fits into the dark half: nothing of the light one is touched, and the other way around.
    const right = box(105, 0, 195, 140);
    const grid = gridOver({ left: 0, top: 0, right: 220, bottom: 140 }, 440);
    const inside = (of: Wear, place: Region) => {
      const [there, off] = [coverageOf(place, grid), coverageOf(wornRegion(sheet, of), grid)];
      return there.reduce((sum, share, at) => sum + Math.min(share, off[at] as number), 0);
    };
    expect(inside(wear({ texture: textureFrom(own), amount: 0.3, seed: 0 }), right)).toBeLessThan(5);
    expect(inside(wear({ texture: textureFrom({ ...own, light: true }), amount: 0.3, seed: 0 }), box(5, 0, 95, 140))).toBeLessThan(5);
    expect(shareLeft(wear({ texture: textureFrom(own), amount: 1 }))).toBeGreaterThan(0.99);
    expect(wornRegion(sheet, wear({ texture: textureFrom(own), seed: 9 })).path).not.toEqual(
      wornRegion(sheet, wear({ texture: textureFrom(own), seed: 0 })).path,
    );
  });
  it('of one’s own are refused where they are of one tone, or not what they say', () => {
    expect(ownTexture('white', 1, 1, Uint8Array.of(255))).toBeUndefined();
    expect(ownTexture('noise of a scanner', 2, 2, Uint8Array.of(250, 252, 251, 253))).toBeUndefined();
    const own = ownTexture('  ', 2, 1, Uint8Array.of(0, 255));
    expect(own).toMatchObject({ name: 'texture', columns: 2, rows: 1 });
    for (const wrong of [{ columns: 3 }, { columns: 161 }, { tones: '!!' }, { tones: '' }, { light: false }])
      expect(ownTextureSchema.safeParse({ ...own, ...wrong }).success, JSON.stringify(wrong)).toBe(false);
  });
  it('takes nothing at 0 and everything at 100 %', () => {
    expect(wornRegion(sheet, wear({ amount: 0 })).path.verbs).toBe('');
    expect(taken(wear({ amount: 1 }))).toBeGreaterThan(0.995);
  });
  it('spares strokes that are thinner than it may touch', () => {
    const thin = box(0, 0, 220, 4);
    const both: Region = {
      path: {
        verbs: thin.path.verbs + box(0, 40, 220, 140).path.verbs,
        coords: [...thin.path.coords, ...box(0, 40, 220, 140).path.coords],
      },
      rule: 'nonzero',
    };
    const worn = wornRegion(both, wear({ amount: 0.3, keep: 10 }));
    const grid = gridOver({ left: 0, top: 0, right: 220, bottom: 140 }, 440);
    const [stroke, off] = [coverageOf(thin, grid), coverageOf(worn, grid)];
    const lost =
      stroke.reduce((sum, share, at) => sum + Math.min(share, off[at] as number), 0) / stroke.reduce((sum, share) => sum + share, 0);
    expect(lost).toBeLessThan(0.01);
    expect(areaOf([worn])).toBeGreaterThan(3000);
  });
  it('holds for areas of nothing, of a pixel, and of grains far larger and smaller than it', () => {
    expect(wornRegion({ path: new PathPen().path(), rule: 'nonzero' }, wear()).path.verbs).toBe('');
    for (const grain of [0.5, 2000])
      for (const area of [box(0, 0, 1, 1), sheet]) expect(() => wornRegion(area, wear({ grain }))).not.toThrow();
  });
});
