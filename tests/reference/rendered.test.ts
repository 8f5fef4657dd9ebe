import { Resvg } from '@resvg/resvg-js';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { canvasSchema, createPart, EMPTY_RECIPE, expect as valueOf, startOf, STARTING_PALETTE, type Form } from '$core/index';
import { FORMATS, type PictureSubject } from '../../src/lib/server/formats';
import { plainPng, rendered, renderedFine, straight } from '../../src/lib/server/pixels/rendered';
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

const disk = valueOf(
  createPart({ id: 'disk', kind: 'shape', form: { ...startOf('disk'), widthPx: 100, heightPx: 100 } as Form, paint: { role: 'lead' } }),
);
const subject: PictureSubject = {
  ...{ title: 'Disk', recipe: { ...EMPTY_RECIPE, parts: [disk] }, sources: new Map(), palette: STARTING_PALETTE, dressing: 'full' },
  ...{ ownFamilies: [], ownPictures: new Set<string>() },
};

describe('a PNG', () => {
  // 300 pixels per inch where a size in print says none (common practice); the codec reads pixels per metre back.
  it.each([
    ['in mm', { unit: 'mm', width: 20 }, 300],
    ['in mm at 150 dpi', { unit: 'mm', width: 20, dpi: 150 }, 150],
    ['in px at 72 dpi', { width: 120, dpi: 72 }, 72],
    ['in px', { width: 120 }, undefined],
  ] as const)('%s says its resolution, clear and on a ground, or none', async (_name, canvas, dpi) => {
    for (const ground of [undefined, '#ffffff'] as const) {
      const file = Buffer.from(await FORMATS.png.make(subject, { canvas: canvasSchema.parse(canvas), ground }));
      const at = file.indexOf('pHYs');
      if (dpi === undefined) expect(at).toBe(-1);
      else expect(file.readUInt32BE(at + 4) * 0.0254).toBeCloseTo(dpi, 0);
      expect(file.indexOf('pHYs', at + 1)).toBe(-1);
    }
  });
});

describe('pixels that were rendered', () => {
  it('finer than they are shown are the rounded means of all that lies on them, by sums of single channels', async () => {
    for (const [seed, wide, high] of [
      [5, 90, 60],
      [6, 1, 1],
      [7, 37, 61],
    ] as const) {
      const [svg, side] = [scene(seed, wide, high), 4];
      const [fine, made] = [await rendered(svg, wide * side), await renderedFine(svg, side, wide)];
      expect([made.widthPx, made.heightPx]).toEqual([wide, high]);
      const sums = new Array<number>(wide * high * 4).fill(0);
      fine.premultiplied.forEach((value, at) => {
        const [pixel, channel] = [Math.floor(at / 4), at % 4];
        const [x, y] = [Math.floor((pixel % fine.widthPx) / side), Math.floor(Math.floor(pixel / fine.widthPx) / side)];
        sums[(y * wide + x) * 4 + channel] = (sums[(y * wide + x) * 4 + channel] as number) + value;
      });
      expect([...made.premultiplied]).toEqual(sums.map((sum) => Math.floor((sum + side * side * 0.5) / (side * side))));
    }
  });

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
    const file = await plainPng(pixels);
    expect(Buffer.compare(PNG.sync.read(Buffer.from(file)).data, pixels.rgba)).toBe(0);
    expect(Buffer.from(file).includes('pHYs')).toBe(false);
  });
});
