import { describe, expect, it } from 'vitest';
import { changePart, createPart, EMPTY_RECIPE, expect as valueOf, type Built, type Recipe } from '$core/index';
import { Building } from '$lib/marks/table/building';

const heard = { text: 'Quarry Lanterns', font: { family: 'jost', style: 'normal', axes: {} } } as const;
const start = (): Recipe => ({
  ...EMPTY_RECIPE,
  parts: [
    valueOf(createPart({ kind: 'shape', id: 'star', form: { form: 'star' } })),
    valueOf(
      createPart({ kind: 'group', id: 'group', members: [], built: { builder: 'badge', numbers: { sizePx: 300 }, heard, slots: {} } }),
    ),
  ],
});

/** A table whose worker answers when it is told to, and then only sets the numbers. */
function table() {
  const waiting: (() => void)[] = [];
  const committed: (readonly [gesture: string, recipe: Recipe])[] = [];
  const open: { recipe: Recipe; preview: (recipe: Recipe) => void; commit: (gesture: string, recipe?: Recipe) => void } = {
    recipe: start(),
    preview: (recipe) => {
      open.recipe = recipe;
    },
    commit: (gesture, recipe = open.recipe) => {
      open.recipe = recipe;
      committed.push([gesture, recipe]);
    },
  };
  let fails = false;
  const draughtsman = {
    buildAnew: (recipe: Recipe, id: string, numbers: Built['numbers']) =>
      new Promise<Recipe>((resolve, reject) =>
        waiting.push(() =>
          fails ? reject(new Error('gone')) : resolve(changePart(recipe, id, { built: { ...builtOf(recipe), numbers } })),
        ),
      ),
  };
  const at = {
    ...{
      brand: { name: 'Quarry' },
      info: { id: 'm' },
      marks: [],
      recipes: new Map(),
      secondFamily: undefined,
      selectedId: undefined,
      said: '',
      open,
    },
    desk: { stage: undefined, ask: <T>(question: (worker: typeof draughtsman) => Promise<T>) => question(draughtsman) },
  };
  const answer = async () => {
    waiting.splice(0).forEach((each) => each());
    for (let turn = 0; turn < 8; turn++) await Promise.resolve();
  };
  return {
    at,
    open,
    committed,
    answer,
    fail: () => (fails = true),
    building: new Building(at as unknown as ConstructorParameters<typeof Building>[0]),
  };
}
function builtOf(recipe: Recipe): Built {
  const group = recipe.parts.find(({ id }) => id === 'group');
  if (group?.kind !== 'group' || !group.built) throw new Error('no built group');
  return group.built;
}

describe('numbers of a built group', () => {
  it('that are changed one right after the other are both there in the end', async () => {
    const { building, open, answer, committed } = table();
    const first = building.change('group', 'Year', { year: '1987' });
    const second = building.change('group', 'Edge', { edge: 'rope' });
    await answer();
    await Promise.all([first, second]);
    expect(builtOf(open.recipe).numbers).toEqual({ sizePx: 300, year: '1987', edge: 'rope' });
    expect(committed.length).toBeGreaterThan(0);
  });

  it('never undo what was done to the mark while they were on their way', async () => {
    const { building, open, answer } = table();
    const changing = building.change('group', 'Year', { year: '1987' });
    open.commit('Move', changePart(open.recipe, 'star', { opacity: 0.5 }));
    await answer();
    await answer();
    await changing;
    expect(builtOf(open.recipe).numbers).toMatchObject({ year: '1987' });
    expect(open.recipe.parts.find(({ id }) => id === 'star')).toMatchObject({ opacity: 0.5 });
  });

  it('end their gesture before the next one begins', async () => {
    const { building, open, answer, committed } = table();
    building.preview('group', { sizePx: 400 });
    building.preview('group', { sizePx: 420 });
    await answer();
    await building.commit('Size');
    building.preview('group', { year: '1987' });
    await answer();
    await building.commit('Year');
    expect(committed.map(([gesture]) => gesture)).toEqual(['Size', 'Year']);
    expect(builtOf(open.recipe).numbers).toEqual({ sizePx: 420, year: '1987' });
  });

  it('that cannot be built change nothing, and that is said', async () => {
    const { at, building, open, answer, fail } = table();
    const before = open.recipe;
    fail();
    const changing = building.change('group', 'Year', { year: '1987' });
    await answer();
    await changing;
    expect(open.recipe).toBe(before);
    expect(at.said).toContain('could not be built anew');
  });

  it('are behind when the name they follow has changed, and only then', () => {
    const { building } = table();
    expect(building.isBehind(builtOf(start()))).toBe(false);
    const name = valueOf(createPart({ kind: 'lettering', id: 'name', text: 'Harbor Wicks', font: { family: 'jost' } }));
    const { at } = table();
    at.open.recipe = { ...at.open.recipe, parts: [name, ...at.open.recipe.parts] };
    const follows = { ...builtOf(start()), follows: { mark: null, part: 'name' } };
    expect(new Building(at as unknown as ConstructorParameters<typeof Building>[0]).isBehind(follows)).toBe(true);
  });
});
