import { LINEAR_OF_BYTE as LINEAR } from './light';

/** A picture and its halves, quarters and so on, in light (linear), premultiplied: four numbers a pixel. */
export interface ArtPyramid {
  readonly levels: readonly { readonly widthPx: number; readonly heightPx: number; readonly pixels: Float32Array }[];
}

/** @param rgba gamma-encoded sRGB with straight alpha, 8 bits. @source L. Williams, "Pyramidal Parametrics", 1983 */
export function artPyramid(rgba: Uint8Array, widthPx: number, heightPx: number): ArtPyramid {
  const pixels = new Float32Array(widthPx * heightPx * 4);
  for (let at = 0; at < pixels.length; at += 4) {
    const alpha = (rgba[at + 3] as number) / 255;
    pixels[at] = (LINEAR[rgba[at] as number] as number) * alpha;
    pixels[at + 1] = (LINEAR[rgba[at + 1] as number] as number) * alpha;
    pixels[at + 2] = (LINEAR[rgba[at + 2] as number] as number) * alpha;
    pixels[at + 3] = alpha;
  }
  const levels = [{ widthPx, heightPx, pixels }];
  for (let last = levels[0]; last && (last.widthPx > 1 || last.heightPx > 1); last = levels.at(-1)) {
    const [wide, high] = [Math.max(1, last.widthPx >> 1), Math.max(1, last.heightPx >> 1)];
    const half = new Float32Array(wide * high * 4);
    const { pixels: source, widthPx: row } = last;
    const [right, below] = [last.widthPx > 1 ? 4 : 0, last.heightPx > 1 ? row * 4 : 0];
    for (let y = 0, to = 0; y < high; y++)
      for (let x = 0, from = y * 2 * row * 4; x < wide; x++, to += 4, from += 8)
        for (let k = 0; k < 4; k++) {
          const at = from + k;
          half[to + k] =
            ((source[at] as number) +
              (source[at + right] as number) +
              (source[at + below] as number) +
              (source[at + right + below] as number)) /
            4;
        }
    levels.push({ widthPx: wide, heightPx: high, pixels: half });
  }
  return { levels };
}

/**
 * Whether nothing of the art lies anywhere near a place, by cells of a coarser level; said only where that is sure.
 * @param far how many levels coarser; what is near is half a cell of that, to all sides
 */
export function isBlank({ levels }: ArtPyramid, level: number, far: number, x: number, y: number): boolean {
  const of = levels[level + far];
  const finest = levels[0];
  if (!of || !finest) return false;
  const size = 1 << (level + far);
  const [column, row] = [Math.floor(x / size - 0.5), Math.floor(y / size - 0.5)];
  // Halves leave the last of an odd number out: nothing is said of the last cells.
  if (column < 0 || row < 0 || column + 3 >= of.widthPx || row + 3 >= of.heightPx) return false;
  const at = (row * of.widthPx + column) * 4 + 3;
  const below = at + of.widthPx * 4;
  return of.pixels[at] === 0 && of.pixels[at + 4] === 0 && of.pixels[below] === 0 && of.pixels[below + 4] === 0;
}

/** Taps along each side of a pixel. */
const TAPS = 4;

/**
 * What of the art lies on one pixel: 4 × 4 bilinear taps on a level, nothing outside the picture. One pass over plain numbers: it is done for
 * millions of pixels.
 * @param x, y the pixel's middle, in pixels of the finest level, whose first pixel's middle is at 0.5
 * @param hx, hy, vx, vy how that moves from one side of the pixel to the other, across and down
 * @param into four numbers, premultiplied
 */
export function sampleArt(
  { levels }: ArtPyramid,
  level: number,
  x: number,
  y: number,
  hx: number,
  hy: number,
  vx: number,
  vy: number,
  into: Float32Array,
): void {
  const of = levels[Math.min(levels.length - 1, level)];
  const finest = levels[0];
  let [red, green, blue, cover] = [0, 0, 0, 0];
  if (of && finest) {
    const { widthPx: wide, heightPx: high, pixels } = of;
    const [across, down] = [wide / finest.widthPx, high / finest.heightPx];
    for (let j = 0; j < TAPS; j++) {
      const t = (j + 0.5) / TAPS - 0.5;
      for (let i = 0; i < TAPS; i++) {
        const s = (i + 0.5) / TAPS - 0.5;
        const px = (x + hx * s + vx * t) * across - 0.5;
        const py = (y + hy * s + vy * t) * down - 0.5;
        if (px <= -1 || py <= -1 || px >= wide || py >= high) continue;
        const x0 = Math.floor(px);
        const y0 = Math.floor(py);
        const fx = px - x0;
        const fy = py - y0;
        const first = (y0 * wide + x0) * 4;
        // Beyond the picture's rim there is nothing.
        const [left, right, top, bottom] = [x0 >= 0 ? 1 - fx : 0, x0 + 1 < wide ? fx : 0, y0 >= 0 ? 1 - fy : 0, y0 + 1 < high ? fy : 0];
        red += share(pixels, first, wide, left, right, top, bottom);
        green += share(pixels, first + 1, wide, left, right, top, bottom);
        blue += share(pixels, first + 2, wide, left, right, top, bottom);
        cover += share(pixels, first + 3, wide, left, right, top, bottom);
      }
    }
  }
  const by = 1 / (TAPS * TAPS);
  into[0] = red * by;
  into[1] = green * by;
  into[2] = blue * by;
  into[3] = cover * by;
}

function share(pixels: Float32Array, at: number, wide: number, left: number, right: number, top: number, bottom: number): number {
  const below = at + wide * 4;
  return (
    (top === 0 ? 0 : top * ((left === 0 ? 0 : (pixels[at] as number) * left) + (right === 0 ? 0 : (pixels[at + 4] as number) * right))) +
    (bottom === 0
      ? 0
      : bottom * ((left === 0 ? 0 : (pixels[below] as number) * left) + (right === 0 ? 0 : (pixels[below + 4] as number) * right)))
  );
}
