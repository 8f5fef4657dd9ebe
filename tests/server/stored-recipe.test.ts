import { describe, expect, it } from 'vitest';
import { storedRecipe } from '$lib/server/stores/stored-recipe';
import { RECIPE_VERSION } from '$core/index';
import { partOf } from '../support/drawn-mark';

describe('a recipe that was stored', () => {
  const stored = (text: string) => ({
    version: RECIPE_VERSION,
    parts: [{ kind: 'lettering', id: 'name', text, font: { family: 'jost' }, sizePx: 100 }],
  });

  it('is read once however often it is asked for, and anew where it says anything else', () => {
    const first = storedRecipe(stored('Windrow'));
    expect(first.parts).toEqual([partOf({ kind: 'lettering', id: 'name', text: 'Windrow', font: { family: 'jost' }, sizePx: 100 })]);
    expect(storedRecipe(structuredClone(stored('Windrow')))).toBe(first);
    expect(storedRecipe(stored('Windrows')).parts).not.toEqual(first.parts);
    expect(storedRecipe({ ...stored('Windrow'), version: 1 })).not.toBe(first);
  });

  it('that cannot be read is refused each time', () => {
    for (let n = 0; n < 2; n++) expect(() => storedRecipe({ version: 'none' })).toThrow();
  });
});
