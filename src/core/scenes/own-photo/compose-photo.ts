import type { Hex } from '../../color/hex';
import { ok, type Result } from '../../result/result';
import { DARK_BELOW } from '../compose';
import { artOn, type Printed } from '../laid-art';
import { byteOf, LINEAR_OF_BYTE, linearChannels, luminanceOfLight } from '../light';
import { INK_OF } from '../print-ways';
import type { SceneFacts } from '../scene';
import { colorArea } from './color-area';
import { meshMap } from './mesh-map';
import { photoLuminance, photoShade, photoWhite, shiftedByFolds } from './photo-light';
import type { OwnGoods } from './own-goods';

/** The area that takes a color is found on a copy not larger than this. */
const AREA_SIDE_PX = 700;

/**
 * Shows marks on a photo that a designer took. Where no mark lies and no color was chosen, not a byte of it changes.
 * A mark takes the photo's light and shade, and shifts along its folds.
 * @param rgb the photo, gamma-encoded sRGB, three numbers a pixel
 * @param cloth the color that its cloth takes, where the goods choose one
 */
export function composeOnPhoto(
  rgb: Uint8Array,
  widthPx: number,
  heightPx: number,
  goods: OwnGoods,
  areas: SceneFacts['areas'],
  printed: readonly Printed[],
  cloth?: Hex,
): Result<Uint8Array> {
  const flat = meshMap(goods, widthPx, heightPx);
  if (!flat.ok) return flat;
  const luminance = photoLuminance(rgb);
  const map = shiftedByFolds(flat.value, luminance, goods);
  const shade = photoShade(luminance, map, goods);
  const white = goods.ink ?? photoWhite(luminance);
  const out = goods.cloth && cloth ? inColor(rgb, widthPx, heightPx, goods.cloth, linearChannels(cloth), luminance) : Uint8Array.from(rgb);
  const surface = usualColor(out, map.area);
  const dark = luminanceOfLight(...surface) < DARK_BELOW;
  const artAt = artOn(map, areas, printed);
  for (let at = 0; at < shade.length; at++) {
    const here = artAt(at);
    if (!here) continue;
    const seen = INK_OF[here.mark.way]({ ...here, surface, dark });
    const light = white * (shade[at] as number);
    for (let k = 0; k < 3; k++) {
      const was = LINEAR_OF_BYTE[out[at * 3 + k] as number] as number;
      out[at * 3 + k] = byteOf(was * seen.keep + light * (seen.add[k] as number) + light * light * (seen.shine[k] as number));
    }
  }
  return ok(out);
}

/** The color that is usual in the place, in linear light: the median of each channel over a sample. */
function usualColor(rgb: Uint8Array, area: Uint8Array): readonly [number, number, number] {
  const step = Math.max(1, Math.floor(area.length / 20_000));
  const found: [number[], number[], number[]] = [[], [], []];
  for (let at = 0; at < area.length; at += step)
    if (area[at] !== 0) for (const k of [0, 1, 2] as const) found[k].push(rgb[at * 3 + k] as number);
  return found.map((values) => LINEAR_OF_BYTE[values.sort((a, b) => a - b)[values.length >> 1] ?? 128] ?? 0) as [number, number, number];
}

/** Light in folds is never taken as more than this, by what is usual in the cloth. */
const MOST_FOLD = 1.8;

/** Cloth in another color: its light and shade stay, by what is usual in it. */
function inColor(
  rgb: Uint8Array,
  wide: number,
  high: number,
  { at, spread }: NonNullable<OwnGoods['cloth']>,
  color: readonly [number, number, number],
  luminance: Float32Array,
): Uint8Array {
  const scale = Math.min(1, AREA_SIDE_PX / Math.max(wide, high));
  const [w, h] = [Math.max(1, Math.round(wide * scale)), Math.max(1, Math.round(high * scale))];
  const within = colorArea(scale === 1 ? rgb : smaller(rgb, wide, high, w, h), w, h, at, spread);
  const share = (x: number, y: number): number => {
    const [px, py] = [
      Math.min(w - 1, Math.max(0, ((x + 0.5) * w) / wide - 0.5)),
      Math.min(h - 1, Math.max(0, ((y + 0.5) * h) / high - 0.5)),
    ];
    const [x0, y0] = [Math.floor(px), Math.floor(py)];
    const of = (a: number, b: number) => within[Math.min(h - 1, b) * w + Math.min(w - 1, a)] as number;
    const [fx, fy] = [px - x0, py - y0];
    return (of(x0, y0) * (1 - fx) + of(x0 + 1, y0) * fx) * (1 - fy) + (of(x0, y0 + 1) * (1 - fx) + of(x0 + 1, y0 + 1) * fx) * fy;
  };
  const lights: number[] = [];
  const step = Math.max(1, Math.floor(luminance.length / 20_000));
  for (let n = 0; n < luminance.length; n += step) if (share(n % wide, Math.floor(n / wide)) > 0.5) lights.push(luminance[n] as number);
  const usual = Math.max(2e-3, lights.sort((a, b) => a - b)[lights.length >> 1] ?? 0.2);
  const out = Uint8Array.from(rgb);
  for (let y = 0; y < high; y++)
    for (let x = 0; x < wide; x++) {
      const part = share(x, y);
      if (part <= 0) continue;
      const n = y * wide + x;
      const light = Math.min(MOST_FOLD, (luminance[n] as number) / usual);
      for (let k = 0; k < 3; k++) {
        const was = LINEAR_OF_BYTE[rgb[n * 3 + k] as number] as number;
        out[n * 3 + k] = byteOf(was + ((color[k] as number) * light - was) * part);
      }
    }
  return out;
}

/** A smaller copy: the mean of what lies under each pixel. */
function smaller(rgb: Uint8Array, wide: number, high: number, w: number, h: number): Uint8Array {
  const out = new Uint8Array(w * h * 3);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [x0, x1] = [Math.floor((x * wide) / w), Math.max(Math.floor((x * wide) / w) + 1, Math.floor(((x + 1) * wide) / w))];
      const [y0, y1] = [Math.floor((y * high) / h), Math.max(Math.floor((y * high) / h) + 1, Math.floor(((y + 1) * high) / h))];
      for (let k = 0; k < 3; k++) {
        let sum = 0;
        for (let b = y0; b < y1; b++) for (let a = x0; a < x1; a++) sum += rgb[(b * wide + a) * 3 + k] as number;
        out[(y * w + x) * 3 + k] = Math.round(sum / ((x1 - x0) * (y1 - y0)));
      }
    }
  return out;
}
