import { beforeAll, describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  fontsNeeded,
  parseRecipe,
  STARTING_PALETTE,
  toSvg,
  expect as valueOf,
  type FontShelf,
  type KnownPart,
  type MarkView,
  type Recipe,
  RECIPE_VERSION,
} from '$core/index';
import { shelfOf } from '../../support/fonts';
import { resolverOf } from '../../support/resolver';

let shelf: FontShelf;
beforeAll(async () => {
  shelf = await shelfOf('jost', 'cinzel', 'noto-sans', 'noto-sans-arabic', 'noto-sans-hebrew');
});
const part = (input: Parameters<typeof createPart>[0]): KnownPart => valueOf(createPart(input));
const recipeOf = (...parts: KnownPart[]): Recipe => ({ version: RECIPE_VERSION, parts });
const view = (recipe: Recipe, sources: MarkView['sources'] = new Map()): MarkView => ({
  recipe,
  sources,
  dress: dress(STARTING_PALETTE, 'full'),
});
const name = (change: object = {}) =>
  part({ kind: 'lettering', id: 'name', text: 'Windrow', font: { family: 'jost' }, sizePx: 100, ...change });

describe('resolve', () => {
  it('measures ink and advance in mark pixels: doubling the size doubles both', () => {
    const { resolve } = resolverOf(shelf);
    const [one] = resolve(view(recipeOf(name()))).parts;
    const [two] = resolve(view(recipeOf(name({ sizePx: 200 })))).parts;
    expect((two?.lettering?.advancePx ?? 0) / (one?.lettering?.advancePx ?? 1)).toBeCloseTo(2, 9);
    expect(((two?.ink?.right ?? 0) - (two?.ink?.left ?? 0)) / ((one?.ink?.right ?? 0) - (one?.ink?.left ?? 0))).toBeCloseTo(2, 6);
  });

  it.each([
    ['start', 0],
    ['center', -0.5],
    ['end', -1],
  ] as const)('lets text grow from its %s', (align, share) => {
    const [resolved] = resolverOf(shelf).resolve(view(recipeOf(name({ align, text: 'HHH' })))).parts;
    const sideBearing = 0.1 * 100;
    expect(Math.abs((resolved?.ink?.left ?? NaN) - share * (resolved?.lettering?.advancePx ?? NaN))).toBeLessThan(sideBearing);
  });

  it('leaves hidden and unknown parts out of the drawing, and says why about the unknown', () => {
    const holo = {
      version: RECIPE_VERSION,
      parts: [
        { kind: 'hologram', id: 'h' },
        { ...name(), hidden: true },
      ],
    };
    const mark = resolverOf(shelf).resolve(view(valueOf(parseRecipe(holo))));
    expect(mark.drawing.groups).toEqual([]);
    expect(mark.ink).toBeUndefined();
    expect(mark.parts[0]?.notices[0]?.code).toBe('not-understood');
  });

  it('says which letters are missing and offers the lender that has them', () => {
    const [resolved] = resolverOf(shelf).resolve(view(recipeOf(name({ text: 'שלום' })))).parts;
    expect(resolved?.notices[0]).toMatchObject({ code: 'letters-missing', path: ['fallback', 'noto-sans-hebrew'] });
    expect(fontsNeeded(recipeOf(name({ text: 'שלום' })), new Map()).map(({ family }) => family)).toContain('noto-sans-hebrew');
  });

  it('says so when the font is not in the library, and when the text is empty', () => {
    const { resolve } = resolverOf(shelf);
    expect(resolve(view(recipeOf(name({ font: { family: 'gone' } })))).parts[0]?.notices[0]?.code).toBe('font-missing');
    expect(resolve(view(recipeOf(name({ text: '  ' })))).parts[0]?.notices[0]?.code).toBe('empty-text');
  });

  it('does not remember a picture without its font', async () => {
    const open = new Map<string, unknown>();
    const late = {
      family: shelf.family,
      find: (choice: Parameters<FontShelf['find']>[0]) =>
        open.size > 0 ? shelf.find(choice) : { ok: false as const, problems: [{ code: 'font-not-loaded', message: '' }] },
    };
    const { resolve } = resolverOf(late);
    expect(resolve(view(recipeOf(name()))).ink).toBeUndefined();
    open.set('jost', true);
    expect(resolve(view(recipeOf(name()))).ink).toBeDefined();
  });

  it('recomputes one part for one edit: the others keep their very nodes', () => {
    const { resolve } = resolverOf(shelf);
    const disk = part({ kind: 'shape', id: 'disk', form: { form: 'disk', widthPx: 100, heightPx: 100 } });
    const before = resolve(view(recipeOf(disk, name())));
    const after = resolve(view(recipeOf(disk, name({ text: 'Windrowe', place: { x: 3, y: 4, turnDeg: 5 } }))));
    expect(after.drawing.groups[0]?.children).toBe(before.drawing.groups[0]?.children);
    expect(after.drawing.groups[1]?.children).not.toBe(before.drawing.groups[1]?.children);
  });
});

describe('derive', () => {
  const SOURCE = 'a0a0a0a0-0000-4000-8000-000000000001';
  const LINKED = 'a0a0a0a0-0000-4000-8000-000000000002';
  const ring = part({
    kind: 'shape',
    id: 'ring',
    form: { form: 'ring', widthPx: 300, heightPx: 300, bandPx: 6 },
    paint: { role: 'second' },
  });
  const initial = (change: object = {}) =>
    part({ kind: 'linked', id: 'initial', from: { mark: SOURCE, part: 'name' }, sizePx: 150, ...change });
  const svg = (primary: KnownPart, lead: `#${string}` = '#112233') => {
    const resolved = resolverOf(shelf).resolve({
      recipe: recipeOf(ring, initial()),
      sources: new Map([[SOURCE, recipeOf(primary)]]),
      dress: dress({ ...STARTING_PALETTE, lead }, 'full'),
    });
    const text = toSvg(resolved.drawing, { box: { left: -150, top: -150, right: 150, bottom: 150 }, title: 't' });
    return { ring: /<g id="ring".*?<\/g>/.exec(text)?.[0], initial: /<g id="initial".*?<\/g>/.exec(text)?.[0] };
  };

  it('follows letter, face and color; the unchanged part stays byte-equal', () => {
    const start = svg(name({ paint: { role: 'lead' } }));
    for (const [primary, lead] of [
      [name({ paint: { role: 'lead' }, text: 'Tidewrack' }), undefined],
      [name({ paint: { role: 'lead' }, font: { family: 'cinzel' } }), undefined],
      [name({ paint: { role: 'lead' } }), '#aa2200'],
    ] as const) {
      const changed = svg(primary, lead);
      expect(changed.initial).not.toBe(start.initial);
      expect(changed.ring).toBe(start.ring);
    }
    expect(start.ring).toContain('<path');
  });

  it('takes the first whole letter with its marks', () => {
    const resolved = resolverOf(shelf).resolve(view(recipeOf(initial()), new Map([[SOURCE, recipeOf(name({ text: ' E\u0301cole' }))]])));
    expect(resolved.parts[0]?.notices).toEqual([]);
    expect(resolved.ink).toBeDefined();
  });

  it('follows through a chain, and stops at a circle with a sentence', () => {
    const chain = new Map([
      [SOURCE, recipeOf(name())],
      [LINKED, recipeOf(initial())],
    ]);
    const second = part({ kind: 'linked', id: 'second', from: { mark: LINKED, part: 'initial' } });
    expect(resolverOf(shelf).resolve(view(recipeOf(second), chain)).ink).toBeDefined();
    const circle = new Map([[SOURCE, recipeOf(part({ kind: 'linked', id: 'name', from: { mark: SOURCE, part: 'name' } }))]]);
    expect(resolverOf(shelf).resolve(view(recipeOf(initial()), circle)).parts[0]?.notices[0]?.code).toBe('link-circle');
  });

  it('says so when the followed part is gone', () => {
    expect(resolverOf(shelf).resolve(view(recipeOf(initial()))).parts[0]?.notices[0]?.code).toBe('link-broken');
  });
});
