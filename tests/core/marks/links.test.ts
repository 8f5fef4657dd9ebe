import { describe, expect, it } from 'vitest';
import {
  brokenAway,
  changePart,
  createPart,
  derive,
  dress,
  expect as valueOf,
  idsInUse,
  parseRecipe,
  removePart,
  rightsOf,
  shareChange,
  STARTING_PALETTE,
  writeRecipe,
  type KnownPart,
  type Lettering,
  type Recipe,
  type ResolvedMark,
  type Sources,
  RECIPE_VERSION,
} from '$core/index';
import { copied, pasted } from '../../../src/lib/marks/table/clipboard';
import { letteringInput, partNamed } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { resolverOf } from '../../support/resolver';
import fc from '../../support/properties';

type Input = Parameters<typeof createPart>[0];
const recipeOf = (...inputs: readonly Input[]): Recipe => ({
  version: RECIPE_VERSION,
  parts: inputs.map((input) => valueOf(createPart(input))),
});
const shelf = await shelfOf('jost', 'cinzel', 'noto-sans-hebrew');
const { resolve } = resolverOf(shelf);
const ONE = 'a0a0a0a0-0000-4000-8000-000000000001';
const none: Sources = new Map();
const drawn = (recipe: Recipe, sources: Sources = none): ResolvedMark =>
  resolve({ recipe, sources, dress: dress(STARTING_PALETTE, 'full') });
const link = (more: object = {}, from: object = { mark: null, part: 'name' }): Input =>
  ({ kind: 'linked', id: 'again', from, take: 'whole', ...more }) as Input;
const shownBy = (recipe: Recipe, sources: Sources = none, id = 'again') =>
  derive(recipe, sources).recipe.parts.find((part) => part.id === id) as Lettering;
const noticesOf = (recipe: Recipe, sources: Sources = none) =>
  derive(recipe, sources)
    .notices.get('again')
    ?.map(({ code }) => code) ?? [];
const NAME = letteringInput({
  text: 'Salt & Rye\nHarbor bakery',
  gaps: [
    { index: 1, left: 'a', right: 'l', permille: 30 },
    { index: 11, left: 'H', right: 'a', permille: -20 },
  ],
});

describe('a link takes', () => {
  it.each([
    ['letters', 0, 4, 'Salt'],
    ['letters', 7, 3, 'Rye'],
    ['letters', 19, 99, 'akery'],
    ['words', 0, 1, 'Salt'],
    ['words', 2, 2, 'Rye\nHarbor'],
    ['words', 4, 9, 'bakery'],
    ['lines', 1, 1, 'Harbor bakery'],
    ['lines', 0, 2, 'Salt & Rye\nHarbor bakery'],
  ] as const)('%s from %i, %i of them: %j', (of, from, count, text) => {
    expect(shownBy(recipeOf(NAME, link({ take: 'run', run: { of, from, count } }))).text).toBe(text);
  });

  it.each([
    ['words', 2, 2, 'Rye Harbor', 1],
    ['words', 0, 9, 'Salt & Rye Harbor bakery', 2],
    ['lines', 0, 2, 'Salt & Rye Harbor bakery', 2],
  ] as const)('%s from %i, %i of them, on one line: %j, the gaps between letters kept', (of, from, count, text, gaps) => {
    const joined = shownBy(recipeOf(NAME, link({ take: 'run', run: { of, from, count, joined: true } })));
    expect([joined.text, joined.gaps.length]).toEqual([text, gaps]);
  });

  it.each([
    ['words', 5],
    ['letters', 24],
    ['lines', 2],
  ] as const)('nothing, and says so, where there are no such %s', (of, from) => {
    expect(noticesOf(recipeOf(NAME, link({ take: 'run', run: { of, from, count: 1 } })))).toEqual(['link-run-empty']);
  });

  it('what was done to the letters of a run, and to the gaps inside of it', () => {
    const line = shownBy(recipeOf(NAME, link({ take: 'run', run: { of: 'lines', from: 1, count: 1 } })));
    expect(line.gaps).toEqual([{ index: 0, left: 'H', right: 'a', permille: -20 }]);
    expect(shownBy(recipeOf(NAME, link({ take: 'run', run: { of: 'words', from: 0, count: 1 } }))).gaps).toHaveLength(1);
  });

  it('any run as the letters that stand there, by an independent count (property)', () => {
    const texts = fc.string({ unit: fc.constantFrom('a', 'É', '🪁', ' ', '\n', '字'), minLength: 1, maxLength: 14 });
    fc.assert(
      fc.property(texts, fc.nat(6), fc.integer({ min: 1, max: 6 }), (text, from, count) => {
        const run = (of: 'words' | 'letters') => {
          const recipe = recipeOf(letteringInput({ text }), link({ take: 'run', run: { of, from, count } }));
          return noticesOf(recipe).length > 0 ? '' : shownBy(recipe).text;
        };
        expect(run('letters')).toBe([...text].slice(from, from + count).join(''));
        expect(run('words').split(/\s+/).filter(Boolean)).toEqual(
          text
            .split(/\s+/)
            .filter(Boolean)
            .slice(from, from + count),
        );
      }),
      { seed: 10, numRuns: 200 },
    );
  });
});

describe('a link has of its own', () => {
  it('any property, each alone, while all others follow', () => {
    const own = { trackingPermille: 200, kerning: 'none', case: 'upper', font: { family: 'cinzel', style: 'normal', axes: {} } };
    const recipe = recipeOf(NAME, link({ own }));
    expect(shownBy(recipe)).toMatchObject({ ...own, text: 'Salt & Rye\nHarbor bakery', sizePx: 100, id: 'again' });
    const changed = changePart(recipe, 'name', { text: 'Kelp', sizePx: 60, trackingPermille: 10 } as never);
    expect(shownBy(changed)).toMatchObject({ text: 'Kelp', sizePx: 60, trackingPermille: 200 });
  });

  it('for every kind, what its schema knows; what it does not is left out and told', () => {
    const panel: Input = { kind: 'shape', id: 'name', form: { form: 'panel', widthPx: 40, heightPx: 20, cornerPx: 0 } };
    const recipe = recipeOf(panel, link({ own: { form: { form: 'disk', widthPx: 9, heightPx: 9 }, trackingPermille: 5 } }));
    expect(derive(recipe, none).recipe.parts[1]).toMatchObject({ kind: 'shape', form: { form: 'disk', widthPx: 9 } });
    expect(noticesOf(recipe)).toEqual(['link-own-odd']);
    for (const own of [{ members: ['x'] }, { id: 'other' }, { kind: 'art' }, { place: { x: 5 } }, { sizePx: 'large' }])
      expect(noticesOf(recipeOf(NAME, link({ own }))), JSON.stringify(own)).toEqual(['link-own-odd']);
  });

  it('a change of a field that the link itself does not have', () => {
    const changed = changePart(recipeOf(NAME, link()), 'again', { trackingPermille: 90, sizePx: 40, opacity: 0.5 } as never);
    expect(changed.parts[1]).toMatchObject({ own: { trackingPermille: 90 }, sizePx: 40, opacity: 0.5 });
    expect(shownBy(changed)).toMatchObject({ trackingPermille: 90, sizePx: 40, opacity: 0.5 });
    expect(valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(changed)))))).toEqual(changed);
  });

  it('what a change of another link, chosen with it, gives it, and can be saved with it', () => {
    const two = recipeOf(NAME, link(), link({ id: 'third' }));
    const shared = shareChange(two, 'again', ['again', 'third'], { trackingPermille: 90, opacity: 0.5 } as never);
    expect(shared.parts.slice(1)).toMatchObject([
      { own: { trackingPermille: 90 }, opacity: 0.5 },
      { own: { trackingPermille: 90 }, opacity: 0.5 },
    ]);
    expect(valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(shared)))))).toEqual(shared);
  });

  it('its own wish for one color', () => {
    expect(shownBy(recipeOf(NAME, link({ oneColor: 'ink' }))).oneColor).toBe('ink');
  });
});

describe('a name that stands twice in one mark', () => {
  const disk: Input = { kind: 'shape', id: 'seal', form: { form: 'disk', widthPx: 400, heightPx: 400 } };
  const ring = { shape: 'arc', form: 'ring', side: 'over', radiusPx: 190, around: { part: 'seal', insetPx: 40 } };

  it('follows on a ring around another part, and on a second line', () => {
    const recipe = recipeOf(disk, NAME, link({ sizePx: 30, own: { line: ring } }));
    const mark = drawn(recipe);
    // The middle of its capitals lies 40 px inside of the seal.
    const { circle, capHeightPx = 0 } = partNamed(mark, 'again').lettering ?? {};
    expect((circle?.radiusPx ?? 0) + capHeightPx / 2).toBeCloseTo(160, 6);
    const below = drawn(recipeOf(NAME, link({ own: { companion: { part: 'name', sizePercent: 25, gapPermille: 300 } } })));
    const [first, second] = [partNamed(below, 'name').ink, partNamed(below, 'again').ink];
    expect(second?.top).toBeGreaterThan(first?.bottom ?? Infinity);
    expect((second?.right ?? 0) - (second?.left ?? 0)).toBeCloseTo(((first?.right ?? 0) - (first?.left ?? 0)) / 4, 0);
  });

  it('names what it stands by: renamed with it in a copy, let go where it does not come along', () => {
    const recipe = recipeOf(disk, NAME, link({ own: { line: ring } }));
    expect(idsInUse(recipe)).toContain('seal');
    const from = { brand: 'b', mark: ONE, palette: STARTING_PALETTE, sources: none };
    const all = valueOf(pasted(recipe, copied(recipe, ['seal', 'name', 'again'], from), { ...from }));
    const copy = all?.recipe.parts.find((part): part is KnownPart & { kind: 'linked' } => part.kind === 'linked' && part.id !== 'again');
    const names = all?.ids ?? [];
    expect(copy?.from.part).toBe(names[1]);
    expect(copy?.own['line']).toMatchObject({ around: { part: names[0] } });
    // In another mark of the brand it goes on following where it came from, and lets go of a ring that is not there.
    const beside = valueOf(pasted(recipeOf(), copied(recipe, ['again'], from), { ...from, mark: 'other' }));
    expect(beside?.recipe.parts[0]).toMatchObject({ kind: 'linked', from: { mark: ONE, part: 'gone' } });
  });

  it('says so when what it follows is gone, or is itself', () => {
    expect(noticesOf(removePart(recipeOf(NAME, link()), 'name'))).toEqual(['link-broken']);
    expect(noticesOf(recipeOf(link({}, { mark: null, part: 'again' })))).toEqual(['link-circle']);
    expect(noticesOf(recipeOf(link({}, { mark: null, part: null })))).toEqual(['link-broken']);
    const knot = recipeOf(NAME, link({}, { mark: null, part: 'all' }), { kind: 'group', id: 'all', members: ['again', 'name'] });
    expect(partNamed(drawn(knot), 'all').ink).toBeDefined();
  });

  it('is followed from another mark as well, through the link', () => {
    const source = recipeOf(NAME, link({ take: 'run', run: { of: 'words', from: 2, count: 1 } }));
    expect(shownBy(recipeOf(link({}, { mark: ONE, part: 'again' })), new Map([[ONE, source]])).text).toBe('Rye');
  });
});

describe('broken away', () => {
  it('a link becomes what it shows, in its place, and follows nobody', () => {
    const source = recipeOf({ kind: 'shape', id: 'dot', form: { form: 'disk', widthPx: 40, heightPx: 40 } }, NAME, {
      kind: 'group',
      id: 'both',
      members: ['dot', 'name'],
    });
    const sources = new Map([[ONE, source]]);
    const recipe = recipeOf(
      { ...NAME, id: 'other' } as Input,
      link({ place: { x: 50, y: 9, turnDeg: 10 }, own: {} }, { mark: ONE, part: 'both' }),
    );
    const free = brokenAway(recipe, 'again', sources);
    if (!free) throw new Error('nothing was broken away');
    expect(valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(free)))))).toEqual(free);
    expect(free.parts.some(({ kind }) => kind === 'linked')).toBe(false);
    const [before, after] = [drawn(recipe, sources), drawn(free)];
    expect(after.ink).toEqual(before.ink);
    expect(partNamed(after, 'again').transform).toEqual(partNamed(before, 'again').transform);
  });

  it('nothing where the link is broken, or the mark would be too full', () => {
    expect(brokenAway(recipeOf(link({}, { mark: null, part: 'gone' })), 'again', none)).toBeUndefined();
    expect(brokenAway(recipeOf(NAME), 'name', none)).toBeUndefined();
  });

  it('is what another brand gets of it', () => {
    const sources = new Map([[ONE, recipeOf(NAME)]]);
    const recipe = recipeOf(link({ sizePx: 40 }, { mark: ONE, part: 'name' }));
    const text = copied(recipe, ['again'], { brand: 'one', mark: 'm', palette: STARTING_PALETTE, sources });
    const there = valueOf(pasted(recipeOf(), text, { brand: 'two', mark: 'n', palette: STARTING_PALETTE }));
    expect(there?.recipe.parts).toMatchObject([{ kind: 'lettering', text: 'Salt & Rye\nHarbor bakery', sizePx: 40 }]);
    const home = valueOf(pasted(recipeOf(), text, { brand: 'one', mark: 'n', palette: STARTING_PALETTE }));
    expect(home?.recipe.parts).toMatchObject([{ kind: 'linked', from: { mark: ONE } }]);
  });
});

describe('rights', () => {
  it('name every font that really draws: a lender only where it lends', () => {
    const fonts = (text: string) => {
      const recipe = recipeOf(letteringInput({ text, fallback: 'noto-sans-hebrew', font: { family: 'cinzel' } }));
      const families = new Map(drawn(recipe).parts.map(({ id, lettering }) => [id, lettering?.families]));
      return rightsOf(recipe, none, { family: (id) => shelf.family(id), drawnFrom: (id) => families.get(id) }).parts.map(
        ({ what }) => what,
      );
    };
    expect(fonts('Salt')).toEqual(['Cinzel']);
    expect(fonts('Salt א')).toEqual(['Cinzel', 'Noto Sans Hebrew']);
    // Before anything is drawn, all that are named count.
    expect(rightsOf(recipeOf(letteringInput({ fallback: 'cinzel' })), none, shelf).parts).toHaveLength(2);
  });
});
