import type { Point } from './mesh';
import { hash, layered, noise } from './noise';
import type { Rgb } from './scene';

/** From gamma-encoded sRGB, as one picks colors, to light. @source IEC 61966-2-1 */
export const light = (hex: string): Rgb => {
  const channel = (at: number) => {
    const value = parseInt(hex.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  };
  return [channel(1), channel(3), channel(5)];
};
const between = (a: Rgb, b: Rgb, part: number): Rgb => [
  a[0] + (b[0] - a[0]) * part,
  a[1] + (b[1] - a[1]) * part,
  a[2] + (b[2] - a[2]) * part,
];
const times = (a: Rgb, by: number): Rgb => [a[0] * by, a[1] * by, a[2] * by];
type Surface = (at: Point) => Rgb;

/** Rubbed plaster: clouds at two scales and fine specks. */
export const plaster =
  (tone: string, seed = 0): Surface =>
  ([x, y, z]) => {
    const color = light(tone);
    const cloud = layered(x / 9 + seed, y / 9, z / 9, 4);
    const fine = noise(x * 9, y * 9, z * 9);
    return times(color, 0.82 + 0.3 * cloud + 0.05 * (fine - 0.5));
  };

/** Veined stone. */
export const stone =
  (base: string, vein: string, seed = 0): Surface =>
  ([x, y, z]) => {
    const warp = layered(x / 7 + seed, y / 7, z / 7 + seed, 4) * 7;
    const line = Math.abs(layered(x / 11 + warp * 0.35, y / 11, z / 11 + seed + warp * 0.2, 5) - 0.5) * 2;
    const strength = Math.max(0, 1 - line * 9) ** 2 * 0.7;
    const cloud = layered(x / 5, y / 5, z / 5 + seed, 3);
    return times(between(light(base), light(vein), strength), 0.86 + cloud * 0.28);
  };

/** Boards with rings, running along x. */
export const wood =
  (pale: string, dark: string, board = 12, seed = 0): Surface =>
  ([x, y, z]) => {
    const plank = Math.floor((z + y) / board);
    const own = hash(plank, seed, 7);
    const across = (((z + y) % board) + board) % board;
    const gap = across < 0.12 || across > board - 0.12;
    const [u, v] = [x / 70 + own * 40, across / 1.5 + own * 9];
    const bent = v + (layered(u * 1.5, v * 0.22, own * 30, 3) - 0.5) * 3.4;
    const ring = 0.5 + 0.5 * Math.sin(bent * 4.6 + noise(u * 2, bent, seed) * 2);
    const fiber = noise(x * 0.9, across * 16, own * 50);
    const color = between(light(pale), light(dark), 0.18 + 0.26 * ring ** 2 + 0.12 * layered(x / 30, across / 3, own * 9, 3) + 0.3 * fiber);
    return times(color, gap ? 0.25 : 0.88 + own * 0.2);
  };

/** Woven linen: threads across and along. */
export const linen =
  (tone: string): Surface =>
  ([x, y, z]) => {
    const thread = (value: number, other: number) => 0.5 + 0.5 * Math.sin(value * 52 + noise(value * 3, other * 0.6, 3) * 5);
    const over = thread(x, z + y) * (0.7 + 0.3 * noise(x * 26, 0, Math.floor((z + y) * 8)));
    const under = thread(z + y, x);
    return times(light(tone), 0.78 + 0.16 * over + 0.12 * under + 0.06 * layered(x / 4, y / 4, z / 4, 2));
  };

/** Paper with the ends of fibers. */
export const kraft =
  (tone: string): Surface =>
  ([x, y, z]) =>
    times(light(tone), 0.9 + 0.12 * layered(x * 2, y * 2, z * 2, 3) + 0.1 * (noise(x * 22, y * 5, z * 22) > 0.8 ? -0.6 : 0.1));

/** One color, with the faintest clouds. */
export const plain =
  (tone: string): Surface =>
  ([x, y, z]) =>
    times(light(tone), 0.97 + 0.06 * layered(x / 3, y / 3, z / 3, 2));
