import sharp from 'sharp';
import { MOST_LIGHT, packUv, type Layers } from './layers';

/** Goods that are drawn plainly instead of traced. */
export interface DrawnScene {
  readonly name: string;
  readonly label: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ground: string;
  /** What lies on the ground, lowest first: SVG shapes without paint, filled with a color; `print` is what takes the color of the goods and marks. */
  readonly laid: readonly { readonly shape: string; readonly paint: string }[];
  /** What may be printed, and where it lies: left, top, width and height in px. */
  readonly areas: readonly {
    readonly name: string;
    readonly widthMm: number;
    readonly heightMm: number;
    readonly box: readonly [left: number, top: number, width: number, height: number];
  }[];
  readonly start: { readonly color: string; readonly way: 'paper' };
}

/** @source IEC 61966-2-1 */
const linear = (value: number): number => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
const screen = (light: number): number => (light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055);
const byteOf = (light: number): number => Math.round(255 * Math.min(1, Math.max(0, screen(light / MOST_LIGHT))));

/** The layers of a drawn scene: what covers a pixel in part is mixed in linear light, as they are when they are shown. */
export async function drawnLayers({ widthPx, heightPx, ground, laid, areas }: DrawnScene): Promise<Layers> {
  const count = widthPx * heightPx;
  const channels = (hex: string) => [1, 3, 5].map((at) => linear(parseInt(hex.slice(at, at + 2), 16) / 255));
  const [back, rest, print] = [channels(ground), new Float32Array(count * 3), new Float32Array(count)];
  for (let at = 0; at < count * 3; at++) rest[at] = back[at % 3] as number;
  for (const { shape, paint } of laid) {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}">${shape}</svg>`;
    const cover = await sharp(Buffer.from(svg)).ensureAlpha().extractChannel(3).raw().toBuffer();
    const color = paint === 'print' ? [0, 0, 0] : channels(paint);
    for (let at = 0; at < count; at++) {
      const share = (cover[at] as number) / 255;
      if (share === 0) continue;
      for (let k = 0; k < 3; k++) rest[at * 3 + k] = (rest[at * 3 + k] as number) * (1 - share) + (color[k] as number) * share;
      print[at] = (print[at] as number) * (1 - share) + (paint === 'print' ? share : 0);
    }
  }
  const [area, uv] = [new Float32Array(count), new Float32Array(count * 2)];
  areas.forEach(({ box: [left, top, wide, high] }, n) => {
    for (let y = top; y < top + high; y++)
      for (let x = left; x < left + wide; x++) {
        const at = y * widthPx + x;
        if (print[at] === 0) continue;
        area[at] = n + 1;
        uv[at * 2] = (x + 0.5 - left) / wide;
        uv[at * 2 + 1] = (y + 0.5 - top) / high;
      }
  });
  // Few even colors: exact, and small.
  const pack = (bytes: Buffer) =>
    sharp(bytes, { raw: { width: widthPx, height: heightPx, channels: 3 } })
      .webp({ lossless: true, effort: 6 })
      .toBuffer();
  const bytes = (light: (at: number) => number) => Buffer.from(Uint8Array.from({ length: count * 3 }, (_, at) => byteOf(light(at))));
  return {
    rest: await pack(bytes((at) => rest[at] as number)),
    print: await pack(bytes((at) => print[Math.floor(at / 3)] as number)),
    uv: await packUv(area, uv, widthPx, heightPx),
  };
}
