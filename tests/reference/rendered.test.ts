import { Resvg } from '@resvg/resvg-js';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { plainPng, rendered, straight } from '../../src/lib/server/formats/rendered';
import { random } from '../support/random';

/** Disks of any color and opacity, one over the other. */
function scene(seed: number, widthPx: number, heightPx: number): string {
  const next = random(seed);
  const disks = Array.from({ length: 30 }, () => {
    const color = `rgb(${[0, 0, 0].map(() => Math.floor(next() * 256)).join()})`;
    return `<circle cx="${next() * widthPx}" cy="${next() * heightPx}" r="${next() * 40}" fill="${color}" fill-opacity="${next()}"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}">${disks.join('')}</svg>`;
}

describe('pixels that were rendered', () => {
  it('have the colors that the renderer writes into its own PNG, as another reader sees them', async () => {
    for (const [seed, wide, high] of [
      [1, 160, 90],
      [2, 1, 1],
      [3, 33, 121],
      [4, 200, 200],
    ] as const) {
      const svg = scene(seed, wide, high);
      const wanted = PNG.sync.read(new Resvg(svg, { font: { loadSystemFonts: false } }).render().asPng());
      const pixels = straight(await rendered(svg, wide));
      expect([pixels.widthPx, pixels.heightPx]).toEqual([wanted.width, wanted.height]);
      expect(Buffer.compare(pixels.rgba, wanted.data), `seed ${seed}`).toBe(0);
      expect(wide === 1 || pixels.rgba.some((alpha, at) => at % 4 === 3 && alpha > 0 && alpha < 255)).toBe(true);
    }
  });

  it('become a PNG of the same pixels that says nothing of a size in print', async () => {
    const pixels = straight(await rendered(scene(5, 120, 80), 120));
    const png = await plainPng(pixels);
    expect(Buffer.compare(PNG.sync.read(Buffer.from(png)).data, pixels.rgba)).toBe(0);
    expect(Buffer.from(png).includes('pHYs')).toBe(false);
  });
});
