import { describe, expect, it } from 'vitest';
import {
  createFontShelf,
  createPart,
  faceFor,
  fontsNeeded,
  restingValue,
  scriptsCovered,
  kerningPairs,
  expect as valueOf,
  type FontChoice,
  type KnownPart,
  type ShippedFamily,
  RECIPE_VERSION,
} from '$core/index';
import { createFontLoader, openTypeface } from '$core/shaping';
import { drawnFace } from '../../support/drawn-face';
import { fontBytes, shelfOf, shipped } from '../../support/fonts';

const family = (...faces: readonly (readonly [file: string, style: 'normal' | 'italic', weight?: number])[]): ShippedFamily => ({
  ...{ id: 'probe', name: 'Probe', class: 'test', license: 'OFL-1.1', source: 'test' },
  faces: faces.map(([file, style, weight]) => ({
    file,
    style,
    sha256: '0'.repeat(64),
    sizeBytes: 1,
    ...(weight === undefined ? {} : { weight }),
  })),
});
const wanted = (change: Partial<FontChoice> = {}): FontChoice => ({ family: 'probe', style: 'normal', axes: {}, ...change });

describe('faceFor', () => {
  const whole = family(['regular', 'normal', 400], ['bold', 'normal', 700], ['slanted', 'italic', 400]);
  it.each([
    [{}, 'regular'],
    [{ axes: { wght: 600 } }, 'bold'],
    [{ axes: { wght: 540 } }, 'regular'],
    [{ axes: { wght: 9999 } }, 'bold'],
    [{ style: 'italic' as const, axes: { wght: 700 } }, 'slanted'],
  ])('takes style first, then the nearest weight: %j is %s', (change, file) => expect(faceFor(whole, wanted(change)).file).toBe(file));

  it('uses the upright where a family has no italic, and the variable face for any weight', () => {
    expect(faceFor(family(['only', 'normal', 400]), wanted({ style: 'italic' })).file).toBe('only');
    expect(faceFor(family(['variable', 'normal']), wanted({ axes: { wght: 850 } })).file).toBe('variable');
  });
});

describe('restingValue', () => {
  it('is regular weight, display size and otherwise the font’s own default, within what the axis has', () => {
    expect(restingValue({ tag: 'wght', min: 100, default: 900, max: 900 })).toBe(400);
    expect(restingValue({ tag: 'wght', min: 500, default: 700, max: 900 })).toBe(500);
    expect(restingValue({ tag: 'opsz', min: 6, default: 12, max: 24 })).toBe(24);
    expect(restingValue({ tag: 'wdth', min: 50, default: 80, max: 200 })).toBe(80);
  });
});

describe('createFontLoader', () => {
  const jost = shipped.find(({ id }) => id === 'jost') as ShippedFamily;
  const choice: FontChoice = { family: 'jost', style: 'normal', axes: {} };

  it('fetches a face once, however many ask at the same time, and then has it without waiting', async () => {
    let fetched = 0;
    const loader = createFontLoader([jost], (face) => {
      fetched++;
      return fontBytes(face.file);
    });
    expect(loader.shelf.find(choice).ok).toBe(false);
    await Promise.all([loader.load([choice]), loader.load([choice, choice]), loader.load([choice])]);
    await loader.load([choice]);
    expect(fetched).toBe(1);
    expect(loader.shelf.find(choice).ok).toBe(true);
  });

  it('asks again after a failed fetch, and leaves what cannot be had, and unknown families, to the shelf', async () => {
    let fails = true;
    const loader = createFontLoader([jost], (face) => (fails ? Promise.reject(new Error('offline')) : fontBytes(face.file)));
    await loader.load([choice]);
    const missed = loader.shelf.find(choice);
    expect(missed.ok ? '' : missed.problems[0]?.code).toBe('font-not-loaded');
    fails = false;
    await loader.load([choice, { ...choice, family: 'nowhere' }]);
    expect(loader.shelf.find(choice).ok).toBe(true);
    const gone = loader.shelf.find({ ...choice, family: 'nowhere' });
    expect(gone.ok ? '' : gone.problems[0]?.code).toBe('font-missing');
  });
});

describe('openTypeface', () => {
  it('refuses what is no font, without throwing', () => {
    for (const bytes of [new Uint8Array(), new Uint8Array(100), Uint8Array.from([0, 1, 0, 0, 0, 1])])
      expect(openTypeface('probe', bytes).ok).toBe(false);
  });

  it('keeps axes within their range, and instances of the same setting are the same', async () => {
    const face = valueOf(openTypeface('jost', await fontBytes('jost/jost-latin-wght-normal.woff2')));
    const at = (wght: number) => face.at({ wght }).shape({ text: 'W', direction: 'ltr', script: 'Latn', features: {} })[0]?.advance;
    expect(face.at({ wght: 900 })).toBe(face.at({ wght: 900 }));
    expect(at(5000)).toBe(at(900));
    expect(at(-1)).toBe(at(100));
    expect(at(900)).not.toBe(at(100));
    expect(face.at({ XXXX: 3 })).toBe(face.at({}));
  });
});

describe('fontsNeeded', () => {
  const recipeOf = (text: string, fallback: string | null = null) => ({
    version: RECIPE_VERSION,
    parts: [valueOf(createPart({ kind: 'lettering', id: 'name', text, font: { family: 'jost' }, fallback })) as KnownPart],
  });
  const families = (text: string, fallback: string | null = null) =>
    fontsNeeded(recipeOf(text, fallback), new Map()).map(({ family: id }) => id);

  it('is the font alone for Latin, with the lenders when other letters may be missing', () => {
    expect(families('Windrow Café')).toEqual(['jost']);
    expect(families('Ωmega')).toEqual(['jost', 'noto-sans', 'noto-sans-arabic', 'noto-sans-hebrew']);
    expect(families('Windrow', 'noto-sans')).toEqual(['jost', 'noto-sans']);
  });
});

describe('coverage and kerning of a face', () => {
  it('counts a script only when every letter is there', async () => {
    const shelf = await shelfOf('noto-sans', 'noto-sans-hebrew', 'jost');
    const scripts = (id: string) => scriptsCovered(valueOf(shelf.find({ family: id, style: 'normal', axes: {} })));
    expect(scripts('noto-sans')).toEqual(
      expect.arrayContaining(['Basic Latin', 'Western European', 'Central European', 'Greek', 'Cyrillic']),
    );
    expect(scripts('noto-sans-hebrew')).toContain('Hebrew');
    expect(scripts('jost')).not.toContain('Cyrillic');
    expect(scriptsCovered(drawnFace({ A: [[0, 0, 1, 1]] }))).toEqual([]);
  });

  it('finds no kerning where the font has none, and hundreds of pairs where it has', async () => {
    const shelf = await shelfOf('yellowtail', 'montserrat');
    const pairs = (id: string) => kerningPairs(valueOf(shelf.find({ family: id, style: 'normal', axes: {} })));
    expect(pairs('yellowtail')).toBe(0);
    expect(pairs('montserrat')).toBeGreaterThan(300);
    expect(createFontShelf([], new Map()).family('montserrat')).toBeUndefined();
  });
});
