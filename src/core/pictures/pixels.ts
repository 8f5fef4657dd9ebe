import { LINEAR_OF_BYTE, oklabOfLinear } from '../color/oklab';

/** A picture as pixels: 8-bit sRGB with alpha, not premultiplied, row by row. */
export interface Pixels {
  readonly columns: number;
  readonly rows: number;
  readonly rgba: Uint8Array | Uint8ClampedArray;
}

/** Longest side that tones and outlines are worked out at, in pixels. */
export const WORK_SIDE = 1000;

/** Longest side at which a picture is shown while it is brushed. */
const STUDY_SIDE = 640;

/** The small copy that subject and ground are told apart by, made in the same steps wherever it is made. */
export const studyOf = (pixels: Pixels): Pixels => scaledDown(scaledDown(pixels, WORK_SIDE), STUDY_SIDE);

/** OKLab of every pixel, in three planes, and how opaque it is. What is clear counts as white. */
export interface LabPlanes {
  readonly lightness: Float32Array;
  readonly a: Float32Array;
  readonly b: Float32Array;
  readonly alpha: Float32Array;
}

export function labPlanes({ columns, rows, rgba }: Pixels): LabPlanes {
  const count = columns * rows;
  const planes = {
    lightness: new Float32Array(count),
    a: new Float32Array(count),
    b: new Float32Array(count),
    alpha: new Float32Array(count),
  };
  // Neighbors are often equal.
  let [known, lightness, a, b] = [-1, 0, 0, 0];
  for (let index = 0; index < count; index++) {
    const at = index * 4;
    const [red, green, blue] = [rgba[at] as number, rgba[at + 1] as number, rgba[at + 2] as number];
    const packed = (red << 16) | (green << 8) | blue;
    if (packed !== known) {
      [lightness, a, b] = oklabOfLinear(LINEAR_OF_BYTE[red] as number, LINEAR_OF_BYTE[green] as number, LINEAR_OF_BYTE[blue] as number);
      known = packed;
    }
    const alpha = (rgba[at + 3] as number) / 255;
    planes.lightness[index] = lightness * alpha + 1 - alpha;
    planes.a[index] = a * alpha;
    planes.b[index] = b * alpha;
    planes.alpha[index] = alpha;
  }
  return planes;
}

/** Scales a picture down by whole areas, so that no side is longer than `side`; smaller pictures stay. */
export function scaledDown(pixels: Pixels, side: number): Pixels {
  const { columns, rows, rgba } = pixels;
  const scale = side / Math.max(columns, rows);
  if (scale >= 1) return pixels;
  const [wide, high] = [Math.max(1, Math.round(columns * scale)), Math.max(1, Math.round(rows * scale))];
  // Rows first, then columns; colors weigh as much as they are opaque.
  const across = new Float32Array(wide * rows * 4);
  const shares = (from: number, to: number): readonly { readonly first: number; readonly weights: Float32Array }[] =>
    Array.from({ length: to }, (_, n) => {
      const [start, end] = [(n * from) / to, ((n + 1) * from) / to];
      const first = Math.floor(start);
      const last = Math.min(from - 1, Math.ceil(end) - 1);
      const weights = Float32Array.from({ length: last - first + 1 }, (__, k) => Math.min(end, first + k + 1) - Math.max(start, first + k));
      return { first, weights };
    });
  const wideShares = shares(columns, wide);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < wide; x++) {
      const { first, weights } = wideShares[x] as (typeof wideShares)[number];
      let [r, g, b, alpha] = [0, 0, 0, 0];
      for (let k = 0; k < weights.length; k++) {
        const at = (y * columns + first + k) * 4;
        const weight = (weights[k] as number) * (rgba[at + 3] as number);
        r += (rgba[at] as number) * weight;
        g += (rgba[at + 1] as number) * weight;
        b += (rgba[at + 2] as number) * weight;
        alpha += weight;
      }
      const to = (y * wide + x) * 4;
      [across[to], across[to + 1], across[to + 2], across[to + 3]] = [r, g, b, alpha];
    }
  const out = new Uint8ClampedArray(wide * high * 4);
  const highShares = shares(rows, high);
  const area = (columns / wide) * (rows / high);
  for (let y = 0; y < high; y++) {
    const { first, weights } = highShares[y] as (typeof highShares)[number];
    for (let x = 0; x < wide; x++) {
      let [r, g, b, alpha] = [0, 0, 0, 0];
      for (let k = 0; k < weights.length; k++) {
        const at = ((first + k) * wide + x) * 4;
        const weight = weights[k] as number;
        r += (across[at] as number) * weight;
        g += (across[at + 1] as number) * weight;
        b += (across[at + 2] as number) * weight;
        alpha += (across[at + 3] as number) * weight;
      }
      const to = (y * wide + x) * 4;
      const over = alpha || 1;
      [out[to], out[to + 1], out[to + 2], out[to + 3]] = [r / over, g / over, b / over, alpha / area];
    }
  }
  return { columns: wide, rows: high, rgba: out };
}
