import { describe, expect, it } from 'vitest';
import {
  accepted,
  exchanged,
  HARMONY_NAMES,
  harmonyOf,
  isPrintable,
  MOST_SWATCHES,
  movedSwatch,
  noted,
  oklchOf,
  paletteFaults,
  paletteForm,
  plainCmyk,
  recolored,
  recovered,
  STARTING_PALETTE,
  swatchesOf,
  tintsOf,
  withoutSwatch,
  withSwatch,
  writtenForm,
  type Hex,
  type Palette,
  type SwatchKey,
} from '$core/index';
import fc from '../../support/properties';

const hexes = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);
const key = (n: number): SwatchKey => `s-aaaa${n}`;
const many = (count: number): Palette =>
  Array.from({ length: count }).reduce<Palette>(
    (palette, _, n) => withSwatch(palette, { key: key(n), name: `Color ${n}`, hex: `#${(n * 5000 + 4096).toString(16).padStart(6, '0')}` }),
    STARTING_PALETTE,
  );

describe('editing a palette', () => {
  it('holds 24 swatches and no more', () => {
    expect(swatchesOf(many(19))).toHaveLength(MOST_SWATCHES);
    const full = many(19);
    expect(withSwatch(full, { key: 's-zzzz', name: 'One too many', hex: '#123456' })).toBe(full);
    expect(accepted(paletteForm, full).ok).toBe(true);
  });

  it('names, uses, print values and spot names are kept with a swatch, written and read again; what is emptied leaves no trace', () => {
    const told = noted(noted(many(2), 'lead', { name: 'Harbor', cmyk: { c: 90, m: 60, y: 20, k: 10 } }), key(1), {
      name: 'Foam',
      use: 'grounds',
      spot: 'House Blue',
    });
    expect(swatchesOf(told).map(({ name }) => name)).toContain('Harbor');
    expect(swatchesOf(told).map(({ name }) => name)).toContain('Foam');
    const again = recovered(paletteForm, JSON.parse(JSON.stringify(writtenForm(paletteForm, told))));
    expect(again.ok && again.value.value).toEqual(told);
    const emptied = noted(noted(told, 'lead', { name: undefined, cmyk: undefined }), key(1), { use: undefined, spot: undefined });
    expect(emptied.notes).toBeUndefined();
  });

  it('a palette as an earlier version stored it reads as it was', () => {
    const old = { version: 2, ...STARTING_PALETTE, more: [{ key: 's-abcd', name: 'Sand', hex: '#d9c7a0' }] };
    const read = recovered(paletteForm, old);
    expect(read.ok && read.value.value).toEqual({ ...STARTING_PALETTE, more: old.more });
  });

  it('a swatch goes with all that was noted of it', () => {
    const told = noted(many(2), key(0), { use: 'edges' });
    expect(withoutSwatch(told, key(0))).toEqual({ ...STARTING_PALETTE, more: [swatchesOf(many(2))[6]] });
    expect(withoutSwatch(withoutSwatch(told, key(0)), key(1))).toEqual(STARTING_PALETTE);
  });

  it('moves among the swatches beyond the roles, and stops at the ends', () => {
    const palette = many(3);
    expect(movedSwatch(palette, key(2), -1).more?.map((swatch) => swatch.key)).toEqual([key(0), key(2), key(1)]);
    expect(movedSwatch(palette, key(0), -1)).toBe(palette);
    expect(movedSwatch(palette, key(2), 1)).toBe(palette);
  });

  it('exchanges a swatch with a role: colors and their print values change places, uses stay; twice is as before', () => {
    const told = noted(noted(many(1), 'lead', { cmyk: { c: 1, m: 2, y: 3, k: 4 } }), key(0), { use: 'grounds' });
    const once = exchanged(told, key(0), 'lead');
    expect(once.lead).toBe(told.more?.[0]?.hex);
    expect(once.more?.[0]?.hex).toBe(told.lead);
    expect(once.notes?.[key(0)]).toEqual({ use: 'grounds', cmyk: { c: 1, m: 2, y: 3, k: 4 } });
    expect(exchanged(once, key(0), 'lead')).toEqual(told);
  });
});

describe('what is worth a look in a palette', () => {
  const plain: Palette = { ink: '#1d2a35', paper: '#fffdf8', lead: '#b5533c', second: '#2f7f9f', accent: '#e3b23c' };
  it('is nothing where all are apart', () => expect(paletteFaults(plain)).toEqual([]));
  it('is two equal colors, two near ones, pure black, and red beside green', () => {
    const codes = (palette: Palette) => paletteFaults(palette).map(({ code, keys }) => `${code} ${keys.join(' ')}`);
    expect(codes(recolored(plain, 'second', plain.lead))).toEqual(['near-duplicate lead second']);
    expect(codes({ ...plain, second: '#b4553f' })).toEqual(['near-duplicate lead second']);
    expect(codes({ ...plain, ink: '#000000' })).toEqual(['pure-black ink']);
    expect(codes({ ...plain, lead: '#b5533c', second: '#79742a' })).toContain('confused lead second');
  });
});

describe('tints, shades and harmonies', () => {
  it('tints go in even steps of lightness and keep the hue', () => {
    fc.assert(
      fc.property(hexes, (hex) => {
        const steps = tintsOf(hex).map(oklchOf);
        steps.forEach(({ l }, at) => expect(l).toBeCloseTo(0.97 - (0.77 * at) / 8, 2));
        const { c, h } = oklchOf(hex);
        // Rounding to whole channels moves a dark color by up to 0.0025 in Oklab (every fifth channel value tried): the arc, as its
        // angle says the more the grayer a step is.
        const arc = (step: { c: number; h: number }) => ((Math.abs(((step.h - h + 540) % 360) - 180) * Math.PI) / 180) * step.c;
        if (c > 0.05) for (const step of steps) expect(arc(step)).toBeLessThan(0.0035);
      }),
      { numRuns: 150, examples: [['#fbb66f'], ['#917346']] },
    );
  });

  it('harmonies turn the hue as they say and never leave what a screen shows', () => {
    const turns = (harmony: (typeof HARMONY_NAMES)[number]) =>
      harmonyOf('#8a5a3a', harmony).map((hex) => Math.round(((oklchOf(hex).h - oklchOf('#8a5a3a').h + 360) % 360) / 30) * 30);
    expect(turns('thirds').slice(0, 2)).toEqual([120, 240]);
    expect(turns('quarters')).toEqual([90, 180, 270]);
    expect(turns('split opposite').slice(0, 2)).toEqual([150, 210]);
    for (const harmony of HARMONY_NAMES) for (const hex of harmonyOf('#808080', harmony)) expect(oklchOf(hex).c).toBeLessThan(0.001);
  });
});

describe('print', () => {
  // ISO 32000-1, 10.3.5: with black generated in full, one of cyan, magenta and yellow is always none.
  it('plain values turn back into the color by the same rule', () => {
    fc.assert(
      fc.property(hexes, (hex) => {
        const { c, m, y, k } = plainCmyk(hex);
        expect(Math.min(c, m, y)).toBe(0);
        const channel = (ink: number) => 255 * (1 - ink / 100) * (1 - k / 100);
        [c, m, y].forEach((ink, at) =>
          expect(Math.abs(channel(ink) - Number.parseInt(hex.slice(1 + 2 * at, 3 + 2 * at), 16))).toBeLessThan(2.6),
        );
      }),
    );
  });
  // Common practice: neon and pure screen colors cannot be printed in process inks, earthen and grayish ones can.
  it.each<[Hex, boolean]>([
    ['#00ff00', false],
    ['#0000ff', false],
    ['#ff00ff', false],
    ['#ff6a00', false],
    ['#8a5a3a', true],
    ['#1f2421', true],
    ['#2b4a6b', true],
    ['#ffffff', true],
    ['#c9cdc8', true],
  ])('%s can be printed: %s', (hex, printable) => expect(isPrintable(hex)).toBe(printable));
});
