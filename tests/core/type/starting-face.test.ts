import { describe, expect, it } from 'vitest';
import {
  bannerWords,
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as must,
  FALLBACK_FAMILIES,
  lenderOf,
  nameLettering,
  ringTexts,
  scriptsNeeded,
  secondLine,
  startingFamily,
  STARTING_PALETTE,
  type Lettering,
  type Recipe,
  type Shape,
} from '$core/index';
import { shelfOf } from '../../support/fonts';
import { resolverOf } from '../../support/resolver';

const { resolve } = resolverOf(await shelfOf('marcellus', 'eb-garamond', ...FALLBACK_FAMILIES));
/** What is said of letters that are not there. */
const missing = (...parts: Recipe['parts']): readonly string[] =>
  resolve({ recipe: { ...EMPTY_RECIPE, parts }, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') }).parts.flatMap(({ notices }) =>
    notices.filter(({ code }) => code === 'letters-missing').map(({ message }) => message),
  );

/** Names in every script that the library has a face for, and mixed ones. */
const NAMES = [
  'Windrow',
  'مخبز القمر',
  'מאפיית הירח',
  'Пекарня Луна',
  'Φούρνος',
  'Bäckerei مخبز',
  'مخبز Luna',
  'Φούρνος Luna',
  'Luna Пекарня',
  'מאפייה 24',
  'Țara Șoimilor',
  'Nguyễn Đình',
  'चाय घर',
];

describe('the face that a text begins in', () => {
  it.each(NAMES)('%s has all of its letters, as a name and wherever the app sets it for a start', (name) => {
    const first = nameLettering('name', name);
    expect(missing(first)).toEqual([]);
    const panel = must(createPart({ kind: 'shape', id: 'panel', form: { form: 'panel' } })) as Shape;
    const rings = ringTexts(['upper', 'lower'], [name, 'Since the first day'], first.font.family, undefined, undefined);
    expect(missing(first, secondLine('second', 'Second line', first), secondLine('third', name, nameLettering('name', 'Luna')))).toEqual(
      [],
    );
    expect(missing(...rings, panel, bannerWords('words', name, panel, first.font.family))).toEqual([]);
  });

  it('is the library’s first one for Latin, for digits, and for scripts that the library has no face for', () => {
    for (const name of ['Windrow', '1987', '', '東京', '🌙']) expect(startingFamily(name)).toBe('marcellus');
    expect(lenderOf('marcellus', 'Windrow 東京')).toBeNull();
  });

  it('lends nothing where the face has the script itself', () => {
    expect(lenderOf('noto-sans-arabic', 'مخبز')).toBeNull();
    expect(lenderOf('noto-sans-arabic', 'مخبز Luna')).toBe('noto-sans');
    expect(lenderOf('jost', 'مخبز')).toBe('noto-sans-arabic');
  });

  it('asks of a face to be tried what the words are in, beside Latin', () => {
    expect(scriptsNeeded('Bäckerei 24')).toEqual([]);
    expect(scriptsNeeded('مخبز Luna')).toEqual(['Arabic']);
    expect(scriptsNeeded('Пекарня Φούρνος')).toEqual(['Greek', 'Cyrillic']);
  });

  it('names letters that are read from right to left so that the list stays in order', () => {
    const bare = must(createPart({ kind: 'lettering', id: 'a', text: 'مخ', font: { family: 'marcellus' } })) as Lettering;
    expect(missing(bare)[0]).toBe('Marcellus has no \u2068“م”\u2069, \u2068“خ”\u2069; they are left out.');
  });
});
