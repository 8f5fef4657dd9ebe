import { describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  expect as valueOf,
  isKnown,
  mayEnter,
  movedInto,
  STARTING_PALETTE,
  takenBy,
  type Recipe,
  RECIPE_VERSION,
} from '$core/index';
import { letteringInput, partNamed } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { nestedRecipe } from '../../support/nested-recipes';
import { random } from '../../support/random';
import { resolverOf } from '../../support/resolver';

type Input = Parameters<typeof createPart>[0];
const made = (...inputs: readonly object[]): Recipe => ({
  version: RECIPE_VERSION,
  parts: inputs.map((input) => valueOf(createPart(input as Input))),
});
const shelf = await shelfOf('jost');
const drawn = (recipe: Recipe) => resolverOf(shelf).resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
const disk = (id: string, x: number, more: object = {}) => ({
  kind: 'shape',
  id,
  form: { form: 'disk', widthPx: 40, heightPx: 30 },
  place: { x, y: 4, turnDeg: 0 },
  ...more,
});
const turned = { x: 30, y: -12, turnDeg: 33, scale: 1.7, flip: true };
const recipe = made(
  disk('one', 0),
  disk('two', 60),
  { kind: 'group', id: 'inner', members: ['one', 'two'], place: turned },
  disk('three', -70),
  { kind: 'group', id: 'outer', members: ['inner', 'three'], place: { x: -5, y: 8, turnDeg: -20, scale: 0.6 } },
  disk('free', 200, { place: { x: 200, y: 0, turnDeg: 12, scale: 2 } }),
);
const membersOf = (of: Recipe, id: string) =>
  of.parts
    .filter(isKnown)
    .filter((part) => part.id === id)
    .flatMap(takenBy);

describe('parts brought into and out of groups', () => {
  it.each([
    ['free', 'inner', ['one', 'two', 'free']],
    ['one', undefined, undefined],
    ['one', 'outer', ['inner', 'three', 'one']],
    ['three', 'inner', ['one', 'two', 'three']],
    ['inner', undefined, undefined],
  ] as const)('%s into %s is seen where it was', (id, into, members) => {
    const moved = movedInto(recipe, id, into);
    const [before, after] = [partNamed(drawn(recipe), id).ink, partNamed(drawn(moved), id).ink];
    for (const side of ['left', 'top', 'right', 'bottom'] as const) expect(after?.[side]).toBeCloseTo(before?.[side] ?? NaN, 6);
    if (into && members) expect([...membersOf(moved, into)].sort()).toEqual([...members].sort());
    expect(moved.parts).toHaveLength(recipe.parts.length);
  });

  it('stand where they are put among their neighbors there', () => {
    const order = (of: Recipe) => of.parts.map(({ id }) => id).filter((id) => ['one', 'two', 'free'].includes(id));
    expect(order(movedInto(recipe, 'free', 'inner', 0))).toEqual(['free', 'one', 'two']);
    expect(order(movedInto(recipe, 'free', 'inner', 1))).toEqual(['one', 'free', 'two']);
    expect(order(movedInto(recipe, 'free', 'inner'))).toEqual(['one', 'two', 'free']);
  });

  it('take an emptied group away with the last one', () => {
    const alone = movedInto(movedInto(recipe, 'one', undefined), 'two', undefined);
    expect(alone.parts.some(({ id }) => id === 'inner')).toBe(false);
    expect(membersOf(alone, 'outer')).toEqual(['three']);
  });

  it('never go into themselves, into what they draw, into what draws nobody or stands its members by itself', () => {
    const lockup = made(
      letteringInput({}),
      disk('dot', 0),
      { kind: 'lockup', id: 'both', members: ['dot', 'name'], symbol: 'dot' },
      disk('free', 9),
    );
    expect(mayEnter(lockup, 'free', 'both')).toBe(false);
    for (const [id, into] of [
      ['outer', 'inner'],
      ['outer', 'outer'],
      ['free', 'one'],
      ['free', 'nobody'],
      ['nobody', 'inner'],
    ] as const) {
      expect(mayEnter(recipe, id, into), `${id} into ${into}`).toBe(false);
      expect(movedInto(recipe, id, into)).toBe(recipe);
    }
  });

  it('leave every other part where it was, in 60 random nested recipes', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const next = random(seed);
      const nested = nestedRecipe(seed);
      const known = nested.parts.filter(isKnown);
      const groups = known.filter(({ kind }) => kind === 'group');
      const part = known[Math.floor(next() * known.length)];
      const into = next() < 0.3 ? undefined : groups[Math.floor(next() * groups.length)]?.id;
      if (!part) continue;
      const moved = movedInto(nested, part.id, into);
      expect(new Set(moved.parts.map(({ id }) => id)).size).toBe(moved.parts.length);
      const twice = (of: Recipe) => {
        const takers = of.parts.filter(isKnown).flatMap(takenBy);
        return takers.length - new Set(takers).size;
      };
      expect(twice(moved), `seed ${seed}`).toBeLessThanOrEqual(twice(nested));
    }
  });
});
