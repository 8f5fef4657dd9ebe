import { describe, expect, it } from 'vitest';
import { Resvg } from '@resvg/resvg-js';
import { measureFace, pathData, expect as valueOf } from '$core/index';
import { openTypeface } from '$core/shaping';
import { fontBytes, shipped } from '../support/fonts';

const SIZE_PX = 1600;

/**
 * The independent route: the letter is drawn by resvg, the exact distance of every inked pixel to the nearest white one is computed
 * (P. Felzenszwalb, D. Huttenlocher, "Distance Transforms of Sampled Functions", 2012, one dimension at a time), and the stem is twice
 * the largest distance on each row, median over the rows of the stem.
 */
function medialThickness(alpha: (x: number, y: number) => number, width: number, height: number, rows: readonly [number, number]): number {
  const FAR = 1e9;
  const squared = new Float64Array(width * height);
  const line = (f: Float64Array) => {
    const n = f.length;
    const out = new Float64Array(n);
    const v = new Int32Array(n);
    const z = new Float64Array(n + 1);
    let k = 0;
    z[0] = -Infinity;
    z[1] = Infinity;
    const at = (q: number) => f[q] as number;
    for (let q = 1; q < n; q++) {
      let s: number;
      do {
        const p = v[k] as number;
        s = (at(q) + q * q - (at(p) + p * p)) / (2 * q - 2 * p);
      } while (s <= (z[k] as number) && k-- > 0);
      k++;
      v[k] = q;
      z[k] = s;
      z[k + 1] = Infinity;
    }
    k = 0;
    for (let q = 0; q < n; q++) {
      while ((z[k + 1] as number) < q) k++;
      out[q] = (q - (v[k] as number)) ** 2 + at(v[k] as number);
    }
    return out;
  };
  for (let x = 0; x < width; x++)
    line(Float64Array.from({ length: height }, (_, y) => (alpha(x, y) >= 128 ? FAR : 0))).forEach(
      (value, y) => (squared[y * width + x] = value),
    );
  for (let y = 0; y < height; y++) line(squared.slice(y * width, (y + 1) * width)).forEach((value, x) => (squared[y * width + x] = value));
  const widest: number[] = [];
  for (let y = rows[0]; y <= rows[1]; y++) {
    // Only the first stem of the row: from the first ink to the first white after it.
    let best = 0;
    let inside = false;
    for (let x = 0; x < width; x++) {
      const value = squared[y * width + x] as number;
      if (value > 0) {
        inside = true;
        best = Math.max(best, Math.sqrt(value));
      } else if (inside) break;
    }
    // A pixel's center is half a pixel from its edge: a stem of 2n pixels has its farthest centers n − ½ + ½ from white centers.
    if (best > 0) widest.push(2 * best - 1);
  }
  return widest.sort((a, b) => a - b)[widest.length >> 1] ?? NaN;
}

describe('capital stems agree with the medial thickness of a raster within 3 %', () => {
  it.each([
    'roboto-slab',
    'alfa-slab-one',
    'jost',
    'montserrat',
    'inter',
    'archivo',
    'oswald',
    'prata',
    'playfair-display',
    'abril-fatface',
    'zilla-slab',
    'league-spartan',
  ])('%s', async (id) => {
    const file = shipped.find((family) => family.id === id)?.faces[0]?.file ?? '';
    const face = valueOf(openTypeface(file, await fontBytes(file)));
    const { measures } = measureFace(face);
    const instance = face.at({});
    const [shaped] = instance.shape({ text: 'H', direction: 'ltr', script: 'Latn', features: {} });
    const em = instance.metrics.unitsPerEm;
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 ${-em} ${em} ${em}" width="${SIZE_PX}" height="${SIZE_PX}"><path d="${pathData(instance.outline(shaped?.glyph ?? 0))}"/></svg>`;
    const { pixels, width, height } = new Resvg(svg).render();
    const baseline = height;
    const capPx = (measures.capHeight / 1000) * SIZE_PX;
    const rows = [Math.round(baseline - capPx * 0.35), Math.round(baseline - capPx * 0.2)] as const;
    const thickness = (medialThickness((x, y) => pixels[(y * width + x) * 4 + 3] as number, width, height, rows) / SIZE_PX) * 1000;
    expect(Math.abs(thickness / measures.capitalStem - 1), `${thickness} against ${measures.capitalStem}`).toBeLessThan(0.03);
  });
});
