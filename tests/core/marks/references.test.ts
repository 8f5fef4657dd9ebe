import { describe, expect, it } from 'vitest';
import {
  addPart,
  copyDeep,
  createPart,
  derive,
  duplicatePart,
  freePartId,
  isKnown,
  openTaker,
  referencesOf,
  releaseCopy,
  removePart,
  expect as valueOf,
  type KnownPart,
  type Part,
  type Recipe,
  STARTING_PALETTE,
  RECIPE_VERSION,
} from '$core/index';
import { copied, pasted } from '$lib/marks/table/clipboard';
import { casesOf } from '../../support/deep';
import { nestedRecipe } from '../../support/nested-recipes';
import { random } from '../../support/random';

/** Every part carries its first id as its name, so that it is known again under any other. */
const tagged = (recipe: Recipe, tag: string): Recipe => ({
  ...recipe,
  parts: recipe.parts.map((part) => (isKnown(part) ? { ...part, name: `${tag}${part.id}` } : part)) as Recipe['parts'],
});
const nameOf = (part: KnownPart) => part.name ?? '';

const withoutMembers = (part: Part): Part => (isKnown(part) && 'members' in part ? ({ ...part, members: [] } as never) : part);

/** References that reach a part which the original did not name. */
function strangers(before: readonly Recipe[], after: Recipe): readonly string[] {
  const named = new Map<string, Set<string>>();
  for (const recipe of before) {
    const known = recipe.parts.filter(isKnown);
    for (const part of known)
      named.set(nameOf(part), new Set(referencesOf(part).flatMap(({ id }) => known.filter((each) => each.id === id).map(nameOf))));
  }
  const known = after.parts.filter(isKnown);
  return known.flatMap((part) =>
    referencesOf(part).flatMap(({ id }) => {
      const reached = known.find((each) => each.id === id);
      return reached && !named.get(nameOf(part))?.has(nameOf(reached)) ? [`${nameOf(part)} reaches ${nameOf(reached)}`] : [];
    }),
  );
}

const count = casesOf({ inFull: 1000, sample: 100 });
describe(`references over ${count} random recipes`, () => {
  const each = (run: (recipe: Recipe, next: () => number, pick: <T>(from: readonly T[]) => T, seed: number) => readonly string[]) => () => {
    const off: string[] = [];
    for (let seed = 1; seed <= count; seed++) {
      const next = random(seed + 77);
      const recipe = tagged(nestedRecipe(seed), '');
      off.push(
        ...run(recipe, next, (from) => from[Math.floor(next() * from.length)] as never, seed).map((what) => `seed ${seed}: ${what}`),
      );
    }
    expect(off).toEqual([]);
  };
  const ids = (recipe: Recipe) => recipe.parts.map(({ id }) => id);

  it(
    'copies name each other or what the originals named',
    each((recipe, _, pick) => strangers([recipe], duplicatePart(recipe, pick(ids(recipe)))?.recipe ?? recipe)),
  );

  it(
    'pasted parts never reach a stranger, in the same mark or in another with the same ids',
    each((recipe, next, pick, seed) => {
      const other = tagged(nestedRecipe(seed + 1), 'other ');
      const chosen = [pick(ids(recipe)), pick(ids(recipe)), ...(next() < 0.3 ? ids(recipe) : [])];
      const text = copied(recipe, [...new Set(chosen)], { brand: 'b', mark: 'one', palette: STARTING_PALETTE, sources: new Map() });
      return [recipe, other].flatMap((into, index) => {
        const made = pasted(into, text, { mark: index === 0 ? 'one' : 'two', brand: 'b', palette: STARTING_PALETTE });
        return made.ok && made.value ? strangers([recipe, other], made.value.recipe) : [];
      });
    }),
  );

  it(
    'parts that are made after others were removed are never taken for them',
    each((recipe, _, pick) => {
      let after = removePart(recipe, pick(ids(recipe)));
      for (const kind of ['shape', 'lettering', 'p'])
        for (let n = 0; n < 2; n++)
          after = addPart(after, {
            ...valueOf(createPart({ kind: 'shape', id: freePartId(after, kind), form: { form: 'disk', widthPx: 9, heightPx: 9 } })),
            name: 'fresh',
          });
      return strangers([recipe], after);
    }),
  );

  it(
    'opened groups and released copies keep what they name',
    each((recipe, _, pick) => {
      const takers = recipe.parts.filter((part) => isKnown(part) && 'members' in part);
      const opened = openTaker(recipe, pick(takers)?.id ?? 'all');
      const set = recipe.parts.find((part) => part.kind === 'symmetry');
      const freed = set && releaseCopy(recipe, set.id, 1, { left: 0, right: 9, top: 0, bottom: 9 });
      // What draws a group draws its members once it is opened; all else stays as it was.
      const followers = (after: Recipe) => strangers([recipe], { ...after, parts: after.parts.map(withoutMembers) });
      return [...followers(opened), ...(freed ? followers(freed.recipe) : [])];
    }),
  );

  it(
    'followed marks bring their own along, and never meet this mark’s',
    each((recipe, _, pick, seed) => {
      const home = tagged(nestedRecipe(seed + 3), 'home ');
      const mark = '00000000-0000-4000-8000-000000000001';
      const link = {
        ...valueOf(createPart({ kind: 'linked', id: 'link', from: { mark, part: pick(ids(recipe)) }, take: 'whole' })),
        name: 'link',
      };
      const derived = derive({ ...home, parts: [...home.parts, link] }, new Map([[mark, recipe]])).recipe;
      // The part that the link stands for bears the link’s name here.
      const target = recipe.parts.find(({ id }) => link.kind === 'linked' && id === link.from.part);
      const renamedSource = {
        ...recipe,
        parts: recipe.parts.map((part) => (part === target ? { ...part, name: 'link' } : part)) as Recipe['parts'],
      };
      return strangers([home, renamedSource], derived);
    }),
  );

  it('copies into another mark let go of what did not come along, and a band says that its part is gone', () => {
    const band = valueOf(createPart({ kind: 'band', id: 'band', of: 'p0' }));
    const copies = copyDeep(
      { version: RECIPE_VERSION, parts: [band] },
      ['band'],
      undefined,
      { version: RECIPE_VERSION, parts: [] },
      () => undefined,
    );
    expect(copies?.parts.map((part) => referencesOf(part))).toEqual([[{ id: 'gone', as: 'traces' }]]);
  });

  it('copies are as heavy as the copy of what the original was as heavy as, and let go of what did not come along', () => {
    const shape = (id: string, more: object) => valueOf(createPart({ kind: 'shape', id, ...more } as Parameters<typeof createPart>[0]));
    const leader = shape('leader', { form: { form: 'ring' } });
    const heavy = [
      shape('line', { form: { form: 'arcLine' }, weightFrom: 'leader' }),
      valueOf(createPart({ kind: 'curve', id: 'curve', weightFrom: 'leader', points: [0, 40].map((x) => ({ x, y: 0 })) } as never)),
    ];
    const home = { version: RECIPE_VERSION, parts: [leader, ...heavy] };
    const copy = (ids: readonly string[], into: Recipe) =>
      copyDeep(home, ids, undefined, into, () => undefined)?.parts.filter((part) => 'weightFrom' in part) ?? [];
    const other = { version: RECIPE_VERSION, parts: [] };
    const along = copyDeep(home, ['leader', 'line', 'curve'], undefined, home, () => undefined)?.parts ?? [];
    const renamed = along.find((part) => part.kind === 'shape' && part.form.form === 'ring' && part.id !== 'leader')?.id;
    expect(renamed).toBeDefined();
    for (const kind of ['shape', 'curve'])
      expect(along.filter((part) => part.kind === kind && 'weightFrom' in part && part.weightFrom === renamed)).toHaveLength(1);
    for (const id of ['line', 'curve'])
      expect(copy([id], other).map((part) => referencesOf(part))).toEqual(copy([id], other).map(() => []));
  });
});
