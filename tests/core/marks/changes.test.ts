import { describe, expect, it } from 'vitest';
import {
  expect as valueOf,
  parseRecipe,
  recipeChangesSchema,
  RECIPE_VERSION,
  withChanges,
  writeRecipe,
  type Part,
  type Recipe,
  type RecipeChanges,
} from '$core/index';
import { writtenChanges, writtenRecipe } from '../../../src/lib/client/written-parts';
import { random } from '../../support/random';
import { randomMark } from '../../support/random-marks';

const stored = (recipe: Recipe) => JSON.parse(JSON.stringify(writeRecipe(recipe))) as Record<string, unknown>;
const changesOf = (before: Recipe, after: Recipe): RecipeChanges => recipeChangesSchema.parse(JSON.parse(writtenChanges(before, after)));

/** A recipe as a designer leaves it after one step: parts changed, added, removed, restacked, or the whole mark. */
function stepped(recipe: Recipe, next: () => number): Recipe {
  const parts = [...recipe.parts];
  const at = Math.floor(next() * parts.length);
  const kind = next();
  const part = parts[at];
  if (kind < 0.35 && part && part.kind !== 'unknown') parts[at] = { ...part, opacity: 0.1 + 0.8 * next() } as Part;
  else if (kind < 0.5) parts.splice(at, 1);
  else if (kind < 0.65) parts.push({ kind: 'unknown', id: `new-${next()}`, original: { kind: 'hologram', id: 'x', depth: next() } });
  else if (kind < 0.8) parts.sort(() => next() - 0.5);
  else if (kind < 0.9) return { ...recipe, whole: { treatments: [], inInk: next() < 0.5 } };
  else return { version: recipe.version, parts };
  return { ...recipe, parts };
}
const named = (recipe: Recipe): Recipe => ({
  ...recipe,
  // A part that is not understood is called what its original is called.
  parts: recipe.parts.map((part) => (part.kind === 'unknown' ? { ...part, original: { ...part.original, id: part.id } } : part)),
});

describe('changes of a recipe', () => {
  it('lead from every version to the next, exactly: 100 marks, 30 steps each', () => {
    for (let seed = 1; seed <= 100; seed++) {
      const next = random(seed);
      let recipe = randomMark(seed);
      let onServer: unknown = stored(recipe);
      for (let step = 0; step < 30; step++) {
        const after = named(stepped(recipe, next));
        onServer = withChanges(onServer, changesOf(recipe, after));
        expect(onServer).toEqual(stored(after));
        recipe = after;
      }
      // What comes of them is read like whole recipes are.
      expect(parseRecipe(onServer)).toEqual(parseRecipe(stored(recipe)));
    }
  });

  it('of one part among 300 hold that part alone, and the order', () => {
    const [first] = randomMark(3).parts;
    const parts = Array.from({ length: 300 }, (_, n) => ({ ...first, id: `p${n}` }) as Part);
    const before: Recipe = { version: RECIPE_VERSION, parts };
    const after = { ...before, parts: parts.map((part, at) => (at === 150 ? ({ ...part, opacity: 0.5 } as Part) : part)) };
    const changes = writtenChanges(before, after);
    expect((JSON.parse(changes) as RecipeChanges).parts).toHaveLength(1);
    expect(changes.length / writtenRecipe(after).length).toBeLessThan(0.03);
  });

  it('are not those of a recipe of another version, of what is no recipe, or of one that lacks a part', () => {
    const before = randomMark(5);
    const after = { ...before, parts: before.parts.slice(1) };
    const changes = changesOf(before, after);
    expect(withChanges(stored(before), changes)).toEqual(stored(after));
    expect(withChanges(stored(after), changesOf(after, before))).toEqual(stored(before));
    const shorter = { ...stored(after), parts: [] };
    for (const other of [undefined, null, 'recipe', [], {}, { version: 1, parts: [] }, { ...stored(before), version: 2 }, shorter])
      expect(withChanges(other, changes), JSON.stringify(other)?.slice(0, 60)).toBeUndefined();
  });

  it('reach nothing but parts, whatever they call them', () => {
    const changes = recipeChangesSchema.parse(
      JSON.parse(`{"version":${RECIPE_VERSION},"order":["__proto__","constructor"],"parts":[{"id":"__proto__","polluted":1}]}`),
    );
    expect(withChanges(stored(randomMark(1)), changes)).toBeUndefined();
    const whole = withChanges(stored(randomMark(1)), { ...changes, order: ['__proto__'] });
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
    expect(valueOf(parseRecipe({ ...(whole as object), parts: [{ kind: 'hologram', id: '__proto__' }] })).parts).toHaveLength(1);
    for (const bad of [{}, { ...changes, order: [1] }, { ...changes, parts: [{}] }, { ...changes, more: 1 }])
      expect(recipeChangesSchema.safeParse(bad).success).toBe(false);
  });
});
