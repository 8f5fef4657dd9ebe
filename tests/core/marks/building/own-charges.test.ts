import { describe, expect, it } from 'vitest';
import {
  armsSchema,
  boundsOf,
  builtParts,
  dress,
  EMPTY_RECIPE,
  madeBy,
  numbersOf,
  parseRecipe,
  expect as valueOf,
  readPath,
  regionsOfPart,
  rightsOf,
  STARTING_PALETTE,
  writeRecipe,
  type ArmsItem,
  type BuildContext,
  type Heard,
  type KnownPart,
  type OwnPiece,
  type Recipe,
} from '$core/index';
import { areaOf } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { paths, resolverOf } from '../../../support/resolver';

const shelf = await shelfOf('playfair-display');
const { resolve } = resolverOf(shelf);
const remember: BuildContext['remember'] = (_, make) => make();
const heard: Heard = { text: 'Gorsebank', font: { family: 'playfair-display', style: 'normal', axes: {} } };

/** A beast of two pieces that looks to the right: a body with a hole, and a head. */
const BEAST: OwnPiece = {
  word: 'beast',
  source: { title: 'Beast', author: 'A. Drawer', license: 'CC-BY-3.0', set: 'Bold pictures', name: 'beast' },
  turned: false,
  pieces: [
    { data: 'M-500 -200L300 -200L300 400L-500 400ZM-300 0L-300 200L100 200L100 0Z', rule: 'evenodd' },
    { data: 'M200 -400L500 -300L200 -150Z', rule: 'nonzero' },
  ],
};
const charges = (more: object): ArmsItem =>
  ({ is: 'charges', what: 'own:beast', count: 1, tincture: 'or', arranged: 'center', ...more }) as ArmsItem;
function crest(numbers: object): { readonly recipe: Recipe; readonly codes: readonly string[] } {
  const own = { own: [BEAST], withBanner: false, ...numbers };
  const parts = builtParts(
    EMPTY_RECIPE,
    'crest',
    { builder: 'crest', numbers: own, follows: null, heard },
    { fonts: shelf, paths, remember, heard },
  );
  if (!parts) throw new Error('nothing was built');
  const recipe = { ...EMPTY_RECIPE, parts };
  const mark = resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
  return { recipe, codes: mark.parts.flatMap(({ notices }) => notices.map(({ code }) => code)) };
}
/** What a crest tells the designer while it is built. */
const saidOf = (numbers: object): readonly string[] =>
  madeBy({ builder: 'crest', numbers: { own: [BEAST], ...numbers } }, { fonts: shelf, paths, remember, heard })?.notices.map(
    ({ message }) => message,
  ) ?? [];
const arms = (...items: readonly ArmsItem[]) => ({ arms: armsSchema.parse({ first: 'azure', items: [...items] }) });
const beasts = ({ recipe }: { readonly recipe: Recipe }) =>
  recipe.parts.filter((part): part is KnownPart => 'name' in part && part.name === 'Beast');
const inked = (recipe: Recipe, id: string) => {
  const mark = resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
  return { area: areaOf(regionsOfPart(mark, id), 0.05), ink: mark.parts.find((part) => part.id === id)?.ink };
};

describe('a charge that was brought', () => {
  it('stands as often as the blazon says, each with whose it is, as heavy to the eye as one of ours', () => {
    const made = crest(arms(charges({ count: 3, arranged: 'two-and-one' })));
    expect(made.codes).toEqual([]);
    expect(beasts(made)).toHaveLength(3);
    for (const part of beasts(made)) expect(part.kind === 'art' && part.source).toEqual(BEAST.source);
    const ours = crest(arms(charges({ what: 'roundel', count: 3, arranged: 'two-and-one' })));
    const [theirs, roundel] = [
      inked(made.recipe, beasts(made)[0]?.id ?? ''),
      inked(ours.recipe, ours.recipe.parts.find((part) => 'name' in part && part.name === 'Roundel')?.id ?? ''),
    ];
    // A disk of the same weight, but for what is limited by its room.
    expect(theirs.area / roundel.area).toBeGreaterThan(0.75);
    expect(theirs.area / roundel.area).toBeLessThan(1.05);
  });

  it('has its hole, and turns round', () => {
    const area = (turned: boolean) => {
      const made = crest({ ...arms(charges({})), own: [{ ...BEAST, turned }] });
      const { area: sum, ink } = inked(made.recipe, beasts(made)[0]?.id ?? '');
      const part = beasts(made)[0];
      const data = part?.kind === 'art' ? (part.pieces[0]?.data ?? '') : '';
      const box = boundsOf(readPath(data) ?? { verbs: '', coords: [] });
      return { share: sum / (((ink?.right ?? 0) - (ink?.left ?? 0)) * ((ink?.bottom ?? 0) - (ink?.top ?? 0))), data, box };
    };
    const [once, turned] = [area(false), area(true)];
    // A body of 800 × 600 with a hole of 400 × 200, and a head of half of 300 × 250, of which a triangle of 100 × 50 lies in the body.
    expect(once.share).toBeCloseTo((800 * 600 - 400 * 200 + (300 * 250) / 2 - (100 * 50) / 2) / (1000 * 800), 3);
    expect(turned.share).toBeCloseTo(once.share, 6);
    expect(turned.data).not.toBe(once.data);
  });

  it('is engraved, strewn, on an ordinary and beside one', () => {
    for (const numbers of [
      { ...arms(charges({ count: 3, arranged: 'two-and-one' })), hatched: true },
      arms(charges({ count: 12, arranged: 'seme' })),
      { ...arms(charges({ count: 12, arranged: 'seme' })), hatched: true },
      arms({ is: 'ordinary', ordinary: 'chief', line: 'straight', tincture: 'or', on: { what: 'own:beast', count: 2, tincture: 'azure' } }),
      arms({
        is: 'ordinary',
        ordinary: 'fess',
        line: 'wavy',
        tincture: 'or',
        between: { what: 'own:beast', count: 3, tincture: 'argent' },
      }),
    ]) {
      const made = crest(numbers);
      const all = made.recipe.parts.filter((part) => 'name' in part && /^beasts?/i.test(part.name ?? ''));
      expect(all.length).toBeGreaterThan(0);
      for (const part of all) expect(part.kind === 'art' && part.source.license).toBe('CC-BY-3.0');
      expect(valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(made.recipe)))))).toEqual(made.recipe);
    }
  });

  it('decides what may be sold and registered', () => {
    const { recipe } = crest(arms(charges({})));
    expect(rightsOf(recipe, new Map(), { family: () => undefined })).toMatchObject({ sell: 'with credit', register: 'no' });
    expect(rightsOf(crest({ ...arms(), own: [BEAST] }).recipe, new Map(), { family: () => undefined })).toMatchObject({ sell: 'yes' });
  });

  it('stands above the shield and beside it: as a live mirror pair, or alone to either side', () => {
    const both = crest({ ...arms(), supporters: 'own:beast', top: 'own:beast' });
    expect(beasts(both)).toHaveLength(2);
    expect(both.recipe.parts.some((part) => part.kind === 'symmetry')).toBe(true);
    const places = (['left', 'right'] as const).map((sides) => {
      const alone = crest({ ...arms(), supporters: 'own:beast', sides });
      expect(alone.recipe.parts.some((part) => part.kind === 'symmetry')).toBe(false);
      const [only] = beasts(alone);
      return { x: only?.place.x ?? NaN, flip: only?.place.flip ?? false, box: inked(alone.recipe, only?.id ?? '').ink };
    });
    const [left, right] = places;
    expect(left?.x).toBeCloseTo(-(right?.x ?? NaN), 6);
    expect([left?.flip, right?.flip]).toEqual([true, false]);
    expect(left?.box?.left).toBeCloseTo(-(right?.box?.right ?? NaN), 3);
    // One of ours can stand alone as well.
    expect(crest({ ...arms(), supporters: 'tower', sides: 'left' }).codes).toEqual([]);
  });

  it('is the shield itself, without its holes, at the height that is asked; what crosses itself is one area', () => {
    const shieldOf = (container: string, own: readonly OwnPiece[] = [BEAST]) => {
      const made = crest({ ...arms(), container, own, sizePx: 400 });
      const shield = made.recipe.parts.find((part) => 'name' in part && part.name === 'Shield');
      const field = made.recipe.parts.find((part) => 'name' in part && part.name === 'Field');
      return { shield, ...inked(made.recipe, shield?.id ?? ''), field: inked(made.recipe, field?.id ?? '') };
    };
    const own = shieldOf('own:beast');
    expect((own.ink?.bottom ?? 0) - (own.ink?.top ?? 0)).toBeCloseTo(400, 3);
    // The hole of 400 × 200 is filled; 800 tall becomes 400.
    expect(own.area).toBeCloseTo((800 * 600 + (300 * 250) / 2 - (100 * 50) / 2) / 4, -2);
    expect(own.field.area).toBeGreaterThan(own.area * 0.7);
    expect(own.field.area).toBeLessThan(own.area);
    // A bow tie, drawn in one line that crosses itself.
    const bow = { ...BEAST, word: 'bow', pieces: [{ data: 'M-500 -300L500 300L500 -300L-500 300Z', rule: 'nonzero' as const }] };
    const crossed = shieldOf('own:bow', [bow]);
    expect(crossed.area).toBeGreaterThan(0);
    expect(crossed.field.area).toBeGreaterThan(crossed.area * 0.6);
    // Where it is gone, a heater stands in, and it is said.
    expect(shieldOf('own:gone').shield?.kind).toBe('shape');
  });

  it('that lost its picture is said by name, and the rest stands', () => {
    const made = crest({ ...arms(charges({}), charges({ what: 'key' })), own: [], supporters: 'own:heron' });
    expect(beasts(made)).toEqual([]);
    expect(made.recipe.parts.some((part) => 'name' in part && part.name === 'Key')).toBe(true);
    expect([...saidOf({ ...arms(charges({})), own: [], supporters: 'own:heron', top: 'own:crane', container: 'own:kite' })].sort()).toEqual(
      ['beast', 'crane', 'heron', 'kite'].map((word) => `There is no picture for “${word}”.`),
    );
    expect(saidOf(arms(charges({})))).toEqual([]);
  });

  it('is refused where it is no drawing, or too much of one', () => {
    const own = (...pieces: readonly object[]) => numbersOf('crest', { own: pieces }).ok;
    expect(own(BEAST)).toBe(true);
    expect(own({ ...BEAST, word: 'beast 2' })).toBe(false);
    expect(own({ ...BEAST, word: '' })).toBe(false);
    expect(own({ ...BEAST, pieces: [] })).toBe(false);
    expect(own({ ...BEAST, pieces: [{ data: '<script>' }] })).toBe(false);
    expect(own({ ...BEAST, pieces: [{ data: `M0 0${'L1 1'.repeat(9000)}Z` }] })).toBe(false);
    expect(own(...Array.from({ length: 7 }, () => BEAST))).toBe(false);
    expect(numbersOf('crest', { arms: { items: [{ is: 'charges', what: 'lion', tincture: 'or' }] } }).ok).toBe(false);
  });
});
