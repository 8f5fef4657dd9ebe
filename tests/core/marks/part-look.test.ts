import { describe, expect, it } from 'vitest';
import {
  createPart,
  expect as valueOf,
  partLook,
  partLookSchema,
  ROLES,
  withPartLook,
  type KnownPart,
  type Recipe,
  type Role,
  RECIPE_VERSION,
} from '$core/index';
import fc from '../../support/properties';

type Input = Parameters<typeof createPart>[0];
const recipeOf = (...inputs: readonly Input[]): Recipe => ({
  version: RECIPE_VERSION,
  parts: inputs.map((input) => valueOf(createPart(input))),
});
const disk = (id: string, role: Role, more: object = {}): Input =>
  ({ kind: 'shape', id, form: { form: 'disk', widthPx: 10, heightPx: 10 }, paint: { role }, ...more }) as Input;
const art = (id: string, ...roles: readonly Role[]): Input =>
  ({
    kind: 'art',
    id,
    source: { title: 'Boat' },
    slots: roles.map((role) => ({ original: '#112233', paint: { role } })),
    pieces: [{ data: 'M0 0L10 0L0 10Z' }],
  }) as Input;
const part = <K extends KnownPart['kind']>(recipe: Recipe, id: string) =>
  recipe.parts.find((each) => each.id === id) as Extract<KnownPart, { kind: K }>;
const roles = (recipe: Recipe, id: string) => part<'art'>(recipe, id).slots.map(({ paint }) => ('role' in paint ? paint.role : paint.hex));

describe('carrying a look', () => {
  it('takes paint, strength and blend from one part to another of a different kind', () => {
    const recipe = recipeOf(disk('from', 'accent', { opacity: 0.4, blend: 'multiply' }), {
      kind: 'lettering',
      id: 'to',
      text: 'Gull',
      font: { family: 'jost' },
      letters: [{ at: { index: 1, letter: 'u' }, paint: { role: 'lead' } }],
    } as Input);
    const look = partLook(recipe, 'from');
    if (!look) throw new Error('no look');
    const to = part<'lettering'>(withPartLook(recipe, 'to', look), 'to');
    expect(to).toMatchObject({ paint: { role: 'accent' }, opacity: 0.4, blend: 'multiply', text: 'Gull' });
    expect(to.letters[0]?.paint).toEqual({ role: 'accent' });
  });

  it('takes colors by their order: first to first, the last for all beyond; what was alike stays alike', () => {
    const recipe = recipeOf(art('from', 'lead', 'second'), art('to', 'ink', 'accent', 'paper', 'accent'));
    const look = partLook(recipe, 'from');
    if (!look) throw new Error('no look');
    expect(roles(withPartLook(recipe, 'to', look), 'to')).toEqual(['lead', 'second', 'second', 'second']);
  });

  it('reaches what a group draws, and leaves how its members look among themselves', () => {
    const recipe = recipeOf(
      disk('one', 'ink'),
      disk('two', 'paper', { opacity: 0.5 }),
      { kind: 'group', id: 'both', members: ['one', 'two'] },
      art('from', 'accent', 'lead'),
    );
    const look = partLook(recipe, 'from');
    if (!look) throw new Error('no look');
    const next = withPartLook(recipe, 'both', { ...look, opacity: 0.9 });
    expect(part<'shape'>(next, 'one').paint).toEqual({ role: 'accent' });
    expect(part<'shape'>(next, 'two')).toMatchObject({ paint: { role: 'lead' }, opacity: 0.5 });
    expect(part<'group'>(next, 'both').opacity).toBe(0.9);
    expect(partLook(next, 'both')?.paints).toEqual([{ role: 'accent' }, { role: 'lead' }]);
  });

  it('is itself again when it is carried onto itself, whatever it is made of (property test)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...ROLES), { minLength: 1, maxLength: 12 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (colors, opacity) => {
          const recipe = recipeOf({ ...art('from', ...colors), opacity } as Input);
          const look = partLook(recipe, 'from');
          expect(partLookSchema.safeParse(look).success).toBe(true);
          expect(look && withPartLook(recipe, 'from', look)).toEqual(recipe);
        },
      ),
      { seed: 3, numRuns: 200 },
    );
  });

  it('of a part that is not there is none, and changes nothing', () => {
    const recipe = recipeOf(disk('one', 'ink'));
    expect(partLook(recipe, 'gone')).toBeUndefined();
    expect(withPartLook(recipe, 'gone', { paints: [{ role: 'lead' }], opacity: 1, blend: 'normal' })).toEqual(recipe);
    expect(withPartLook(recipe, 'one', { paints: [], opacity: 1, blend: 'normal' })).toEqual(recipe);
  });
});
