import { describe, expect, it } from 'vitest';
import { noted, paletteFormats, readColors, STARTING_PALETTE, swatchesOf, withSwatch, type PaletteFormatName } from '$core/index';
import fc from '../../support/properties';

const palette = withSwatch(
  withSwatch(noted(STARTING_PALETTE, 'lead', { name: 'Harbor / "blue" & <deep>' }), { key: 's-aaaa', name: 'Séa 🌊', hex: '#2f7f9f' }),
  {
    key: 's-bbbb',
    name: 'Sea',
    hex: '#aabbcc',
  },
);
const codes = swatchesOf(palette).map(({ hex }) => hex);

describe('every form of palette file', () => {
  it.each(Object.keys(paletteFormats) as PaletteFormatName[])('%s: what is written reads back color by color', (name) => {
    const written = paletteFormats[name].write(palette, 'Windrow & <Kites>');
    expect(readColors(written).colors.map(({ hex }) => hex)).toEqual(codes);
    expect(paletteFormats[name].read(written).skipped).toEqual([]);
  });
});

describe('colors from elsewhere', () => {
  // Design Tokens Community Group, Format Module: groups, inherited $type, aliases, other types.
  it('a token file with groups, an inherited type, aliases, a wide-gamut color and types that are not ours', () => {
    const file = {
      brand: {
        $type: 'color',
        deep: { $value: '#123456' },
        alias: { $value: '{brand.deep}' },
        object: { $value: { colorSpace: 'srgb', components: [1, 0.5, 0], hex: '#ff8000' } },
        wide: { $value: { colorSpace: 'display-p3', components: [0, 1, 0] } },
        glass: { $value: '#11223344' },
        circle: { $value: '{brand.circle}' },
      },
      space: { $type: 'dimension', small: { $value: { value: 4, unit: 'px' } } },
      odd: { $type: 'wobble', $value: 'left' },
      old: { value: 'hsl(120 100% 25%)', type: 'color' },
    };
    const { colors, skipped } = readColors(JSON.stringify(file));
    expect(colors.map(({ name, hex, broughtIn }) => [name, hex, broughtIn])).toEqual([
      ['brand deep', '#123456', false],
      ['brand alias', '#123456', false],
      ['brand object', '#ff8000', false],
      ['brand wide', expect.stringMatching(/^#0/), true],
      ['old', '#008000', false],
    ]);
    expect(skipped).toEqual(['brand.glass', 'brand.circle', 'space.small', 'odd']);
  });

  it('custom properties of CSS, by their names, aliases followed', () => {
    const { colors } = readColors(':root{--color-deep-sea: oklch(40% 0.1 240); --gap: 4px; --ink: #111; --text: var(--ink)}');
    expect(colors.map(({ name }) => name)).toEqual(['deep sea', 'ink', 'text']);
    expect(colors[2]?.hex).toBe('#111111');
  });

  it('a drawing, its titles and ids as names', () => {
    const { colors } = readColors(
      '<svg xmlns="http://www.w3.org/2000/svg"><rect id="deep_sea" fill="#123456"/><rect style="fill: rgb(1 2 3); stroke:none"><title>Night</title></rect><path fill="url(#g)"/></svg>',
    );
    expect(colors.map(({ name, hex }) => [name, hex])).toEqual([
      ['deep sea', '#123456'],
      ['Night', '#010203'],
    ]);
  });

  it('any text with codes in it, junk around and all', () => {
    const text = 'Our blue is #2B4A6B (don’t use 2b4a6c!!) — sand: rgb(217, 199, 160); see page 123456789, order #12.\nFoam\tFFEEDD';
    expect(readColors(text).colors.map(({ name, hex }) => [name, hex])).toEqual([
      ['Our blue is', '#2b4a6b'],
      ['don’t use', '#2b4a6c'],
      ['sand', '#d9c7a0'],
      ['Foam', '#ffeedd'],
    ]);
  });

  it('never throws, and finds only colors, whatever comes', () => {
    const junk = fc.oneof(
      fc.string({ maxLength: 400 }),
      fc.json(),
      fc.string().map((s) => `<svg>${s}</svg>`),
      fc.string().map((s) => `--a:${s};--b:var(--a)`),
    );
    fc.assert(
      fc.property(junk, (text) => readColors(text).colors.every(({ hex }) => /^#[0-9a-f]{6}$/.test(hex))),
      { numRuns: 400 },
    );
  });

  it('a broken file of any form, and nothing at all', () => {
    for (const text of ['', '{', '{"$value":', '<svg', '<svg><rect fill="#123456">', '--:', '[]', 'null'])
      expect(() => readColors(text)).not.toThrow();
    expect(readColors('').colors).toEqual([]);
  });
});
