import { Resvg } from '@resvg/resvg-js';
import { describe, expect, it } from 'vitest';
import { pathData } from '$core/index';
import {
  balanced,
  histogramOf,
  otsu,
  START_TRACING,
  tracePicture,
  tracingSchema,
  TRACING_WAYS,
  WAY_NAMES,
  type Pixels,
} from '$core/pictures';
import { DEEP } from '../../support/deep';
import { areaOf } from '../../support/drawn-mark';
import { random } from '../../support/random';

const picture = (columns: number, rows: number, color: (x: number, y: number) => readonly number[]): Pixels => ({
  columns,
  rows,
  rgba: Uint8Array.from({ length: columns * rows * 4 }, (_, index) => {
    const at = Math.floor(index / 4);
    return color(at % columns, Math.floor(at / columns))[index % 4] as number;
  }),
});
const gray = (value: number): readonly number[] => [value, value, value, 255];
const plain = tracingSchema.parse({ smooth: 0, local: 0, specksPermille: 0 });

describe('thresholds', () => {
  /** The largest variance between groups, by trying every place: what Otsu's method is defined by. */
  const tried = (histogram: Float64Array, cuts: readonly number[]): number => {
    const edges = [0, ...cuts, histogram.length];
    const total = histogram.reduce((sum, count) => sum + count, 0);
    const mean = histogram.reduce((sum, count, bin) => sum + count * (bin + 0.5), 0) / total;
    let variance = 0;
    for (let group = 1; group < edges.length; group++) {
      let [weight, moment] = [0, 0];
      for (let bin = edges[group - 1] as number; bin < (edges[group] as number); bin++) {
        weight += histogram[bin] as number;
        moment += (histogram[bin] as number) * (bin + 0.5);
      }
      if (weight > 0) variance += (weight / total) * (moment / weight - mean) ** 2;
    }
    return variance;
  };
  it('are Otsu’s: no other place parts the values better, for one and for two, in 20 seeded histograms of 32 steps', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const next = random(seed);
      const histogram = Float64Array.from({ length: 32 }, () => Math.floor(next() * 100 * (next() < 0.3 ? 0.1 : 1)));
      const [one = 0] = otsu(histogram, 1);
      let best = 0;
      for (let a = 1; a < 32; a++) best = Math.max(best, tried(histogram, [a]));
      expect(tried(histogram, [Math.round(one * 32)])).toBeCloseTo(best, 6);
      const two = otsu(histogram, 2).map((cut) => Math.round(cut * 32));
      let most = 0;
      for (let a = 1; a < 31; a++) for (let b = a + 1; b < 32; b++) most = Math.max(most, tried(histogram, [a, b]));
      expect(tried(histogram, two)).toBeCloseTo(most, 6);
    }
  });
  it('stand in the middle of a gap between two groups', () => {
    const plane = Float32Array.from({ length: 1000 }, (_, index) => (index % 2 ? 0.2 : 0.8));
    const [cut = 0] = otsu(histogramOf(plane), 1);
    expect(cut).toBeGreaterThan(0.4);
    expect(cut).toBeLessThan(0.6);
  });
});

describe('light and shade, balanced', () => {
  const [WIDE, HIGH] = [300, 200];
  const plane = (tone: (x: number, y: number) => number) =>
    Float32Array.from({ length: WIDE * HIGH }, (_, at) => tone(at % WIDE, Math.floor(at / WIDE)));
  const none = { even: 0, shadows: 0, lights: 0 };

  it('is nothing where nothing is asked: the same plane, and what was traced before is traced the same', () => {
    const tones = plane((x) => x / WIDE);
    expect(balanced(tones, WIDE, HIGH, none)).toBe(tones);
    expect(tracingSchema.parse({ way: 'two' })).toMatchObject(none);
  });
  it.each([
    [0.2, { shadows: 1 }, 0.5 * Math.sqrt(0.4)],
    [0.2, { shadows: -1 }, 0.5 * 0.4 ** 2],
    [0.2, { lights: 1 }, 0.2],
    [0.8, { lights: 1 }, 1 - 0.5 * 0.4 ** 2],
    [0.8, { lights: -1 }, 1 - 0.5 * Math.sqrt(0.4)],
    [0.8, { shadows: 1 }, 0.8],
    [0.5, { shadows: 1, lights: -1 }, 0.5],
    [0, { shadows: 1 }, 0],
    [1, { lights: -1 }, 1],
    [0.3, { even: 1 }, 0.3],
  ] as const)('moves a place of %f by %o to %f (closed form)', (tone, change, wanted) => {
    const made = balanced(
      plane(() => tone),
      ...([WIDE, HIGH, { ...none, ...change }] as const),
    );
    expect(made.reduce((worst, value) => Math.max(worst, Math.abs(value - wanted)), 0)).toBeLessThan(1e-4);
  });
  it('keeps the order of places, and what is fine in them', () => {
    const steps = balanced(
      plane((x) => Math.floor(x / 60) * 0.2 + 0.1),
      WIDE,
      HIGH,
      { even: 0, shadows: 0.7, lights: -0.6 },
    );
    const middles = [30, 90, 150, 210, 270].map((x) => steps[100 * WIDE + x] as number);
    expect([...middles].sort((a, b) => a - b)).toEqual(middles);
    const fine = balanced(
      plane((x) => 0.2 + (x % 4 < 2 ? 0.02 : -0.02)),
      WIDE,
      HIGH,
      { ...none, shadows: 1 },
    );
    const row = Array.from(fine.subarray(100 * WIDE + 40, 100 * WIDE + 260));
    expect(Math.max(...row) - Math.min(...row)).toBeCloseTo(0.04, 2);
  });
  it('finds dark and light squares under light that falls off across the picture, where one threshold cannot', () => {
    const isDark = (x: number, y: number) => (Math.floor(x / 20) + Math.floor(y / 20)) % 2 === 0;
    const light = (x: number) => 1 - (0.78 * x) / WIDE;
    const pixels = picture(WIDE, HIGH, (x, y) => gray(Math.round(255 * (isDark(x, y) ? 0.3 : 0.9) * light(x))));
    const right = (even: number): number => {
      const { areas } = tracePicture(pixels, { ...plain, even });
      const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDE}" height="${HIGH}"><rect width="${WIDE}" height="${HIGH}" fill="#fff"/>${areas.map(({ path, rule }) => `<path fill-rule="${rule}" d="${pathData(path)}"/>`).join('')}</svg>`;
      const { pixels: drawn } = new Resvg(svg).render();
      let found = 0;
      for (let at = 0; at < WIDE * HIGH; at++) if ((drawn[at * 4] as number) < 128 === isDark(at % WIDE, Math.floor(at / WIDE))) found++;
      return found / (WIDE * HIGH);
    };
    expect(right(0)).toBeLessThan(0.85);
    expect(right(1)).toBeGreaterThan(0.97);
  });
});

describe('a traced picture', () => {
  it('in two tones has the dark, or the light, where it is', () => {
    const pixels = picture(200, 100, (x) => gray(x < 60 ? 30 : 220));
    const [dark] = tracePicture(pixels, plain).areas;
    expect(areaOf([dark as NonNullable<typeof dark>])).toBeCloseTo(60 * 100, -2);
    const [light] = tracePicture(pixels, { ...plain, ink: 'light' }).areas;
    expect(areaOf([light as NonNullable<typeof light>])).toBeCloseTo(140 * 100, -2);
  });
  it('moves with its threshold, pixel by pixel of a ramp', () => {
    const pixels = picture(256, 40, (x) => gray(x));
    const at = (threshold: number): number => {
      const [area] = tracePicture(pixels, { ...plain, thresholds: [threshold] }).areas;
      return area ? areaOf([area]) / 40 : 0;
    };
    const widths = [0.2, 0.35, 0.5, 0.65, 0.8].map(at);
    widths.forEach((width, index) => index > 0 && expect(width).toBeGreaterThan((widths[index - 1] as number) + 15));
  });
  it('in tones leaves the lightest clear, sums to the picture when it is kept, and lies on one ground', () => {
    const pixels = picture(240, 120, (x) => gray([20, 120, 230][Math.floor(x / 80)] as number));
    const clear = tracePicture(pixels, { ...plain, way: 'tones', count: 3 });
    expect(new Set(clear.areas.map(({ color }) => color)).size).toBe(2);
    const kept = tracePicture(pixels, { ...plain, way: 'tones', count: 3, paper: 'kept' });
    const [, ...inks] = kept.areas;
    expect(inks.reduce((sum, area) => sum + areaOf([area]), 0)).toBeCloseTo(240 * 120, 0);
  });
  it('in colors finds the colors there are, nearest first, and where they are', () => {
    const colors = [
      [200, 30, 40, 255],
      [30, 60, 180, 255],
      [240, 200, 40, 255],
      [250, 250, 250, 255],
    ];
    const pixels = picture(200, 200, (x, y) => colors[(x < 100 ? 0 : 1) + (y < 100 ? 0 : 2)] as number[]);
    const { areas } = tracePicture(pixels, { ...plain, way: 'colors', count: 4, paper: 'kept' });
    const [, ...inks] = areas;
    expect(inks).toHaveLength(4);
    for (const area of inks) expect(areaOf([area])).toBeCloseTo(10_000, -2);
    for (const [r, g, b] of colors as [number, number, number][]) {
      const near = inks.some(({ color }) => {
        const [p, q, s] = [1, 3, 5].map((at) => parseInt(color.slice(at, at + 2), 16)) as [number, number, number];
        return Math.hypot(p - r, q - g, s - b) < 24;
      });
      expect(near).toBe(true);
    }
  });
  it('in halftone and stipple covers as much as the picture is dark, the more the darker', () => {
    for (const way of ['halftone', 'stipple'] as const) {
      const pixels = picture(400, 200, (x) => gray(x < 100 ? 0 : x < 200 ? 90 : x < 300 ? 170 : 255));
      const [area] = tracePicture(pixels, { ...plain, way, pitchPermille: 20 }).areas;
      const { coords } = (area as NonNullable<typeof area>).path;
      const dots = [0, 0, 0, 0];
      let at = 0;
      const sizes = [0, 0, 0, 0];
      for (const verb of (area as NonNullable<typeof area>).path.verbs) {
        if (verb === 'M') {
          const quarter = Math.min(3, Math.max(0, Math.floor((coords[at] as number) / 100)));
          dots[quarter] = (dots[quarter] as number) + 1;
          // The first curve goes from the right of the dot to its lower end.
          sizes[quarter] = (sizes[quarter] as number) + ((coords[at] as number) - (coords[at + 6] as number)) ** 2;
        }
        at += { M: 2, L: 2, Q: 4, C: 6, Z: 0 }[verb as 'M'];
      }
      expect(sizes[0]).toBeGreaterThan(1.3 * (sizes[1] as number));
      expect(sizes[1]).toBeGreaterThan(1.3 * (sizes[2] as number));
      expect(sizes[2]).toBeGreaterThan(2 * (sizes[3] as number));
    }
  });
  it('as an engraving covers as much as a halftone of the same picture, black with all and white with nothing; its lines lie as they are turned', () => {
    const pixels = picture(600, 300, (x) => gray(x < 150 ? 0 : x < 300 ? 90 : x < 450 ? 170 : 255));
    /** How much of each quarter is inked, as a renderer of its own draws it. */
    const covered = (change: object): readonly number[] => {
      const paths = tracePicture(pixels, { ...plain, pitchPermille: 14, ...change }).areas.map(
        ({ path, rule }) => `<path d="${pathData(path)}" fill-rule="${rule}"/>`,
      );
      const { pixels: drawn } = new Resvg(
        `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="300">${paths.join('')}</svg>`,
      ).render();
      return [0, 1, 2, 3].map((quarter) => {
        let sum = 0;
        // Away from the borders, where lines of one tone run into the next.
        for (let y = 40; y < 260; y++)
          for (let x = quarter * 150 + 40; x < quarter * 150 + 110; x++) sum += (drawn[(y * 600 + x) * 4 + 3] ?? 0) / 255;
        return sum / (220 * 70);
      });
    };
    const dots = covered({ way: 'halftone', turnDeg: 45 });
    for (const turnDeg of DEEP ? [0, 45, -70] : [-70]) {
      const lines = covered({ way: 'engraved', turnDeg });
      expect(lines[0]).toBeGreaterThan(0.97);
      for (const quarter of [1, 2]) expect(Math.abs((lines[quarter] ?? 0) - (dots[quarter] ?? 1))).toBeLessThan(0.05);
      expect(lines[3]).toBe(0);
      const reversed = covered({ way: 'engraved', turnDeg, ink: 'light' });
      expect([reversed[0], Math.round(reversed[3] ?? 0)]).toEqual([0, 1]);
    }
    // Level lines of one tone are met as often as they are apart, straight down; those that are upright, straight across.
    const even = picture(300, 300, (x) => gray(x < 30 ? 255 : x < 270 ? 130 : 0));
    const runs = (turnDeg: number, at: (along: number) => readonly [number, number]): number => {
      const [area] = tracePicture(even, { ...plain, way: 'engraved', pitchPermille: 40, turnDeg }).areas;
      const { path, rule } = area as NonNullable<typeof area>;
      const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="300"><path d="${pathData(path)}" fill-rule="${rule}"/></svg>`;
      const { pixels: drawn } = new Resvg(svg).render();
      const inked = Array.from({ length: 240 }, (_, along) => {
        const [x, y] = at(along + 30);
        return (drawn[(y * 300 + x) * 4 + 3] ?? 0) > 127;
      });
      return inked.filter((each, n) => each && !inked[n - 1]).length;
    };
    const [down, over] = [(along: number) => [150, along] as const, (along: number) => [along, 150] as const];
    expect(Math.abs(runs(0, down) - 20)).toBeLessThan(2);
    expect(runs(0, over)).toBeLessThan(2);
    // The tone itself pushes upright lines aside near its borders.
    expect(Math.abs(runs(90, over) - 20)).toBeLessThan(4);
    expect(runs(90, down)).toBeLessThan(2);
  });
  it('keeps what is clear clear, in every way', () => {
    const pixels = picture(120, 80, (x) => (x < 60 ? [0, 0, 0, 0] : gray(x < 90 ? 20 : 200)) as number[]);
    for (const way of WAY_NAMES)
      for (const { path } of tracePicture(pixels, { ...START_TRACING, way, smooth: 0, paper: 'kept' }).areas)
        for (let at = 0; at < path.coords.length; at += 2) expect(path.coords[at]).toBeGreaterThan(55);
  });
  it('of one color, of noise, of one pixel ends with what there is to draw, in every way', () => {
    const next = random(4);
    const pictures = [
      picture(50, 40, () => gray(128)),
      picture(90, 60, () => gray(Math.floor(next() * 256))),
      picture(1, 1, () => gray(0)),
    ];
    for (const pixels of pictures)
      for (const way of WAY_NAMES)
        for (const { path, color } of tracePicture(pixels, { ...START_TRACING, way }).areas) {
          expect(path.coords.every(Number.isFinite)).toBe(true);
          expect(color).toMatch(/^#[0-9a-f]{6}$/);
        }
  });
  it('loses specks to what is around them, and keeps those that are asked for', () => {
    const pixels = picture(200, 200, (x, y) =>
      gray((x - 50) ** 2 + (y - 50) ** 2 < 900 || (x > 150 && x < 154 && y > 150 && y < 154) ? 10 : 240),
    );
    const rings = (specksPermille: number): number =>
      tracePicture(pixels, { ...plain, specksPermille }).areas.reduce(
        (sum, { path }) => sum + [...path.verbs].filter((verb) => verb === 'M').length,
        0,
      );
    expect(rings(0)).toBe(2);
    expect(rings(1)).toBe(1);
  });
  it('is described for every way: a label, what it is for, which numbers it looks at', () => {
    for (const way of WAY_NAMES) {
      const { label, says, uses } = TRACING_WAYS[way];
      expect(label.length).toBeGreaterThan(2);
      expect(says.endsWith('.')).toBe(true);
      expect(uses.every((field) => field in START_TRACING)).toBe(true);
    }
  });
  it('refuses thresholds that do not rise', () => {
    expect(tracingSchema.safeParse({ thresholds: [0.6, 0.4] }).success).toBe(false);
    expect(tracingSchema.safeParse({ thresholds: [] }).success).toBe(false);
  });
});
