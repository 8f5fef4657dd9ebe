import sharp from 'sharp';
import { denoise } from './denoise';
import { hash } from './noise';
import type { Scene } from './scene';
import type { Gathered } from './trace';

/** The most light a layer can hold; what is brighter is a highlight and stays white. */
export const MOST_LIGHT = 1.6;

const toScreen = (value: number): number => {
  const clamped = Math.min(1, Math.max(0, value / MOST_LIGHT));
  return clamped <= 0.0031308 ? clamped * 12.92 : 1.055 * clamped ** (1 / 2.4) - 0.055;
};

/** Places in a print area run from 0 to this: a sixteenth of a pixel where an area is a thousand pixels wide, and small when packed. */
export const MOST_UV = 16383;

export interface Layers {
  /** Background, everything that is not goods, and every highlight. */
  readonly rest: Buffer;
  /** Diffuse light on the goods, as if they were white. */
  readonly print: Buffer;
  /** Print area and place in it at each pixel's center. */
  readonly uv: Buffer;
}

/** Joins bands to one picture. */
function joined(bands: readonly Gathered[], pick: (band: Gathered) => Float32Array | Uint8Array, length: number): Float32Array {
  const whole = new Float32Array(length);
  let at = 0;
  for (const band of [...bands].sort((a, b) => a.from - b.from)) {
    const part = pick(band);
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** Both passes of a scene: light on a coarse picture with many samples, surfaces on the whole one with few. */
export interface Traced {
  readonly coarse: { readonly scene: Scene; readonly bands: readonly Gathered[]; readonly samples: number };
  readonly fine: { readonly scene: Scene; readonly bands: readonly Gathered[]; readonly samples: number };
}

const shared = (values: Float32Array, by: Float32Array, each: number): Float32Array =>
  values.map((value, n) => {
    const part = by[Math.floor(n / each)] as number;
    return part > 0 ? value / part : 0;
  });

/** What lies on the coarse picture around a place of the fine one, weighed by how alike the surfaces are. @source J. Kopf et al., "Joint Bilateral Upsampling", 2007 */
function raised(
  light: Float32Array,
  from: { readonly guide: Float32Array; readonly cover: Float32Array; readonly wide: number; readonly high: number },
  to: { readonly guide: Float32Array; readonly cover: Float32Array; readonly wide: number; readonly high: number },
  reach: number,
): Float32Array {
  const made = new Float32Array(to.wide * to.high * 3);
  for (let y = 0; y < to.high; y++)
    for (let x = 0; x < to.wide; x++) {
      const at = y * to.wide + x;
      if ((to.cover[at] as number) <= 0) continue;
      const [cx, cy] = [((x + 0.5) * from.wide) / to.wide - 0.5, ((y + 0.5) * from.high) / to.high - 0.5];
      const [bx, by] = [Math.floor(cx), Math.floor(cy)];
      const g = at * 6;
      const guide = (k: number) => to.guide[g + k] as number;
      let [r, gr, b, total, spread] = [0, 0, 0, 0, 1];
      // Thin things may have no like neighbor close by: then look further.
      for (; spread <= 4 && total < 1e-3; spread *= 2) {
        for (let j = by - spread; j <= by + 1 + spread; j++)
          for (let i = bx - spread; i <= bx + 1 + spread; i++) {
            if (i < 0 || j < 0 || i >= from.wide || j >= from.high) continue;
            const q = j * from.wide + i;
            const share = from.cover[q] as number;
            if (share <= 0) continue;
            const h = q * 6;
            const other = (k: number) => from.guide[h + k] as number;
            const facing = Math.max(0, guide(0) * other(0) + guide(1) * other(1) + guide(2) * other(2)) ** 24;
            const away = Math.abs(guide(0) * (other(3) - guide(3)) + guide(1) * (other(4) - guide(4)) + guide(2) * (other(5) - guide(5)));
            const near = Math.exp(-((i - cx) ** 2 + (j - cy) ** 2) / (0.9 * spread * spread));
            const weight = near * (facing + 1e-4) * Math.exp(-away / reach) * share;
            r += (light[q * 3] as number) * weight;
            gr += (light[q * 3 + 1] as number) * weight;
            b += (light[q * 3 + 2] as number) * weight;
            total += weight;
          }
      }
      if (total > 0) {
        made[at * 3] = r / total;
        made[at * 3 + 1] = gr / total;
        made[at * 3 + 2] = b / total;
      }
    }
  return made;
}

/** Makes the three layers of a scene from what was traced: noise out of each kind of light apart, raised to the whole picture, then put together again. */
export async function layersOf({ coarse, fine }: Traced): Promise<Layers> {
  const sheet = ({ scene, bands, samples }: Traced['fine']) => {
    const [wide, high] = [scene.widthPx, scene.heightPx];
    const all = (pick: (band: Gathered) => Float32Array | Uint8Array, each: number) => joined(bands, pick, wide * high * each);
    const cover = { print: all((b) => b.printCover, 1), rest: all((b) => b.restCover, 1) };
    const guide = {
      print: shared(
        all((b) => b.printGuide, 6),
        cover.print,
        6,
      ),
      rest: shared(
        all((b) => b.restGuide, 6),
        cover.rest,
        6,
      ),
    };
    // What is seen most of in a pixel guides what lies on top of it.
    const main = guide.print.map((value, n) =>
      (cover.print[Math.floor(n / 6)] as number) >= samples / 2 ? value : (guide.rest[n] as number),
    );
    const either = cover.print.map((value, n) => (value + (cover.rest[n] as number)) / samples);
    const part = (values: Float32Array) => values.map((value) => value / samples);
    return { wide, high, all, guide: { ...guide, main }, cover: { print: part(cover.print), rest: part(cover.rest), either }, raw: cover };
  };
  const [low, up] = [sheet(coarse), sheet(fine)];
  const reach = 0.04;
  const light = (pick: (band: Gathered) => Float32Array, kind: 'print' | 'rest', tone: number, wider: number) => {
    const clean = denoise(shared(low.all(pick, 3), low.raw[kind], 3), low.guide[kind], low.cover[kind], low.wide, low.high, {
      reach: reach * wider,
      tone,
    });
    const of = (side: typeof low) => ({ guide: side.guide[kind], cover: side.cover[kind], wide: side.wide, high: side.high });
    return raised(clean, of(low), of(up), reach * wider);
  };
  const print = light((b) => b.print, 'print', 0.05, 1);
  const rest = light((b) => b.rest, 'rest', 0.08, 3);
  const restAlbedo = shared(
    up.all((b) => b.restAlbedo, 3),
    up.raw.rest,
    3,
  );
  const mirrored = denoise(
    low.all((b) => b.shine, 3).map((value) => value / coarse.samples),
    low.guide.main,
    low.cover.either,
    low.wide,
    low.high,
    {
      reach,
      tone: 0.25,
      passes: 4,
    },
  );
  const whole = (side: typeof low) => ({ guide: side.guide.main, cover: side.cover.either, wide: side.wide, high: side.high });
  const shine = raised(mirrored, whole(low), whole(up), reach);
  const areas = up.all((b) => b.area, 1);
  const uvs = up.all((b) => b.uv, 2);

  const { scene } = fine;
  const [wide, high, exposure] = [up.wide, up.high, scene.exposure];
  const count = wide * high;
  const [restBytes, printBytes] = [Buffer.alloc(count * 3), Buffer.alloc(count * 3)];
  for (let at = 0; at < count; at++) {
    const [p, r] = [up.cover.print[at] as number, up.cover.rest[at] as number];
    const place = (axis: number) => up.guide.print[at * 6 + 3 + axis] as number;
    const grain = scene.grain && p > 0 ? scene.grain(place(0), place(1), place(2)) : 1;
    // Half a level of noise, so that soft walls do not fall into bands.
    const dither = (hash(at, 5) - 0.5) / 255;
    for (let k = 0; k < 3; k++) {
      const n = at * 3 + k;
      const back = (rest[n] as number) * (restAlbedo[n] as number) * r + (shine[n] as number);
      restBytes[n] = Math.round(255 * Math.min(1, Math.max(0, toScreen(back * exposure) + dither)));
      printBytes[n] = Math.round(
        255 * Math.min(1, Math.max(0, toScreen((print[n] as number) * p * grain * exposure) + (p > 0 ? dither : 0))),
      );
    }
  }
  return fitted({ rest: restBytes, print: printBytes, uv: await packUv(areas, uvs, wide, high) }, wide, high);
}

/** Most that the three layers of a scene take together, in bytes. */
const MOST_BYTES = 395_000;
/** Packs both layers of light as well as fits: cloth has grain everywhere and takes more. @param raw of rest and print, three numbers a pixel */
export async function fitted(raw: Layers, wide: number, high: number): Promise<Layers> {
  const pack = (bytes: Buffer, quality: number) =>
    sharp(bytes, { raw: { width: wide, height: high, channels: 3 } })
      .webp({ quality, smartSubsample: true, effort: 6 })
      .toBuffer();
  for (const quality of [93, 90, 87, 84, 80, 75]) {
    const layers = { rest: await pack(raw.rest, quality), print: await pack(raw.print, quality), uv: raw.uv };
    if (layers.rest.length + layers.print.length + layers.uv.length <= MOST_BYTES || quality === 75) return layers;
  }
  throw new Error('A scene was packed in no quality.');
}

/** How far a place is from what its neighbors let expect, small both ways near nothing. */
const folded = (difference: number): number => {
  const signed = (difference << 16) >> 16;
  return ((signed << 1) ^ (signed >> 15)) & 0xffff;
};

/**
 * Writes places as differences from their neighbors, so that they pack small without loss: a picture twice as wide, low bytes left and high bytes right;
 * red is u, green v, and blue the area.
 */
export async function packUv(areas: Float32Array, uvs: Float32Array, wide: number, high: number): Promise<Buffer> {
  const whole = Uint16Array.from(uvs, (value) => Math.round(value * MOST_UV));
  const bytes = Buffer.alloc(wide * 2 * high * 3);
  for (let y = 0; y < high; y++)
    for (let x = 0; x < wide; x++) {
      const at = y * wide + x;
      const area = areas[at] as number;
      const [low, up] = [(y * wide * 2 + x) * 3, (y * wide * 2 + wide + x) * 3];
      bytes[low + 2] = area;
      if (area === 0) continue;
      const same = (q: number, there: boolean) => there && areas[q] === area;
      const [left, above, corner] = [same(at - 1, x > 0), same(at - wide, y > 0), same(at - wide - 1, x > 0 && y > 0)];
      for (let k = 0; k < 2; k++) {
        const value = (q: number) => whole[q * 2 + k] as number;
        const expected =
          left && above && corner
            ? value(at - 1) + value(at - wide) - value(at - wide - 1)
            : left
              ? value(at - 1)
              : above
                ? value(at - wide)
                : 0;
        const difference = folded(value(at) - expected);
        bytes[low + k] = difference & 255;
        bytes[up + k] = difference >> 8;
      }
    }
  return sharp(bytes, { raw: { width: wide * 2, height: high, channels: 3 } })
    .webp({ lossless: true, effort: 6 })
    .toBuffer();
}
