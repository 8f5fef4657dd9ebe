import { Resvg } from '@resvg/resvg-js';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  newTreatment,
  startOf,
  STARTING_PALETTE,
  toSvg,
  type Form,
  type Palette,
} from '$core/index';
import { resolverOf } from '../support/resolver';
import { shelfOf } from '../support/fonts';

const SIDE = 240;
const palette: Palette = { ...STARTING_PALETTE, lead: '#c06030', second: '#5080d0' };
const { resolve } = resolverOf(await shelfOf('jost'));

/** A disk in lead, worn in the second color. */
const worn = (how: string, opacityPercent: number, amountPercent = 40) =>
  resolve({
    recipe: {
      ...EMPTY_RECIPE,
      parts: [
        valueOf(
          createPart({
            ...{ id: 'it', kind: 'shape', form: { ...startOf('disk'), widthPx: 200, heightPx: 200 } as Form, paint: { role: 'lead' } },
            treatments: [
              newTreatment('wear', 'w', { how, opacityPercent, amountPercent, grainPx: 14, keepPx: 0, paint: { role: 'second' } }),
            ],
          }),
        ),
      ],
    },
    sources: new Map(),
    dress: dress(palette, 'full'),
  }).drawing;

const channels = (hex: string): readonly number[] => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255);
/** @source W3C Compositing and Blending Level 1, 5.8 "Simple alpha compositing", 10.1.2 "multiply", 10.1.3 "screen" */
const BLENDS: Readonly<Record<string, (back: number, over: number) => number>> = {
  tone: (_back, over) => over,
  multiply: (back, over) => back * over,
  screen: (back, over) => back + over - back * over,
};

/** Pixels by two renderers that did not draw it. */
const RENDERERS: readonly (readonly [string, (svg: string) => Promise<Buffer>])[] = [
  ['resvg', async (svg) => Promise.resolve(PNG.sync.read(new Resvg(svg, { font: { loadSystemFonts: false } }).render().asPng()).data)],
  ['librsvg', async (svg) => sharp(Buffer.from(svg)).ensureAlpha().raw().toBuffer()],
];

describe('a texture that lies over', () => {
  it.each(
    Object.keys(BLENDS).flatMap((how) =>
      RENDERERS.flatMap(([name, render]) => [60, 100].map((percent) => ({ how, name, render, percent }))),
    ),
  )(
    '$how at $percent % gives the color of the published formula, on its share and nowhere else ($name)',
    async ({ how, render, percent }) => {
      const half = SIDE / 2;
      const svg = toSvg(worn(how, percent), {
        box: { left: -half, top: -half, right: half, bottom: half },
        ...{ title: '', widthPx: SIDE, heightPx: SIDE },
      });
      const pixels = await render(svg);
      const [back, over] = [channels(palette.lead), channels(palette.second)];
      const share = percent / 100;
      const wanted = back.map(
        (cb, at) => 255 * ((1 - share) * cb + share * (BLENDS[how] as (b: number, o: number) => number)(cb, over[at] as number)),
      );
      const near = (at: number, color: readonly number[]) =>
        color.every((value, channel) => Math.abs((pixels[at + channel] as number) - value) <= 2);
      let [bare, toned, other, outside] = [0, 0, 0, 0];
      for (let at = 0; at < pixels.length; at += 4) {
        if ((pixels[at + 3] as number) < 255) {
          const [x, y] = [(at / 4) % SIDE, Math.floor(at / 4 / SIDE)];
          if (Math.hypot(x - half + 0.5, y - half + 0.5) > 102) outside = Math.max(outside, pixels[at + 3] as number);
        } else if (near(at, wanted)) toned++;
        else if (
          near(
            at,
            back.map((value) => value * 255),
          )
        )
          bare++;
        else other++;
      }
      expect(outside).toBe(0);
      const all = toned + bare + other;
      // Edges of grains are between the two.
      expect(other / all).toBeLessThan(0.25);
      expect(Math.abs(toned / (toned + bare) - 0.4)).toBeLessThan(0.06);
    },
  );

  it('darkens by multiplying and lightens by screening, with the same outlines', () => {
    const outlines = (how: string) => JSON.stringify(worn(how, 60)).match(/"verbs":"[^"]*"/g);
    expect(outlines('screen')).toEqual(outlines('multiply'));
  });
});
