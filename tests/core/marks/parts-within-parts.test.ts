import { describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  duplicatePart,
  expect as valueOf,
  gather,
  isKnown,
  MOST_PARTS,
  openTaker,
  parseRecipe,
  releaseCopy,
  removePart,
  restack,
  STARTING_PALETTE,
  takenBy,
  takerOf,
  topLevel,
  writeRecipe,
  type Bounds,
  type Recipe,
  RECIPE_VERSION,
} from '$core/index';
import { shelfOf } from '../../support/fonts';
import { resolverOf } from '../../support/resolver';
import fc from '../../support/properties';

type Input = Parameters<typeof createPart>[0];
const { resolve } = resolverOf(await shelfOf());
const inkOf = (recipe: Recipe): Bounds | undefined => resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') }).ink;

const panel = (n: number): Input =>
  ({
    kind: 'shape',
    id: `panel-${n}`,
    form: { form: 'panel', widthPx: 20 + n, heightPx: 10, cornerPx: 0 },
    place: { x: 40 * n, y: 7 * n, turnDeg: 0 },
  }) as Input;
const begun = (count: number): Recipe => ({
  version: RECIPE_VERSION,
  parts: Array.from({ length: count }, (_, n) => valueOf(createPart(panel(n)))),
});

/** One thing that a designer does; `at` names parts by their rank. */
type Step = {
  readonly what: 'group' | 'mirror' | 'open' | 'duplicate' | 'remove' | 'restack' | 'release';
  readonly at: number;
  readonly to: number;
};
const steps = fc.array(
  fc.record<Step>({
    what: fc.constantFrom('group', 'mirror', 'open', 'duplicate', 'remove', 'restack', 'release'),
    at: fc.nat(40),
    to: fc.nat(40),
  }),
  { minLength: 1, maxLength: 14 },
);

function done(recipe: Recipe, { what, at, to }: Step): Recipe {
  const ids = recipe.parts.map(({ id }) => id);
  const one = ids[at % Math.max(1, ids.length)];
  const other = ids[to % Math.max(1, ids.length)];
  if (one === undefined || other === undefined) return recipe;
  if (what === 'group')
    return gather(recipe, [one, other], 'group', (id, members) => ({ kind: 'group', id, members: [...members] }))?.recipe ?? recipe;
  if (what === 'mirror')
    return (
      gather(recipe, [one], 'symmetry', (id, members) => ({ kind: 'symmetry', id, members: [...members], rule: 'mirror' }))?.recipe ??
      recipe
    );
  if (what === 'open') return openTaker(recipe, one);
  if (what === 'duplicate') return duplicatePart(recipe, one)?.recipe ?? recipe;
  if (what === 'remove') return removePart(recipe, one);
  if (what === 'release') return releaseCopy(recipe, one, 1, { left: 0, top: 0, right: 1, bottom: 1 })?.recipe ?? recipe;
  return restack(recipe, one, to % 5);
}

/** What holds of every recipe, whatever was done to it. */
function holds(recipe: Recipe): void {
  const ids = recipe.parts.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(ids.length).toBeLessThanOrEqual(MOST_PARTS);
  for (const part of recipe.parts.filter(isKnown)) {
    const members = takenBy(part);
    // Members are there, stand behind whoever draws them, and are drawn by nobody else.
    for (const member of members) {
      expect(ids.indexOf(member), `${member} of ${part.id}`).toBeGreaterThanOrEqual(0);
      expect(ids.indexOf(member)).toBeLessThan(ids.indexOf(part.id));
      expect(takerOf(recipe, member)?.id).toBe(part.id);
    }
    if ('members' in part) expect(members.length, part.id).toBeGreaterThan(0);
  }
  const read = parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe))));
  expect(read.ok && read.value).toEqual(recipe);
}

describe('parts within parts', () => {
  it('stay whole through any row of gathering, opening, copying, removing, restacking and releasing (property, 400 rows)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), steps, (count, row) => {
        let recipe = begun(count);
        for (const step of row) {
          recipe = done(recipe, step);
          holds(recipe);
        }
      }),
      { seed: 17, numRuns: 400 },
    );
  });

  it('look the same after grouping and after opening again, however deep (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 6 }), fc.array(fc.nat(20), { minLength: 1, maxLength: 6 }), (count, picks) => {
        const recipe = begun(count);
        const before = inkOf(recipe);
        let grouped = recipe;
        for (const pick of picks) {
          const free = topLevel(grouped).map(({ id }) => id);
          const chosen = free.filter((_, index) => index % 2 === pick % 2 || index === pick % free.length);
          grouped = gather(grouped, chosen, 'group', (id, members) => ({ kind: 'group', id, members: [...members] }))?.recipe ?? grouped;
        }
        same(inkOf(grouped), before);
        let opened = grouped;
        for (;;) {
          const taker = opened.parts.find((part) => isKnown(part) && takenBy(part).length > 0);
          if (!taker) break;
          opened = openTaker(opened, taker.id);
        }
        same(inkOf(opened), before);
        expect(opened.parts.map(({ id }) => id).sort()).toEqual(recipe.parts.map(({ id }) => id).sort());
      }),
      { seed: 23, numRuns: 120 },
    );
  });

  it('keep members where they stand when a turned, scaled and flipped group is opened', () => {
    const recipe = begun(2);
    const made = gather(recipe, ['panel-0', 'panel-1'], 'group', (id, members) => ({
      kind: 'group',
      id,
      members: [...members],
      place: { x: 31, y: -12, turnDeg: 37, scale: 1.6, flip: true },
    }));
    if (!made) throw new Error('nothing was gathered');
    same(inkOf(openTaker(made.recipe, made.id)), inkOf(made.recipe));
  });

  it('cannot be gathered beyond the most parts that a mark may have', () => {
    const full: Recipe = { version: RECIPE_VERSION, parts: Array.from({ length: MOST_PARTS }, (_, n) => valueOf(createPart(panel(n)))) };
    expect(gather(full, ['panel-1'], 'group', (id, members) => ({ kind: 'group', id, members: [...members] }))).toBeUndefined();
    expect(duplicatePart(full, 'panel-1')).toBeUndefined();
    expect(gather(begun(2), ['nobody'], 'group', (id, members) => ({ kind: 'group', id, members: [...members] }))).toBeUndefined();
  });
});

function same(one: Bounds | undefined, other: Bounds | undefined): void {
  for (const side of ['left', 'top', 'right', 'bottom'] as const) expect(one?.[side]).toBeCloseTo(other?.[side] ?? NaN, 6);
}
