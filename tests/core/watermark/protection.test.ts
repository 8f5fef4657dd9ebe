import { createCanvas } from '@napi-rs/canvas';
import { describe, expect, it } from 'vitest';
import {
  blended,
  BLEND_FORMULAS,
  chosenTone,
  contrastRatio,
  largestFree,
  layOver,
  packTones,
  photoTones,
  protectionOf,
  quietPlace,
  unpackTones,
  unremovablePlace,
  type BlendFormula,
  type InkCells,
  type PhotoTones,
} from '$core/index';
import { oneInEvery } from '../../support/deep';
import { random } from '../../support/random';

const flat = (
  columns: number,
  rows: number,
  light: (x: number, y: number) => number,
  busy: (x: number, y: number) => number = () => 1,
): PhotoTones => ({
  columns,
  rows,
  light: Float32Array.from({ length: columns * rows }, (_, at) => light(at % columns, Math.floor(at / columns))),
  busy: Float32Array.from({ length: columns * rows }, (_, at) => busy(at % columns, Math.floor(at / columns))),
});
const inkIn = (columns: number, rows: number, has: (x: number, y: number) => boolean, cover = 0.5): InkCells => ({
  columns,
  rows,
  cover: Float32Array.from({ length: columns * rows }, (_, at) => (has(at % columns, Math.floor(at / columns)) ? cover : 0)),
});

describe('blending', () => {
  // Second implementation: Skia, through a canvas. Source of the formulas: W3C Compositing and Blending Level 1.
  it('equals another library’s within 1 of 255, for every mode and opacity, channel by channel', () => {
    const next = random(9);
    const canvas = createCanvas(1, 1);
    const pen = canvas.getContext('2d');
    const NAMES = {
      normal: 'source-over',
      multiply: 'multiply',
      screen: 'screen',
      overlay: 'overlay',
      'soft-light': 'soft-light',
    } as const;
    for (const mode of Object.keys(BLEND_FORMULAS) as BlendFormula[])
      for (const opacity of [0.1, 0.35, 0.6, 1]) {
        let worst = 0;
        for (let n = 0; n < 300; n++) {
          const [backdrop, source] = [0, 1].map(() => [0, 1, 2].map(() => Math.floor(next() * 256))) as [number[], number[]];
          pen.globalCompositeOperation = 'source-over';
          pen.globalAlpha = 1;
          pen.fillStyle = `rgb(${backdrop.join(' ')})`;
          pen.fillRect(0, 0, 1, 1);
          pen.globalCompositeOperation = NAMES[mode];
          pen.globalAlpha = opacity;
          pen.fillStyle = `rgb(${source.join(' ')})`;
          pen.fillRect(0, 0, 1, 1);
          const { data } = pen.getImageData(0, 0, 1, 1);
          for (let k = 0; k < 3; k++)
            worst = Math.max(
              worst,
              Math.abs(
                255 * blended(mode, (backdrop[k] as number) / 255, (source[k] as number) / 255, Math.round(opacity * 255) / 255) -
                  (data[k] as number),
              ),
            );
        }
        expect(worst, `${mode} at ${opacity}`).toBeLessThanOrEqual(1.5);
      }
  });
});

describe('laying a picture over another', () => {
  it('plainly is right to half a step for every backdrop and source, at opacities from none to all', () => {
    const WIDE = 256;
    for (const alpha of oneInEvery(15, [...Array(256).keys()])) {
      // Every premultiplied value that this opacity allows, over every backdrop.
      const high = alpha + 1;
      const pixels = Uint8Array.from({ length: WIDE * high * 3 }, (_, at) => Math.floor(at / 3) % WIDE);
      const rgba = Uint8Array.from({ length: WIDE * high * 4 }, (_, at) => (at % 4 === 3 ? alpha : Math.floor(at / 4 / WIDE)));
      layOver('normal', pixels, { widthPx: WIDE, channels: 3, most: 255 }, { rgba, widthPx: WIDE, heightPx: high, left: 0, top: 0 });
      let worst = 0;
      for (let at = 0; at < pixels.length; at++) {
        const [backdrop, source] = [Math.floor(at / 3) % WIDE, Math.floor(at / 3 / WIDE)];
        const wanted = alpha === 0 ? backdrop : 255 * blended('normal', backdrop / 255, source / alpha, alpha / 255);
        worst = Math.max(worst, Math.abs((pixels[at] as number) - wanted));
      }
      expect(worst, `at ${alpha}`).toBeLessThanOrEqual(0.5 + 1e-9);
    }
  });
  it('touches what lies under it and nothing else, alpha neither', () => {
    const pixels = new Uint8Array(5 * 4 * 4).fill(200);
    const rgba = Uint8Array.from({ length: 2 * 2 * 4 }, (_, at) => (at % 4 === 3 ? 255 : 10));
    layOver('normal', pixels, { widthPx: 5, channels: 4, most: 255 }, { rgba, widthPx: 2, heightPx: 2, left: 2, top: 1 });
    const changed = Array.from(pixels.entries()).filter(([, value]) => value !== 200).map(([at]) => at); // prettier-ignore
    const wanted = [7, 8, 12, 13].flatMap((pixel) => [0, 1, 2].map((k) => pixel * 4 + k));
    expect(changed).toEqual(wanted);
  });
});

describe('the tone of a stamp', () => {
  it('is the one with the higher contrast on a thousand grounds of known tone', () => {
    const next = random(3);
    let [right, asked] = [0, 0];
    const [light, dark] = [0.98, 0.03];
    for (let n = 0; n < 1000; n++) {
      const mean = next() * 100;
      const spread = next() * 24;
      const tones = flat(
        24,
        16,
        () => Math.min(100, Math.max(0, mean + (next() - 0.5) * spread)),
        () => spread / 3,
      );
      const choice = chosenTone(
        tones,
        inkIn(24, 16, (x, y) => x > 6 && x < 18 && y > 4 && y < 12),
        light,
        dark,
      );
      if (choice.tone === 'split') continue;
      asked++;
      // What is true, from the definition of contrast alone: over the mean of the ground.
      const luminance = mean > 8 ? ((mean + 16) / 116) ** 3 : (mean * 27) / 24389;
      const better = (light + 0.05) / (luminance + 0.05) >= (luminance + 0.05) / (dark + 0.05) ? 'light' : 'dark';
      // Where both stand out alike to within a tenth, either is right.
      const even = Math.abs(Math.log((light + 0.05) / (luminance + 0.05) / ((luminance + 0.05) / (dark + 0.05)))) < 0.1;
      if (even || choice.tone === better) right++;
    }
    expect(right / asked).toBeGreaterThanOrEqual(0.95);
    expect(asked).toBeGreaterThan(800);
  });
  it('is split where it lies half over white and half over black', () => {
    const tones = flat(24, 16, (x) => (x < 12 ? 4 : 97));
    expect(
      chosenTone(
        tones,
        inkIn(24, 16, () => true),
        0.98,
        0.03,
      ).tone,
    ).toBe('split');
  });
});

describe('tones of a photo', () => {
  it('are its lightness by the published formulas, and survive being stored', () => {
    const [wide, high] = [192, 128];
    const rgb = new Uint8Array(wide * high * 3).fill(119);
    const tones = photoTones(rgb, wide, high);
    expect(tones.columns).toBe(96);
    // sRGB 119 is the gray of L* 50 (W3C CSS Color 4: lab(50 0 0) is rgb(119 119 119)).
    expect(tones.light[100]).toBeCloseTo(50, 0);
    expect(tones.busy[100]).toBeCloseTo(0, 3);
    const { columns, rows, bytes } = packTones(tones);
    expect(Math.abs((unpackTones(columns, rows, bytes).light[7] as number) - (tones.light[7] as number))).toBeLessThanOrEqual(0.25);
  });
});

describe('protection', () => {
  const at = (
    columns: number,
    rows: number,
    has: (x: number, y: number) => boolean,
    opacity = 0.6,
    tones = flat(columns, rows, () => 40),
  ) => protectionOf(tones, [{ ink: inkIn(columns, rows, has, 0.4 * opacity), luminance: 0.98, strokes: opacity }]);

  it('is nothing without ink, and all of it under ink everywhere', () => {
    expect(
      protectionOf(
        flat(30, 20, () => 40),
        [],
      ).share,
    ).toBe(0);
    expect(at(30, 20, () => true).share).toBe(1);
    expect(at(30, 20, () => true).free.share).toBe(0);
  });
  it('finds the largest free piece, told by trying every rectangle', () => {
    const next = random(8);
    for (let n = 0; n < 40; n++) {
      const [columns, rows] = [4 + Math.floor(next() * 8), 3 + Math.floor(next() * 7)];
      const marked = Uint8Array.from({ length: columns * rows }, () => (next() < 0.22 ? 1 : 0));
      let best = 0;
      for (let top = 0; top < rows; top++)
        for (let bottom = top + 1; bottom <= rows; bottom++)
          for (let left = 0; left < columns; left++)
            for (let right = left + 1; right <= columns; right++) {
              let clear = true;
              for (let y = top; y < bottom && clear; y++)
                for (let x = left; x < right && clear; x++) if (marked[y * columns + x]) clear = false;
              if (clear) best = Math.max(best, (right - left) * (bottom - top));
            }
      expect(largestFree(marked, columns, rows).share * columns * rows).toBeCloseTo(best, 6);
    }
  });
  it('grows with opacity, and falls where the picture itself is busy', () => {
    const has = (x: number, y: number) => x % 6 === 0 && y % 4 === 0;
    const shares = [0.02, 0.05, 0.1, 0.2, 0.6].map((opacity) => at(60, 40, has, opacity).share);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    const busy = flat(
      60,
      40,
      () => 40,
      () => 30,
    );
    expect(at(60, 40, has, 0.1, busy).share).toBeLessThan(at(60, 40, has, 0.1).share);
  });
});

describe('places', () => {
  const tones = flat(
    96,
    64,
    () => 60,
    (x, y) => (Math.hypot(x - 48, y - 32) < 14 ? 22 : x > 70 && y < 20 ? 0.2 : 6),
  );
  it('are calm for a quiet one and across the subject for one that cannot be removed', () => {
    const quiet = quietPlace(tones, 0.2, 0.15);
    expect(quiet.x).toBeGreaterThan(0.72);
    expect(quiet.y).toBeLessThan(0.32);
    const across = unremovablePlace(tones, 0.2, 0.15);
    expect(Math.hypot(across.x - 0.5, across.y - 0.5)).toBeLessThan(0.1);
  });
  it('never lie over what is to be spared', () => {
    const spare = { left: 0.6, top: 0, right: 1, bottom: 0.5 };
    const { x, y } = quietPlace(tones, 0.2, 0.15, spare);
    expect(x + 0.1 <= spare.left + 1e-9 || y - 0.075 >= spare.bottom - 1e-9).toBe(true);
  });
  it('know contrast as the standard has it', () => expect(contrastRatio('#ffffff', '#000000')).toBe(21));
});
