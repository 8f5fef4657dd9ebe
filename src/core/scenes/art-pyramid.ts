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
    const source = last;
    for (let y = 0; y < high; y++)
      for (let x = 0; x < wide; x++)
        for (let k = 0; k < 4; k++) {
          const [x0, y0] = [Math.min(source.widthPx - 1, x * 2), Math.min(source.heightPx - 1, y * 2)];
          const [x1, y1] = [Math.min(source.widthPx - 1, x0 + 1), Math.min(source.heightPx - 1, y0 + 1)];
          const of = (a: number, b: number) => source.pixels[(b * source.widthPx + a) * 4 + k] as number;
          half[(y * wide + x) * 4 + k] = (of(x0, y0) + of(x1, y0) + of(x0, y1) + of(x1, y1)) / 4;
        }
    levels.push({ widthPx: wide, heightPx: high, pixels: half });
  }
  return { levels };
}

/** Adds a bilinear sample of a level to `into`; nothing outside the picture. @param x, y in pixels of the finest level, whose first pixel's middle is at 0.5 */
export function addSample({ levels }: ArtPyramid, level: number, x: number, y: number, weight: number, into: Float32Array): void {
  const of = levels[Math.min(levels.length - 1, level)];
  const finest = levels[0];
  if (!of || !finest) return;
  const px = (x * of.widthPx) / finest.widthPx - 0.5;
  const py = (y * of.heightPx) / finest.heightPx - 0.5;
  if (px <= -1 || py <= -1 || px >= of.widthPx || py >= of.heightPx) return;
  const x0 = Math.floor(px);
  const y0 = Math.floor(py);
  const fx = px - x0;
  const fy = py - y0;
  for (let j = 0; j < 2; j++)
    for (let i = 0; i < 2; i++) {
      const [a, b] = [x0 + i, y0 + j];
      if (a < 0 || b < 0 || a >= of.widthPx || b >= of.heightPx) continue;
      const share = weight * (i === 0 ? 1 - fx : fx) * (j === 0 ? 1 - fy : fy);
      const at = (b * of.widthPx + a) * 4;
      into[0] = (into[0] as number) + (of.pixels[at] as number) * share;
      into[1] = (into[1] as number) + (of.pixels[at + 1] as number) * share;
      into[2] = (into[2] as number) + (of.pixels[at + 2] as number) * share;
      into[3] = (into[3] as number) + (of.pixels[at + 3] as number) * share;
    }
}
