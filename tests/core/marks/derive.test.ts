import { describe, expect, it } from 'vitest';
import {
  createPart,
  derive,
  dress,
  expect as valueOf,
  IDENTITY,
  inkOf,
  newTreatment,
  regionsOfPart,
  STARTING_PALETTE,
  type Recipe,
  type ResolvedMark,
  type Sources,
  RECIPE_VERSION,
} from '$core/index';
import { areaOf, fillsOf, partNamed } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { paths, resolverOf } from '../../support/resolver';

type Input = Parameters<typeof createPart>[0];
const recipeOf = (...inputs: readonly Input[]): Recipe => ({
  version: RECIPE_VERSION,
  parts: inputs.map((input) => valueOf(createPart(input))),
});
const shelf = await shelfOf('jost');
const { resolve } = resolverOf(shelf);
const ONE = 'a0a0a0a0-0000-4000-8000-000000000001';
const TWO = 'a0a0a0a0-0000-4000-8000-000000000002';
const disk = (id: string, x: number, more: object = {}): Input =>
  ({ kind: 'shape', id, form: { form: 'disk', widthPx: 40, heightPx: 40 }, place: { x, y: 0, turnDeg: 0 }, ...more }) as Input;
const link = (part: string | null, more: object = {}, mark = ONE): Input =>
  ({ kind: 'linked', id: 'here', from: { mark, part }, take: 'whole', ...more }) as Input;
const drawn = (recipe: Recipe, sources: Sources): ResolvedMark => resolve({ recipe, sources, dress: dress(STARTING_PALETTE, 'full') });
const inkArea = (mark: ResolvedMark, id: string) => areaOf(regionsOfPart(mark, id), 0.01);
const codes = (mark: ResolvedMark) => mark.parts.flatMap(({ notices }) => notices.map(({ code }) => code));

const emblem = recipeOf(
  disk('left', -30),
  { kind: 'symmetry', id: 'pair', members: ['left'], rule: 'mirror' },
  disk('middle', 0, { paint: { role: 'accent' } }),
  { kind: 'group', id: 'all', members: ['pair', 'middle'] },
);

describe('following parts of other marks', () => {
  it.each<readonly [string, Input]>([
    [
      'art',
      {
        kind: 'art',
        id: 'it',
        source: { title: 'Sail' },
        slots: [{ original: '#112233', paint: { role: 'lead' } }],
        pieces: [{ data: 'M0 0L500 0L0 500Z' }],
      } as Input,
    ],
    [
      'a free curve',
      {
        kind: 'curve',
        id: 'it',
        points: [
          { x: 0, y: 0 },
          { x: 90, y: 20 },
        ],
      } as Input,
    ],
    ['a shape', disk('it', 70)],
    [
      'a word on a ring',
      {
        kind: 'lettering',
        id: 'it',
        text: 'Ring',
        font: { family: 'jost' },
        line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 90 },
      } as Input,
    ],
  ])('takes %s as it is, at the link’s own place', (_, input) => {
    const source = recipeOf(input);
    const place = { x: 11, y: -7, turnDeg: 0 };
    const mark = drawn(recipeOf(link('it', { place })), new Map([[ONE, source]]));
    expect(codes(mark)).toEqual([]);
    expect(inkArea(mark, 'here')).toBeCloseTo(inkArea(drawn(source, new Map()), 'it'), 3);
    expect(partNamed(mark, 'here').transform).toMatchObject({ e: 11, f: -7 });
  });

  it('takes what draws others with all of it, however deep, and follows every change', () => {
    const sources = (left: number) => {
      const parts = emblem.parts.map((part) =>
        part.id === 'left' ? { ...part, place: { x: left, y: 0, turnDeg: 0 } } : part,
      ) as typeof emblem.parts;
      return new Map([[ONE, { ...emblem, parts }]]);
    };
    const recipe = recipeOf(link('all'));
    const mark = drawn(recipe, sources(-30));
    // Three disks of radius 20 that overlap by 10 px twice (closed form: circle minus two lenses).
    const lens = 2 * (400 * Math.acos(30 / 40) - 15 * Math.sqrt(400 - 225));
    expect(areaOf([paths.weld(regionsOfPart(mark, 'here'))]) / (3 * Math.PI * 400 - 2 * lens)).toBeCloseTo(1, 3);
    const wide = drawn(recipe, sources(-100));
    expect((wide.ink?.right ?? 0) - (wide.ink?.left ?? 0)).toBeCloseTo(240, 6);
    expect(mark.drawing.groups.map(({ id }) => id)).toEqual(['here']);
    expect(mark.parts.map(({ id }) => id)).toEqual(['here.left', 'here.pair', 'here.middle', 'here']);
  });

  it('gives the same objects while neither the link nor what it follows has changed', () => {
    const sources = new Map([[ONE, emblem]]);
    const recipe = recipeOf(link('all'), disk('own', 0));
    const [before, after] = [derive(recipe, sources), derive({ ...recipe, parts: [...recipe.parts] }, sources)];
    expect(after.recipe.parts[0]).toBe(before.recipe.parts[0]);
    const changed = derive(recipe, new Map([[ONE, { ...emblem }]]));
    expect(changed.recipe.parts[0]).not.toBe(before.recipe.parts[0]);
  });

  it('notices a mark that was missing and comes back', () => {
    const recipe = recipeOf(link('there'));
    const source = recipeOf(link('all', { id: 'there' }, TWO));
    expect(codes(drawn(recipe, new Map([[ONE, source]])))).toEqual(['link-broken']);
    const back = drawn(
      recipe,
      new Map([
        [ONE, source],
        [TWO, emblem],
      ]),
    );
    expect(codes(back)).toEqual([]);
    expect(back.ink?.left).toBeCloseTo(-50, 6);
  });

  it('takes a whole mark: what stands by itself in it, with what stays together there', () => {
    const lines = recipeOf(
      { kind: 'lettering', id: 'name', text: 'Tern', font: { family: 'jost' }, sizePx: 90 } as Input,
      { kind: 'lettering', id: 'second', text: 'Ferry', font: { family: 'jost' }, sizePx: 30, companion: { part: 'name' } } as Input,
      disk('sun', 200),
    );
    const place = { x: 50, y: 60, turnDeg: 0, scale: 2 };
    const mark = drawn(recipeOf(link(null, { place })), new Map([[ONE, lines]]));
    const own = drawn(lines, new Map()).ink;
    expect(codes(mark)).toEqual([]);
    for (const [side, by] of [
      ['left', 50],
      ['right', 50],
      ['top', 60],
      ['bottom', 60],
    ] as const)
      expect(mark.ink?.[side]).toBeCloseTo((own?.[side] ?? NaN) * 2 + by, 6);
    expect(mark.parts.find(({ id }) => id === 'here.second')?.lettering?.sizePx).toBeCloseTo(30, 6);
    expect(drawn(recipeOf(link(null)), new Map([[ONE, recipeOf()]])).ink).toBeUndefined();
  });

  it('shows what is done to the whole mark wherever it stands, and what is done to it there besides', () => {
    const band = newTreatment('outline-band', 't-1', { widthPx: 6 });
    const shadow = newTreatment('offset-shadow', 't-1', { distancePx: 10, angleDeg: 0 });
    const plain = recipeOf(disk('left', -30), disk('right', 30));
    const treated = { ...plain, whole: { treatments: [band] } } as unknown as Recipe;
    const here = (home: Recipe, more: object = {}) => drawn(recipeOf(link(null, more)), new Map([[ONE, home]]));
    expect(codes(here(treated))).toEqual([]);
    const [own, linked] = [drawn(treated, new Map()), here(treated)];
    const shown = (mark: ResolvedMark) => inkOf(mark.drawing.groups, IDENTITY, true);
    for (const side of ['left', 'right', 'top', 'bottom'] as const) expect(shown(linked)?.[side]).toBeCloseTo(shown(own)?.[side] ?? NaN, 6);
    expect(shown(linked)?.left).toBeCloseTo(-56, 1);
    // What follows, aligns and is measured sees the body alone, there as here.
    expect(partNamed(linked, 'here').ink).toEqual(partNamed(here(plain), 'here').ink);
    // Its own shadow comes after the band it brought, and follows it.
    expect(shown(here(treated, { treatments: [shadow] }))?.right).toBeCloseTo(66, 1);
    expect(shown(here(plain, { treatments: [shadow] }))?.right).toBeCloseTo(60, 1);
    // Turned off at home, gone everywhere.
    const off = { ...plain, whole: { treatments: [{ ...band, hidden: true }] } } as unknown as Recipe;
    expect(shown(here(off))?.left).toBeCloseTo(-50, 6);
  });

  it('ends in a sentence where a mark is full of links to itself and to others like it', () => {
    const ids = [1, 2, 3, 4, 5, 6].map((n) => `a0a0a0a0-0000-4000-8000-00000000002${n}`);
    const knot = recipeOf(...ids.flatMap((id, at) => Array.from({ length: 8 }, (_, n) => link(null, { id: `l${at}-${n}` }, id))));
    const mark = drawn(knot, new Map(ids.map((id) => [id, knot])));
    expect(mark.ink).toBeUndefined();
    expect(new Set(codes(mark))).toEqual(new Set(['link-too-much']));
  });

  it('paints all of it in one color, and sizes what has a size, where the link says so', () => {
    const mark = drawn(recipeOf(link('all', { paint: { role: 'lead' } })), new Map([[ONE, emblem]]));
    expect(fillsOf(mark, 'here').every(({ color }) => color === STARTING_PALETTE.lead)).toBe(true);
    const word = recipeOf({ kind: 'lettering', id: 'it', text: 'H', font: { family: 'jost' }, sizePx: 50 } as Input);
    const height = (sizePx: number | null) => {
      const { ink } = drawn(recipeOf(link('it', { sizePx })), new Map([[ONE, word]]));
      return (ink?.bottom ?? 0) - (ink?.top ?? 0);
    };
    expect(height(150) / height(null)).toBeCloseTo(3, 6);
  });

  it('lets go of what did not come along, and says so where nothing is left of it', () => {
    const around = recipeOf(disk('ring', 0), {
      kind: 'lettering',
      id: 'text',
      text: 'Round',
      font: { family: 'jost' },
      line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 80, around: { part: 'ring' } },
    } as Input);
    expect(codes(drawn(recipeOf(link('text')), new Map([[ONE, around]])))).toEqual([]);
    const band = recipeOf(disk('ring', 0), { kind: 'band', id: 'edge', of: 'ring' } as Input, {
      kind: 'group',
      id: 'both',
      members: ['ring', 'edge'],
    });
    expect(codes(drawn(recipeOf(link('edge')), new Map([[ONE, band]])))).toEqual(['link-broken']);
    const whole = drawn(recipeOf(link('both')), new Map([[ONE, band]]));
    expect(codes(whole)).toEqual([]);
    expect(whole.ink?.left).toBeCloseTo(drawn(band, new Map()).ink?.left ?? NaN, 6);
  });

  it('ends in a sentence where marks follow each other in a circle, or bring along too much', () => {
    const circle = new Map([
      [ONE, recipeOf(link('both', { id: 'in' }, TWO), { kind: 'group', id: 'both', members: ['in'] })],
      [TWO, recipeOf(link('both', { id: 'in' }), { kind: 'group', id: 'both', members: ['in'] })],
    ]);
    // The circle's own members are left out; the empty groups around them do no harm.
    expect(drawn(recipeOf(link('both')), circle).ink).toBeUndefined();
    const crowd = (mark: string, count = 9) =>
      recipeOf(...Array.from({ length: count }, (_, n) => link('all', { id: `l${n}` }, mark)), {
        kind: 'group',
        id: 'all',
        members: Array.from({ length: count }, (_, n) => `l${n}`),
      });
    const ids = [1, 2, 3, 4, 5].map((n) => `a0a0a0a0-0000-4000-8000-00000000001${n}`);
    const towers = new Map(ids.map((id, n) => [id, n === 4 ? emblem : crowd(ids[n + 1] as string)]));
    expect(codes(drawn(recipeOf(link('all', {}, ids[0])), towers))).toEqual(['link-too-much']);
    // What leads nowhere brings nothing along, and yet is looked at: 15 times 200 lost links are given up on the way.
    const lost = Array.from({ length: 200 }, (_, n) => `l${n}`);
    const nowhere = recipeOf(...lost.map((id) => link('gone', { id }, TWO)), { kind: 'group', id: 'all', members: lost });
    expect(codes(drawn(recipeOf(link('all', {}, ids[0])), new Map([[ids[0] as string, nowhere]])))).toEqual([]);
    const wide = new Map([
      [ids[0] as string, crowd(ids[1] as string, 15)],
      [ids[1] as string, nowhere],
    ]);
    expect(codes(drawn(recipeOf(link('all', {}, ids[0])), wide))).toEqual(['link-too-much']);
  });
});
