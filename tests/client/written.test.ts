import { describe, expect, it } from 'vitest';
import { createPart, expect as valueOf, LARGEST_SAVE_BYTES, parseRecipe, writeRecipe, type Recipe, RECIPE_VERSION } from '$core/index';
import { nextPortion, writtenWork } from '../../src/lib/client/work/portions';
import { writtenParts, writtenRecipe } from '../../src/lib/client/written-parts';
import { letteringInput, partOf } from '../support/drawn-mark';

const stranger = { kind: 'hologram', id: 'future', depth: { of: ['field', 3] }, name: '“quoted” \\ and \u2028' };
const recipe: Recipe = {
  version: RECIPE_VERSION,
  parts: [
    partOf(letteringInput({ text: 'Quote " and \\ and é' })),
    valueOf(createPart({ kind: 'curve', id: 'bow', points: [{ x: 0, y: 0 }] })),
    { kind: 'unknown', id: 'future', original: stranger },
  ],
};

describe('recipes as text', () => {
  it('are what the whole recipe written at once would be, parts that are not understood exactly as they came', () => {
    expect(JSON.parse(writtenRecipe(recipe))).toEqual(JSON.parse(JSON.stringify(writeRecipe(recipe))));
    expect(JSON.parse(writtenRecipe({ version: RECIPE_VERSION, parts: [] }))).toEqual({ version: RECIPE_VERSION, parts: [] });
    expect(valueOf(parseRecipe(JSON.parse(writtenRecipe(recipe))))).toEqual(recipe);
    expect(writtenParts(recipe).map((text) => JSON.parse(text) as unknown)).toEqual(JSON.parse(JSON.stringify(recipe.parts)));
  });

  it('are the same text while the parts are the same, and another one when any part is', () => {
    expect(writtenRecipe({ ...recipe, parts: [...recipe.parts] })).toBe(writtenRecipe(recipe));
    const [first, ...rest] = recipe.parts;
    const moved = { ...first, place: { x: 1, y: 0, turnDeg: 0 } } as Recipe['parts'][number];
    expect(writtenRecipe({ ...recipe, parts: [moved, ...rest] })).not.toBe(writtenRecipe(recipe));
  });
});

describe('what is sent', () => {
  const gestures = [
    { id: 'a1', kind: 'edit' as const, gesture: 'Say "hello", {"recipe":1}', content: writtenRecipe(recipe) },
    { id: 'a2', kind: 'undo' as const, gesture: 'Move', content: writtenRecipe({ version: RECIPE_VERSION, parts: [] }) },
  ];

  it('is JSON that names every gesture once, whatever its words are', () => {
    const read = JSON.parse(writtenWork(7, gestures, 'recipe')) as { base: number; gestures: { gesture: string; recipe: unknown }[] };
    expect(read.base).toBe(7);
    expect(read.gestures.map(({ gesture }) => gesture)).toEqual(gestures.map(({ gesture }) => gesture));
    expect(read.gestures[0]?.recipe).toEqual(JSON.parse(JSON.stringify(writeRecipe(recipe))));
  });

  it('fits into one request, by count and by bytes, and is never nothing', () => {
    const of = (content: string, count: number) =>
      Array.from({ length: count }, (_, n) => ({ id: String(n), kind: 'edit' as const, gesture: 'Type', content }));
    expect(nextPortion(of('{}', 250))).toHaveLength(100);
    const half = `"${'ü'.repeat(LARGEST_SAVE_BYTES / 5)}"`;
    expect(nextPortion(of(half, 9))).toHaveLength(2);
    expect(nextPortion(of(`"${'x'.repeat(LARGEST_SAVE_BYTES * 2)}"`, 3))).toHaveLength(1);
    expect(nextPortion([])).toHaveLength(0);
  });
});
