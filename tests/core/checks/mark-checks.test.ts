import { beforeAll, describe, expect, it } from 'vitest';
import {
  createDresser,
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  makingLimitsSchema,
  markChecks,
  standing,
  standsInInk,
  parseRecipe,
  writeRecipe,
  type FontShelf,
  type MarkChecks,
  type Palette,
  type Recipe,
} from '$core/index';
import { flattenedAlgebra } from '$core/pathops';
import { shelfOf } from '../../support/fonts';
import { paths, resolverOf } from '../../support/resolver';

type PartInput = Parameters<typeof createPart>[0];
const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };
const NO_LIMITS = makingLimitsSchema.parse({});
let shelf: FontShelf;
beforeAll(async () => {
  shelf = await shelfOf('jost');
});
const recipeOf = (...parts: readonly PartInput[]): Recipe => ({ ...EMPTY_RECIPE, parts: parts.map((part) => valueOf(createPart(part))) });
function checked(recipe: Recipe, limits = NO_LIMITS): MarkChecks | undefined {
  const mark = resolverOf(shelf).resolve({ recipe, sources: new Map(), dress: dress(palette, 'full') });
  const inOne = createDresser(paths, flattenedAlgebra)(mark, recipe, palette, 'one-color');
  return markChecks({ recipe, mark, inOne, palette, limits, paths });
}
const panel = (id: string, widthPx: number, heightPx: number, change: object = {}): PartInput =>
  ({ kind: 'shape', id, form: { form: 'panel', widthPx, heightPx, cornerPx: 0 }, ...change }) as PartInput;
const verdict = (checks: MarkChecks | undefined, id: string) => checks?.checks.find((check) => check.id === id)?.finding.verdict;

describe('the checks of a mark', () => {
  it('are none for a mark that shows nothing', () => expect(checked(EMPTY_RECIPE)).toBeUndefined());

  it('lead to the part that is thinnest, with its smallest size on a screen and in every way of making', () => {
    const found = checked(recipeOf(panel('block', 200, 200), panel('hair', 200, 2, { place: { x: 0, y: 120, turnDeg: 0 } })));
    expect(found?.checks.find(({ id }) => id === 'making-embroidery')).toMatchObject({ part: 'hair', label: 'embroidery' });
    expect(found?.makings.map(({ making }) => making)).toEqual(['print', 'screen', 'stamp', 'engraving', 'vinyl', 'embroidery']);
  });

  it('take the limits of the designer’s own maker', () => {
    const bar = recipeOf(panel('bar', 400, 4));
    const screen = (found: MarkChecks | undefined) => found?.makings.find(({ making }) => making === 'screen')?.smallestMm ?? 0;
    const own = makingLimitsSchema.parse({ makers: { screen: { stroke: 0.7, gap: 0.7 } } });
    expect(screen(checked(bar, own)) / screen(checked(bar))).toBeCloseTo(2, 1);
  });

  it('measure on a ground only what meets it: a pale letter on a dark disk is no fault on pale paper', () => {
    const onDisk = checked(
      recipeOf({ kind: 'shape', id: 'disk', form: { form: 'disk', widthPx: 300, heightPx: 300 }, paint: { role: 'lead' } } as PartInput, {
        kind: 'lettering',
        id: 'a',
        text: 'A',
        font: { family: 'jost' },
        sizePx: 120,
        paint: { role: 'second' },
        place: { x: 0, y: 40, turnDeg: 0 },
      }),
    );
    expect(onDisk?.grounds.find(({ key }) => key === 'paper')?.full.verdict).toBe('passes');
    const bare = checked(
      recipeOf({ kind: 'lettering', id: 'a', text: 'A', font: { family: 'jost' }, sizePx: 120, paint: { role: 'second' } }),
    );
    expect(bare?.grounds.find(({ key }) => key === 'paper')).toMatchObject({ part: 'a', full: { verdict: 'fails' } });
  });

  it('count colors and points, weigh strokes but not grounds, and find the balance', () => {
    const calm = checked(
      recipeOf(panel('ground', 300, 300), {
        kind: 'lettering',
        id: 'a',
        text: 'Harbor',
        font: { family: 'jost' },
        sizePx: 60,
        paint: { role: 'paper' },
      }),
    );
    expect([verdict(calm, 'colors'), verdict(calm, 'points'), verdict(calm, 'weights')]).toEqual(['passes', 'passes', undefined]);
    const busy = checked(
      recipeOf(
        ...['#111111', '#a03020', '#20a030', '#2030a0', '#a0a020', '#20a0a0', '#a020a0', '#707070'].map((color, n) =>
          panel(`p${n}`, 50, 50, { paint: { hex: color }, place: { x: n * 60, y: 0, turnDeg: 0 } }),
        ),
      ),
    );
    expect(verdict(busy, 'colors')).toBe('fails');
    // Leads to a part that alone has its color, and where there are too many points to the one that has most.
    const two = checked(
      recipeOf(
        ...['#111111', '#a03020', '#20a030', '#2030a0', '#a0a020'].flatMap((color, n) =>
          [0, 80]
            .slice(0, n === 3 ? 1 : 2)
            .map((y) => panel(`p${n}-${y}`, 50, 50, { paint: { hex: color }, place: { x: n * 60, y, turnDeg: 0 } })),
        ),
      ),
    );
    expect(two?.checks.find(({ id }) => id === 'colors')).toMatchObject({
      part: 'p3-0',
      fix: expect.stringContaining('#2030a0') as string,
    });
    const dense = checked(
      recipeOf(
        panel('plain', 300, 300),
        {
          ...{ kind: 'symmetry', id: 'many', members: ['star'], rule: 'grid', columns: 10, rows: 12 },
        } as never,
        { kind: 'shape', id: 'star', form: { form: 'star', widthPx: 20, heightPx: 20, points: 24 } } as never,
      ),
    );
    expect(dense?.checks.find(({ id }) => id === 'points')).toMatchObject({ part: 'star', finding: { verdict: 'look' } });
    const leaning = checked(recipeOf(panel('heavy', 300, 300), panel('light', 300, 6, { place: { x: 300, y: 0, turnDeg: 0 } })));
    expect(verdict(leaning, 'center')).toBe('fails');
  });

  it('names the clear space by the mark’s own unit', () => {
    const figure = (recipe: Recipe) => checked(recipe)?.checks.find(({ id }) => id === 'clear-space')?.finding.figure;
    // An eighth of the shorter side of 400 × 200 is 25 of 400.
    expect(figure(recipeOf(panel('block', 400, 200)))).toBe('6 %');
    expect(figure(recipeOf({ kind: 'lettering', id: 'name', text: 'HH', font: { family: 'jost' }, sizePx: 120 }))).toMatch(/^[4-7]\d %$/);
  });

  it('says per size what is lost', () => {
    const found = checked(recipeOf({ kind: 'lettering', id: 'name', text: 'Windrow', font: { family: 'jost' }, sizePx: 120 }));
    const at = (longerPx: number) => found?.sizes.find((size) => size.longerPx === longerPx)?.finding;
    expect([at(16)?.verdict, at(256)?.verdict]).toEqual(['fails', 'passes']);
    expect(at(16)?.says).toMatch(
      /At 16 px \d+ % of the ink lies in strokes that are drawn in full; .*the smallest words are \d\.\d px high\./,
    );
  });
});

describe('black first', () => {
  const recipe = recipeOf(panel('ground', 300, 300, { paint: { role: 'lead' } }), {
    kind: 'lettering',
    id: 'a',
    text: 'A',
    font: { family: 'jost' },
    sizePx: 120,
    paint: { role: 'ink' },
  });
  const drawn = (of: Recipe) => {
    const mark = resolverOf(shelf).resolve({ recipe: of, sources: new Map(), dress: dress(palette, 'full') });
    return createDresser(paths, flattenedAlgebra)(mark, of, palette, 'full').drawing;
  };
  const colors = (of: Recipe) => [...new Set(JSON.stringify(drawn(of)).match(/#[0-9a-f]{6}/g))].sort();

  it('a mark that stands in ink is drawn in one color where it would be in all of its own; both states lead to each other without loss', () => {
    expect(colors(recipe)).toEqual(['#22302a', '#b5482d']);
    const inInk = standing(recipe, true);
    expect([standsInInk(inInk), standsInInk(recipe)]).toEqual([true, false]);
    expect(colors(inInk)).toEqual(['#22302a']);
    expect(standing(inInk, false)).toEqual(recipe);
  });

  it('is stored and read again, with what else belongs to the whole mark', () => {
    const lit = standing({ ...recipe, whole: { treatments: [], light: { angleDeg: 30, heightDeg: 40 } as never } }, true);
    const again = parseRecipe(JSON.parse(JSON.stringify(writeRecipe(standing(recipe, true)))));
    expect(again.ok && standsInInk(again.value)).toBe(true);
    expect(standing(lit, false).whole).toEqual({ treatments: [], light: { angleDeg: 30, heightDeg: 40 } });
  });

  it('earlier versions of a recipe stand in color', () => {
    const old = parseRecipe({ version: 3, parts: [] });
    expect(old.ok && standsInInk(old.value)).toBe(false);
  });
});
