import { describe, expect, it } from 'vitest';
import { createPart, expect as valueOf, goingAlone, isKnown, type Recipe, RECIPE_VERSION } from '$core/index';
import { letteringInput } from '../../support/drawn-mark';

type Input = Parameters<typeof createPart>[0];
const disk = (id: string): Input => ({ kind: 'shape', id, form: { form: 'disk', widthPx: 40, heightPx: 40 } });
const group = (id: string, ...members: string[]): Input => ({ kind: 'group', id, members });
const recipe: Recipe = {
  version: RECIPE_VERSION,
  parts: [
    disk('dot'),
    letteringInput({ id: 'name' }),
    letteringInput({ id: 'second', companion: { part: 'name', gapPermille: 200 } }),
    letteringInput({ id: 'third', companion: { part: 'second', gapPermille: 200 } }),
    group('inner', 'dot'),
    group('outer', 'inner', 'name'),
    disk('free'),
  ].map((input) => valueOf(createPart(input as Input))),
};
const alone = (...ids: string[]) =>
  goingAlone(
    recipe,
    recipe.parts.filter(isKnown).filter(({ id }) => ids.includes(id)),
  ).map(({ id }) => id);

describe('parts that are moved together', () => {
  it.each([
    [['outer', 'inner', 'dot'], ['outer']],
    [
      ['outer', 'dot', 'free'],
      ['outer', 'free'],
    ],
    [
      ['inner', 'name'],
      ['name', 'inner'],
    ],
    // What stands by a part goes where that goes, also through others, and into groups.
    [['name', 'second'], ['name']],
    [['name', 'third'], ['name']],
    [['outer', 'third'], ['outer']],
    [
      ['second', 'free'],
      ['second', 'free'],
    ],
    [[], []],
  ])('of %j, %j move and the others go along', (ids, moved) => expect(alone(...ids)).toEqual(moved));

  it('all move where they stand by each other in a circle', () => {
    const circle: Recipe = {
      version: RECIPE_VERSION,
      parts: [letteringInput({ id: 'a', companion: { part: 'b' } }), letteringInput({ id: 'b', companion: { part: 'a' } })].map((input) =>
        valueOf(createPart(input)),
      ),
    };
    expect(goingAlone(circle, circle.parts.filter(isKnown)).map(({ id }) => id)).toEqual(['a', 'b']);
  });
});
