import { describe, expect, test } from 'vitest';
import {
  createPart,
  dress,
  droppingLook,
  EMPTY_RECIPE,
  expect as must,
  keepingLook,
  lookFrom,
  looksOf,
  MOST_LOOKS,
  newTreatment,
  paletteForm,
  paletteSchema,
  recovered,
  STARTING_PALETTE,
  toSvg,
  wearing,
  wornBy,
  writtenForm,
  type BrandLook,
  type KeptLook,
  type Palette,
  type Recipe,
  type Treatment,
} from '$core/index';
import { shelfOf } from '../../../support/fonts';
import { resolverOf } from '../../../support/resolver';

const resolver = resolverOf(await shelfOf('jost'));
const drawn = (recipe: Recipe, palette: Palette): string =>
  toSvg(resolver.resolve({ recipe, sources: new Map(), dress: dress(palette, 'full') }).drawing, {
    title: '',
    box: { left: -300, top: -300, right: 300, bottom: 300 },
  });

const band = (widthPx: number): Treatment => newTreatment('outline-band', 't-1', { widthPx });
const kept = (treatments: readonly Treatment[], heightPx = 90): Palette =>
  keepingLook(STARTING_PALETTE, lookFrom({ id: 'print', name: 'Our print look' }, treatments, heightPx, STARTING_PALETTE));
const lookAt = ({ looks: [look] = [] }: Palette): KeptLook => look as KeptLook;
const wears = (sizePercent = 100, hidden = false): Treatment => newTreatment('brand-look', 'w', { look: 'print', sizePercent, hidden });
const disk = (treatments: readonly Treatment[]): Recipe => ({
  ...EMPTY_RECIPE,
  parts: [must(createPart({ kind: 'shape', id: 'disk', form: { form: 'disk' }, treatments: [...treatments] } as never))],
});

describe('a look that the brand keeps', () => {
  test('draws what its own treatments draw, and changes wherever it is worn when it is changed', () => {
    const palette = kept([band(5), newTreatment('soft-shadow', 't-2', {})]);
    const own = drawn(disk([band(5), newTreatment('soft-shadow', 't-2', {})]), STARTING_PALETTE);
    expect(drawn(disk([wears()]), palette)).toBe(own);
    const [look] = looksOf(palette) as [BrandLook];
    const changed = keepingLook(palette, { ...look, treatments: [band(12)] });
    expect(drawn(disk([wears()]), changed)).toBe(drawn(disk([band(12)]), STARTING_PALETTE));
    expect(drawn(disk([wears()]), changed)).not.toBe(own);
    expect(drawn(disk([wears(100, true)]), palette)).toBe(drawn(disk([]), STARTING_PALETTE));
  });

  test('its lengths grow with the size it is worn at, and stay within their limits', () => {
    const of = (percent: number) => wearing(disk([wears(percent)]), kept([band(5)])).parts[0] as { treatments?: { widthPx: number }[] };
    expect(of(200).treatments?.[0]?.widthPx).toBe(10);
    expect(of(50).treatments?.[0]?.widthPx).toBe(2.5);
    const widest = wearing(disk([wears(2000)]), kept([band(2000)])).parts[0] as { treatments?: { widthPx: number }[] };
    expect(widest.treatments?.[0]?.widthPx).toBe(2000);
  });

  test('is worn on letters and on the whole mark too', () => {
    const lettering = must(
      createPart({
        ...{ kind: 'lettering', id: 'name', text: 'Ab', font: { family: 'jost' } },
        letters: [{ at: { index: 0, letter: 'A' }, treatments: [wears()] }],
      } as never),
    );
    const recipe: Recipe = { ...EMPTY_RECIPE, parts: [lettering], whole: { treatments: [wears()] } };
    const seen = JSON.stringify(wearing(recipe, kept([band(5)])));
    expect(seen).not.toContain('brand-look');
    expect(seen.match(/outline-band/g)).toHaveLength(2);
    expect(wornBy(recipe, 'print')).toBe(2);
    expect(wornBy(disk([]), 'print')).toBe(0);
  });

  test('a look made of a part that wears one holds its treatments, and never a look', () => {
    const palette = kept([band(5)]);
    const look = lookFrom({ id: 'two', name: 'Two' }, [wears(), newTreatment('halo', 'h')], 90, palette);
    expect(look.treatments.map(({ kind, id }) => [kind, id])).toEqual([
      ['outline-band', 't-1'],
      ['halo', 't-2'],
    ]);
    const forged = {
      ...palette,
      looks: [{ id: 'print', name: 'Ring', madeForPx: 90, treatments: [{ kind: 'brand-look', id: 't', look: 'print' }] }],
    };
    expect(looksOf(forged)[0]?.treatments).toEqual([]);
  });

  test('one that is gone is said, and the part shows without it', () => {
    const mark = resolver.resolve({
      recipe: disk([wears()]),
      sources: new Map(),
      dress: dress(droppingLook(kept([band(5)]), 'print'), 'full'),
    });
    expect(mark.parts[0]?.notices.map(({ code }) => code)).toContain('look-gone');
    expect(
      drawn(disk([wears()]), droppingLook(kept([band(5)]), 'print')).replace(/<g><path|<\/g><\/g>/g, (tag) =>
        tag === '<g><path' ? '<path' : '</g>',
      ),
    ).toBe(drawn(disk([]), STARTING_PALETTE));
  });

  test('is stored with the palette; a treatment of a newer version in it is kept whole and not drawn', () => {
    const palette = kept([band(5)]);
    const written = JSON.parse(JSON.stringify(writtenForm(paletteForm, palette))) as Record<string, unknown>;
    expect(must(recovered(paletteForm, written)).value).toEqual(palette);
    const newer = { ...palette, looks: [{ ...lookAt(palette), treatments: [{ kind: 'moon-glow', id: 't', phase: 3 }] }] };
    const back = must(recovered(paletteForm, JSON.parse(JSON.stringify(writtenForm(paletteForm, newer as Palette))))).value;
    expect(back.looks?.[0]?.treatments).toEqual([{ kind: 'moon-glow', id: 't', phase: 3 }]);
    const [look] = looksOf(back) as [BrandLook];
    expect(keepingLook(back, look).looks?.[0]?.treatments).toEqual([{ kind: 'moon-glow', id: 't', phase: 3 }]);
  });

  test('there is room for so many, and two of one id are refused', () => {
    let palette: Palette = STARTING_PALETTE;
    for (let n = 0; n < MOST_LOOKS + 3; n++)
      palette = keepingLook(palette, lookFrom({ id: `l-${n}`, name: `Look ${n}` }, [band(4)], 90, palette));
    expect(palette.looks).toHaveLength(MOST_LOOKS);
    expect(paletteSchema.safeParse(palette).success).toBe(true);
    const twice = { ...palette, looks: [lookAt(palette), lookAt(palette)] };
    expect(paletteSchema.safeParse(twice).success).toBe(false);
    expect(keepingLook(STARTING_PALETTE, { id: 'x', name: 'Empty', madeForPx: 90, treatments: [] })).toBe(STARTING_PALETTE);
  });
});
