import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  canvasBox,
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as must,
  FALLBACK_FAMILIES,
  freeAlternatives,
  isKnown,
  itemize,
  pageOrder,
  SHEET_DESIGN_NAMES,
  SHEET_PAGE_NAMES,
  SHEET_SIZE_NAMES,
  sheetFactsOf,
  sheetPages,
  sheetSchema,
  type Bounds,
  type Palette,
  type Recipe,
  type Sheet,
  type SheetFacts,
} from '$core/index';
import { shelfOf, shipped } from '../../support/fonts';
import { resolverOf } from '../../support/resolver';

const resolver = resolverOf(await shelfOf('jost', 'fraunces', ...FALLBACK_FAMILIES));
const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };
const [MARK, SMALL, POST] = ['1', '2', '3'].map((n) => `00000000-0000-4000-8000-00000000000${n}`) as [string, string, string];
const recipeOf = (...parts: object[]): Recipe => ({
  ...EMPTY_RECIPE,
  parts: parts.map((part) => must(createPart(part as Parameters<typeof createPart>[0]))),
});
const marks = (name = 'Heron') =>
  [
    {
      id: SMALL,
      name: 'Initial',
      role: 'submark',
      recipe: recipeOf({ kind: 'lettering', id: 'i', text: name.slice(0, 1), font: { family: 'jost' } }),
    },
    {
      id: MARK,
      name: 'Primary',
      role: 'primary',
      recipe: recipeOf({ kind: 'lettering', id: 'name', text: name, font: { family: 'jost' } }),
    },
    {
      id: POST,
      name: 'Post',
      role: 'piece',
      recipe: {
        ...recipeOf(),
        whole: { treatments: [], canvas: { width: 400, height: 400, unit: 'px', bleed: 0, marginPercent: 6, ground: { role: 'lead' } } },
      } as Recipe,
    },
  ].map((mark) => ({ ...mark, shelf: 'kept' as const })) as Parameters<typeof sheetFactsOf>[1];
const brief = {
  audience: 'A made-up workshop.',
  promise: 'Flown for years.',
  avoid: 'Shouting.',
  keywords: ['wind', 'thread'],
  uses: [],
  voice: {},
} as unknown as Parameters<typeof sheetFactsOf>[2]['brief'];
const type = { kept: [], dropped: [], line: '', roles: { name: [], second: ['fraunces'], body: ['jost'] } } as unknown as Parameters<
  typeof sheetFactsOf
>[2]['type'];
const measured = new Map([
  [MARK, { ratio: 3.2, clearShare: 0.2, safePx: 60 }],
  [SMALL, { ratio: 0.8, clearShare: 0.3, safePx: 16 }],
]);
const SHA = (letter: string) => letter.repeat(64);
const picture = (letter: string) => ({ sha256: SHA(letter), name: `Picture ${letter}`, widthPx: 400, heightPx: 300 });
const onBoard = (letter: string, takes = '') => ({
  ...{ id: letter, x: 0, y: 0, width: 100, kind: 'picture' as const, picture: SHA(letter), ratio: 0.75, colors: [], source: '', takes },
});
const shownIn = {
  sheet: { contact: '' },
  board: { items: [onBoard('a', 'The calm of it'), onBoard('b'), onBoard('f')] },
  pictures: ['a', 'b', 'c', 'd'].map(picture),
  goods: ['e', 'f', 'a'].map((letter) => ({ ...picture(letter), caption: `Primary on ${letter}` })),
};
const factsOf = (name = 'Heron', change: Partial<SheetFacts> = {}): SheetFacts => ({
  ...sheetFactsOf({ name, about: 'About.', palette }, marks(name), { brief, type, families: shipped, measured, ...shownIn }),
  ...change,
});
const sheet = (change: object = {}): Sheet => sheetSchema.parse(change);
const drawn = (recipe: Recipe, name = 'Heron') =>
  resolver.resolve({ recipe, sources: new Map(marks(name).map((mark) => [mark.id, mark.recipe])), dress: dress(palette, 'full') });
const within = (ink: Bounds, room: Bounds) =>
  ink.left >= room.left - 1 && ink.top >= room.top - 1 && ink.right <= room.right + 1 && ink.bottom <= room.bottom + 1;

describe('what a brand sheet tells', () => {
  it('comes from the brand: the primary first, faces by their roles, pieces apart from marks', () => {
    const facts = factsOf();
    expect(facts.marks.map(({ name }) => name)).toEqual(['Primary', 'Initial']);
    expect(facts.pieces).toEqual([{ id: POST, name: 'Post' }]);
    expect(facts.faces.map(({ name }) => name)).toEqual(['Jost', 'Fraunces']);
    expect(facts.faces.every(({ license }) => license.includes('Open Font'))).toBe(true);
    expect(facts.promise).toBe('Flown for years.');
    // The first of the board that the brand still has, with what is taken from them.
    expect(facts.pictures.map(({ sha256, caption }) => [sha256.slice(0, 1), caption])).toEqual([
      ['a', 'The calm of it'],
      ['b', ''],
    ]);
  });
  it('a mark that could not be measured is left out rather than told wrongly', () => {
    const { marks: found } = sheetFactsOf({ name: 'Heron', about: '', palette }, marks(), {
      brief,
      type,
      families: shipped,
      measured: new Map(),
      ...shownIn,
    });
    expect(found).toEqual([]);
  });
});

describe('pictures and faces of a brand sheet', () => {
  const facts = (more: object) =>
    sheetFactsOf({ name: 'Heron', about: '', palette }, marks(), { brief, type, families: shipped, measured, ...shownIn, ...more });
  it('shows the pictures that were chosen, in their order, none where none are wanted, and none that the brand has no more', () => {
    const shown = (pictures: readonly string[]) =>
      facts({ sheet: { contact: '', pictures } }).pictures.map(({ sha256 }) => sha256.slice(0, 1));
    expect(shown(['d', 'a', 'f'].map(SHA))).toEqual(['d', 'a']);
    expect(shown([])).toEqual([]);
    expect(sheetPages(sheet(), facts({ sheet: { contact: '', pictures: [] } })).some(({ id }) => id === 'tone')).toBe(false);
    expect(sheetSchema.safeParse({ pictures: Array.from({ length: 7 }, () => SHA('a')) }).success).toBe(false);
    expect(sheetSchema.safeParse({ pictures: ['../a'] }).success).toBe(false);
  });
  it('names for a face that is a client’s own the one of the library that looks most like it: its own twin', () => {
    const measures = JSON.parse(readFileSync('fonts/measures.json', 'utf8')) as Record<string, never>;
    for (const twin of ['great-vibes', 'playfair-display', 'orbitron']) {
      const family = shipped.find(({ id }) => id === twin);
      const file = family?.faces.find(({ style }) => style === 'normal')?.file ?? '';
      const own = {
        ...family,
        id: 'own-1',
        name: 'Brought',
        license: 'rights not known',
        faces: [{ ...family?.faces[0], file: 'brands/x/1' }],
      };
      const families = [...shipped, own as never];
      const found = freeAlternatives(families, { ...measures, 'brands/x/1': measures[file] as never });
      expect(found).toEqual({ 'own-1': family?.name });
      const told = facts({
        families,
        alternatives: found,
        type: { ...type, roles: { name: [], second: ['own-1'], body: ['jost'] } },
      }).faces;
      expect(told.map(({ name, freeInItsPlace }) => [name, freeInItsPlace])).toContainEqual(['Brought', family?.name]);
      expect(told.find(({ name }) => name === 'Jost')?.freeInItsPlace).toBeUndefined();
    }
  });
});

describe('pages of a brand sheet', () => {
  it.each(SHEET_DESIGN_NAMES.flatMap((design) => SHEET_SIZE_NAMES.map((size) => [design, size] as const)))(
    '%s in %s: every page keeps on its page, draws every part, and no word is lost',
    (design, size) => {
      const pages = sheetPages(sheet({ design, size }), factsOf());
      expect(pages.map(({ id }) => id)).toEqual(['cover', ...SHEET_PAGE_NAMES]);
      for (const { id, recipe } of pages) {
        const canvas = recipe.whole?.canvas;
        if (!canvas) throw new Error('A page has no canvas.');
        const mark = drawn(recipe);
        for (const part of recipe.parts.filter(isKnown)) {
          const found = mark.parts.find((each) => each.id === part.id);
          const codes = (found?.notices ?? []).map(({ code }) => code).filter((code) => code !== 'text-made-smaller');
          expect(codes, `${id} ${part.id} ${part.kind === 'lettering' ? part.text : part.kind}`).toEqual([]);
          // Marks and pictures are fitted and cut off by the frames that they stand in.
          if (found?.ink && part.kind !== 'linked' && part.kind !== 'picture')
            expect(within(found.ink, canvasBox(canvas)), `${id} ${part.id}`).toBe(true);
        }
      }
    },
  );
  it('in the faces of a brand in another script: the sheet’s own words have their letters lent, and the cover reads from the left', () => {
    const font = { family: 'noto-sans-arabic', style: 'normal' as const, axes: {} };
    for (const design of SHEET_DESIGN_NAMES) {
      const pages = sheetPages(sheet({ design, size: 'a4' }), factsOf('مخبز القمر', { heading: font, text: font }));
      const missing = pages.flatMap(({ id, recipe }) =>
        drawn(recipe, 'مخبز القمر').parts.flatMap(({ notices }) =>
          notices.filter(({ code }) => code === 'letters-missing').map(({ message }) => `${id}: ${message}`),
        ),
      );
      // Names of marks linked here are set in a Latin face: what is missing in them is the mark's own.
      expect(missing.filter((each) => !each.includes('Jost has no'))).toEqual([]);
      const cover = pages[0]?.recipe.parts.filter(isKnown).find((part) => part.kind === 'lettering' && part.text.includes('brand is used'));
      expect(cover?.kind === 'lettering' && itemize(cover.text).at(-1)?.script).toBe('Latn');
    }
  });
  it('hold with a name of one letter and of forty, with one mark, twelve colors and an empty brief', () => {
    for (const name of ['I', 'Donaudampfschifffahrtsgesellschaft Wörth']) {
      const more = Array.from({ length: 7 }, (_, n) => ({
        key: `s-abc${n}`,
        name: `Color ${n}`,
        hex: `#${String(n)}8a2f3`,
      })) as unknown as NonNullable<Palette['more']>;
      const facts = factsOf(name, {
        promise: '',
        audience: '',
        avoid: '',
        keywords: [],
        palette: { ...palette, more },
        marks: factsOf(name).marks.slice(0, 1),
        faces: [],
        pieces: [],
        pictures: [],
        goods: [],
      });
      const pages = sheetPages(sheet(), facts);
      expect(pages.map(({ id }) => id)).toEqual(['cover', 'versions', 'clear-space', 'smallest', 'grounds', 'avoid', 'colors']);
      for (const { recipe } of pages) expect(drawn(recipe, name).drawing.groups.length).toBeGreaterThan(1);
    }
  });
  it('are left out, ordered and worded as the designer says', () => {
    const pages = sheetPages(
      sheet({ left: ['avoid', 'voice'], order: ['colors', 'faces'], texts: { colors: 'Ask Ada first.' } }),
      factsOf(),
    );
    expect(pages.map(({ id }) => id).slice(0, 3)).toEqual(['cover', 'colors', 'faces']);
    expect(pages.map(({ id }) => id)).not.toContain('avoid');
    expect(JSON.stringify(pages[1]?.recipe)).toContain('Ask Ada first.');
    expect(pageOrder({ order: ['in-use'] })).toHaveLength(SHEET_PAGE_NAMES.length);
  });
  it('clear space is drawn from the mark’s own unit: the corners are squares of it', () => {
    const page = sheetPages(sheet(), factsOf()).find(({ id }) => id === 'clear-space');
    const parts = page?.recipe.parts.filter(isKnown) ?? [];
    const frame = parts.find((part) => part.kind === 'frame');
    const corners = parts.filter((part) => part.kind === 'shape' && JSON.stringify(part.paint) === JSON.stringify({ role: 'accent' }));
    expect(corners).toHaveLength(4);
    for (const corner of corners)
      if (corner.kind === 'shape' && corner.form.form === 'panel' && frame?.kind === 'frame') {
        expect(corner.form.widthPx).toBeCloseTo(frame.widthPx * 0.2, 6);
        expect(corner.form.heightPx).toBeCloseTo(corner.form.widthPx, 6);
      }
  });
  it('a smallest size is shown at its true size: 96 px an inch', () => {
    const page = sheetPages(sheet(), factsOf()).find(({ id }) => id === 'smallest');
    const frames = (page?.recipe.parts ?? []).flatMap((part) => (part.kind === 'frame' ? [part] : []));
    expect(frames.map(({ widthPx, heightPx }) => Math.max(widthPx, heightPx))).toEqual([60, 16]);
  });
  it.each([{ design: 'loud' }, { size: 'a0' }, { left: ['nowhere'] }, { texts: { colors: 'x'.repeat(1001) } }, { extra: 1 }])(
    '%j is refused',
    (change) => {
      expect(sheetSchema.safeParse(change).success).toBe(false);
    },
  );
});
