import { LINEAR_OF_BYTE, luminanceOfLight } from '../light';
import { MOST_UV, type UvMap } from '../scene';
import type { LightSide, OwnGoods } from './own-goods';

/** What is usual in a place is never taken as darker than this, of full light. */
const DARKEST = 0.001;

/** Relative luminance of each pixel. @param rgb gamma-encoded sRGB, three numbers a pixel */
export const photoLuminance = (rgb: Uint8Array): Float32Array =>
  Float32Array.from({ length: rgb.length / 3 }, (_, at) =>
    luminanceOfLight(
      LINEAR_OF_BYTE[rgb[at * 3] as number] as number,
      LINEAR_OF_BYTE[rgb[at * 3 + 1] as number] as number,
      LINEAR_OF_BYTE[rgb[at * 3 + 2] as number] as number,
    ),
  );

/**
 * A soft copy: three running means along rows, then along columns; within 9 % of the peak of a Gaussian of the same spread from 2 px on.
 * @param sigma in pixels; below 0.3 nothing changes
 * @source P. Kovesi, "Fast Almost-Gaussian Filtering", 2010
 */
export function softened(values: Float32Array, wide: number, high: number, sigma: number): Float32Array {
  if (sigma < 0.3) return values;
  // Two odd widths around the ideal one, as often each as comes nearest.
  const rounds = 3;
  const ideal = Math.sqrt((12 * sigma * sigma) / rounds + 1);
  const narrow = Math.floor((ideal - 1) / 2) * 2 + 1;
  const narrower = Math.round((12 * sigma * sigma - rounds * (narrow * narrow + 4 * narrow + 3)) / (-4 * narrow - 4));
  const halves = Array.from({ length: rounds }, (_, round) => (narrow >> 1) + (round < narrower ? 0 : 1));
  let from = Float32Array.from(values);
  let into = new Float32Array(values.length);
  const pass = (half: number, count: number, lines: number, step: number, apart: number) => {
    const side = half * 2 + 1;
    for (let line = 0; line < lines; line++) {
      const at = (n: number) => from[line * apart + Math.min(count - 1, Math.max(0, n)) * step] as number;
      let sum = 0;
      for (let n = -half; n <= half; n++) sum += at(n);
      for (let n = 0; n < count; n++) {
        into[line * apart + n * step] = sum / side;
        sum += at(n + half + 1) - at(n - half);
      }
    }
    [from, into] = [into, from];
  };
  for (const half of halves) pass(half, wide, high, 1, wide);
  for (const half of halves) pass(half, high, wide, wide, 1);
  return from;
}

/** The value that a share of the values lies under. */
function quantile(values: readonly number[], part: number): number {
  const sorted = Float32Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))] ?? 0;
}

/** Every so many pixels one is asked for what is usual in a photo. */
const SAMPLES = 20_000;
function sampled(values: Float32Array, where: (at: number) => boolean): number[] {
  const step = Math.max(1, Math.floor(values.length / SAMPLES));
  const found: number[] = [];
  for (let at = 0; at < values.length; at += step) if (where(at)) found.push(values[at] as number);
  return found;
}

/** Light is never taken as less or more than this, by what is usual in the place. */
const [LEAST, MOST] = [0.08, 1.9];

/**
 * The light that falls on a place of a photo: luminance by its median there, to a power.
 * The whole of it is for surfaces that take light alone; photographs hold more contrast than that (measured: two thirds).
 * @returns light by what is usual, for each pixel of the place; 1 elsewhere
 */
export function photoShade(luminance: Float32Array, { area }: UvMap, { shade }: Pick<OwnGoods, 'shade'>): Float32Array {
  const usual = Math.max(
    DARKEST,
    quantile(
      sampled(luminance, (at) => area[at] !== 0),
      0.5,
    ),
  );
  return luminance.map((light, at) => (area[at] === 0 ? 1 : Math.min(MOST, Math.max(LEAST, light / usual)) ** shade));
}

/** How light white would be in a photo: as its lightest places are, leaving out the lightest hundredth (lamps, glints). */
export const photoWhite = (luminance: Float32Array): number =>
  Math.min(
    1,
    Math.max(
      0.3,
      quantile(
        sampled(luminance, () => true),
        0.99,
      ),
    ),
  );

/** Noise is softened away over so many thousandths of the width; what is broader than the second is no fold. */
const [FINE, BROAD] = [0.003, 0.028];
/** A fold that changes light by this share over a thousandth of the width shifts as far as was asked. */
const FULL_SLOPE = 0.03;
const SIGN: Record<LightSide, number> = { left: 1, above: 1, right: -1, below: -1 };

/**
 * Shifts a mark by the folds of the cloth: a band of the logarithm of light, neither noise nor the shape of the whole; the mark moves along its slope.
 * Plausible, not measured: light alone does not tell a fold that rises from one that falls, so the side of the light is asked for.
 */
export function shiftedByFolds(map: UvMap, luminance: Float32Array, { folds, light }: Pick<OwnGoods, 'folds' | 'light'>): UvMap {
  const { widthPx: wide, heightPx: high, area, uv } = map;
  if (folds === 0) return map;
  const log = luminance.map((value) => Math.log(Math.max(value, 2e-3)));
  const [fine, broad] = [softened(log, wide, high, FINE * wide), softened(log, wide, high, BROAD * wide)];
  const band = fine.map((value, at) => value - (broad[at] as number));
  const thousandth = wide / 1000;
  const shifted = new Uint16Array(uv);
  const held = (value: number) => Math.min(MOST_UV, Math.max(0, Math.round(value)));
  for (let y = 1; y < high - 1; y++)
    for (let x = 1; x < wide - 1; x++) {
      const at = y * wide + x;
      if (area[at] === 0 || area[at - 1] === 0 || area[at + 1] === 0 || area[at - wide] === 0 || area[at + wide] === 0) continue;
      const [gx, gy] = [
        (((band[at + 1] as number) - (band[at - 1] as number)) / 2) * thousandth,
        (((band[at + wide] as number) - (band[at - wide] as number)) / 2) * thousandth,
      ];
      const slope = Math.hypot(gx, gy);
      if (slope === 0) continue;
      const by = (SIGN[light] * folds * thousandth * Math.min(1, slope / FULL_SLOPE)) / slope;
      for (let k = 0; k < 2; k++) {
        const value = (q: number) => uv[q * 2 + k] as number;
        const across = (value(at + 1) - value(at - 1)) / 2;
        const down = (value(at + wide) - value(at - wide)) / 2;
        shifted[at * 2 + k] = held(value(at) + by * (gx * across + gy * down));
      }
    }
  return { ...map, uv: shifted };
}
