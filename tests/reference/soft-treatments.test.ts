import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  inkOf,
  newTreatment,
  IDENTITY,
  picturesIn,
  STARTING_PALETTE,
  TEXTURE_NAMES,
  toSvg,
  type TreatmentKindName,
} from '$core/index';
import { letteringInput } from '../support/drawn-mark';
import { shelfOf } from '../support/fonts';
import { resolverOf } from '../support/resolver';

const { resolve } = resolverOf(await shelfOf('playfair-display'));
const BOX = { left: -60, top: -140, right: 420, bottom: 80 };
const [WIDE, HIGH] = [480, 220];

const drawn = (treatments: readonly (readonly [TreatmentKindName, object])[], text = 'Rob') =>
  resolve({
    recipe: {
      ...EMPTY_RECIPE,
      parts: [
        valueOf(
          createPart(
            letteringInput({
              ...{ id: 'it', text, font: { family: 'playfair-display' }, sizePx: 150 },
              treatments: treatments.map(([kind, own], n) => newTreatment(kind, `t-${n}`, own as Record<string, unknown>)),
            }),
          ),
        ),
      ],
    },
    sources: new Map(),
    dress: dress(STARTING_PALETTE, 'full'),
  }).drawing;
/** Straight pixels of a drawing, by a renderer that did not draw it. */
async function pixels(drawing: ReturnType<typeof drawn>): Promise<Buffer> {
  const svg = toSvg(drawing, { box: BOX, title: '', widthPx: WIDE, heightPx: HIGH });
  const png = new Resvg(svg, { font: { loadSystemFonts: false } }).render().asPng();
  return sharp(png).ensureAlpha().raw().toBuffer();
}
const alphas = (rgba: Buffer): Float64Array => Float64Array.from({ length: rgba.length / 4 }, (_, at) => rgba[at * 4 + 3] as number);

describe('a soft shadow', () => {
  it.each([
    [6, 0, 0],
    [16, 9, 5],
    [40, 0, 14],
  ])(
    'of %i px, %i px aside, %i px larger is the Gaussian of another library, within 1 of 255 on average',
    async (softPx, distancePx, growPx) => {
      const own = { softPx, distancePx, angleDeg: 0, growPx, opacityPercent: 45 };
      // The shadow alone: what is seen, less the letters; a hard shadow of the same size is what is softened by the other library.
      const whole = alphas(await pixels(drawn([['soft-shadow', own]])));
      const hard = alphas(await pixels(drawn([['offset-shadow', { distancePx, angleDeg: 0, growPx, opacityPercent: 100 }]])));
      const plain = alphas(await pixels(drawn([])));
      // What is under the letters is hidden by them; the hard shadow's cover is asked for apart from them.
      const bare = growPx > 0 || distancePx === 0 ? hard : await shifted(plain, distancePx);
      const soft = await sharp(Buffer.from(Uint8Array.from(bare)), { raw: { width: WIDE, height: HIGH, channels: 1 } })
        .blur({ sigma: softPx / 2, precision: 'float', minAmplitude: 0.002 })
        .toColourspace('b-w')
        .raw()
        .toBuffer();
      let [sum, count] = [0, 0];
      whole.forEach((alpha, at) => {
        if ((plain[at] as number) > 0) return;
        count++;
        sum += Math.abs(alpha - 0.45 * (soft[at] as number));
      });
      expect(sum / count).toBeLessThan(1);
    },
  );
});

/** Cover moved to the right by whole pixels. */
const shifted = (cover: Float64Array, by: number): Promise<Float64Array> =>
  Promise.resolve(
    cover.map((_, at) => {
      const x = at % WIDE;
      return x - by >= 0 ? (cover[at - by] as number) : 0;
    }),
  );

describe('wear', () => {
  it.each(TEXTURE_NAMES)('of %s leaves nothing at all where it took something away, and the letters whole elsewhere', async (texture) => {
    const [plain, worn] = [
      alphas(await pixels(drawn([]))),
      alphas(await pixels(drawn([['wear', { texture, amountPercent: 30, grainPx: 6 }]]))),
    ];
    let [clear, whole, more] = [0, 0, 0];
    plain.forEach((before, at) => {
      const after = worn[at] as number;
      // Edges are cut anew: what is shown of one pixel differs by up to a quarter.
      if (after > before + 64) more++;
      if (before < 255) return;
      if (after === 0) clear++;
      if (after === 255) whole++;
    });
    const all = plain.filter((alpha) => alpha === 255).length;
    expect(more).toBe(0);
    expect(clear / all).toBeGreaterThan(0.05);
    expect(whole / all).toBeGreaterThan(0.3);
    expect((clear + whole) / all).toBeGreaterThan(0.5);
  });
});

describe('what is soft', () => {
  const SOFT = [
    'soft-shadow',
    'inner-shadow',
    'relief',
    'feather',
    'wear',
    'halftone',
    'fading-copies',
    'perspective',
    'separation',
  ] as const;
  it.each(SOFT)('%s is outlines alone, in every file', (kind) => {
    const drawing = drawn([[kind, {}]]);
    expect(picturesIn(drawing)).toEqual([]);
    expect(toSvg(drawing, { box: BOX, title: '' })).not.toMatch(/<image|<filter|<mask/);
  });
  it('relief is lit on the side of the light and shaded on the other, and the other way round where it is sunk', async () => {
    const lightOf = async (own: object) => {
      const rgba = await pixels(drawn([['relief', { widthPx: 14, ...own }]], 'I'));
      const plain = await pixels(drawn([], 'I'));
      // How much lighter the left half of the letter has become than the right one.
      let [left, right] = [0, 0];
      const ink = inkOf(drawn([], 'I').groups, IDENTITY);
      const middle = ((ink?.left ?? 0) + (ink?.right ?? 0)) / 2 - BOX.left;
      for (let at = 0; at < WIDE * HIGH; at++) {
        if (plain[at * 4 + 3] !== 255) continue;
        const more = (rgba[at * 4] as number) - (plain[at * 4] as number);
        if (at % WIDE < middle) left += more;
        else right += more;
      }
      return left - right;
    };
    expect(await lightOf({})).toBeGreaterThan(1000);
    expect(await lightOf({ sunk: true })).toBeLessThan(-1000);
    expect(await lightOf({ shape: 'cut' })).toBeGreaterThan(1000);
  });
  it('edge grows nowhere and is whole inside', async () => {
    const [plain, soft] = [alphas(await pixels(drawn([]))), alphas(await pixels(drawn([['feather', { widthPx: 3 }]])))];
    expect(soft.every((alpha, at) => alpha <= (plain[at] as number) + 2)).toBe(true);
    expect(Math.max(...soft)).toBeGreaterThan(250);
  });
});
