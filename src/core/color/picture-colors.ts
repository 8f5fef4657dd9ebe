import { converter, formatHex } from 'culori';
import type { Hex } from './hex';

const toOklab = converter('oklab');

/** A color found in a picture and the share of pixels it stands for. */
export interface PictureColor {
  readonly hex: Hex;
  readonly share: number;
}

interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}
const apart = (one: Lab, other: Lab): number => (one.l - other.l) ** 2 + (one.a - other.a) ** 2 + (one.b - other.b) ** 2;

/** Clusters nearer than this in OKLab count as one color (without unit; 0.05 is plainly visible side by side). */
const SAME_COLOR = 0.06;
const ROUNDS = 24;

/**
 * The colors of a picture: k-means in OKLab, begun from the pixels farthest from each other so that it needs no chance,
 * near clusters joined, largest share first.
 * @param rgb opaque 8-bit sRGB, three numbers a pixel; a few thousand pixels are plenty
 * @param most largest number of colors
 * @source S. Lloyd, "Least squares quantization in PCM", 1982; B. Ottosson, OKLab, 2020
 */
export function pictureColors(rgb: Uint8Array, most = 6): readonly PictureColor[] {
  const pixels: Lab[] = [];
  for (let i = 0; i + 2 < rgb.length; i += 3) {
    const { l, a, b } = toOklab({
      mode: 'rgb',
      r: (rgb[i] as number) / 255,
      g: (rgb[i + 1] as number) / 255,
      b: (rgb[i + 2] as number) / 255,
    });
    pixels.push({ l, a, b });
  }
  const [first] = pixels;
  if (!first) return [];
  const centers: Lab[] = [first];
  while (centers.length < most) {
    const farthest = pixels.reduce(
      (best, pixel) => {
        const distance = Math.min(...centers.map((center) => apart(center, pixel)));
        return distance > best.distance ? { pixel, distance } : best;
      },
      { pixel: first, distance: 0 },
    );
    if (farthest.distance < SAME_COLOR ** 2) break;
    centers.push(farthest.pixel);
  }
  let counts: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const sums = centers.map(() => ({ l: 0, a: 0, b: 0, n: 0 }));
    for (const pixel of pixels) {
      let nearest = 0;
      for (let k = 1; k < centers.length; k++) if (apart(centers[k] as Lab, pixel) < apart(centers[nearest] as Lab, pixel)) nearest = k;
      const sum = sums[nearest] as { l: number; a: number; b: number; n: number };
      sum.l += pixel.l;
      sum.a += pixel.a;
      sum.b += pixel.b;
      sum.n++;
    }
    counts = sums.map(({ n }) => n);
    sums.forEach(({ l, a, b, n }, k) => n > 0 && (centers[k] = { l: l / n, a: a / n, b: b / n }));
  }
  const found: { center: Lab; share: number }[] = [];
  centers
    .map((center, k) => ({ center, share: (counts[k] ?? 0) / pixels.length }))
    .sort((a, b) => b.share - a.share)
    .forEach((cluster) => {
      const near = found.find(({ center }) => apart(center, cluster.center) < SAME_COLOR ** 2);
      if (near) near.share += cluster.share;
      else if (cluster.share > 0) found.push({ ...cluster });
    });
  return found
    .sort((a, b) => b.share - a.share)
    .map(({ center, share }) => ({ hex: formatHex({ mode: 'oklab', ...center }) as Hex, share: Math.round(share * 1000) / 1000 }));
}
