import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createPart, expect as valueOf, parseRecipe, writeRecipe, type Recipe } from '$core/index';
import { readUnsaved, writeUnsaved, writtenWork, type UnsavedWork } from '../../src/lib/client/unsaved-work';
import { writtenParts, writtenRecipe } from '../../src/lib/client/written-parts';
import { letteringInput, partOf } from '../support/drawn-mark';

const stranger = { kind: 'hologram', id: 'future', depth: { of: ['field', 3] }, name: '“quoted” \\ and \u2028' };
const recipe: Recipe = {
  version: 1,
  parts: [
    partOf(letteringInput({ text: 'Quote " and \\ and é' })),
    valueOf(createPart({ kind: 'curve', id: 'bow', points: [{ x: 0, y: 0 }] })),
    { kind: 'unknown', id: 'future', original: stranger },
  ],
};

describe('recipes as text', () => {
  it('are what the whole recipe written at once would be, parts that are not understood exactly as they came', () => {
    expect(JSON.parse(writtenRecipe(recipe))).toEqual(JSON.parse(JSON.stringify(writeRecipe(recipe))));
    expect(JSON.parse(writtenRecipe({ version: 1, parts: [] }))).toEqual({ version: 1, parts: [] });
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

describe('unsaved work', () => {
  const kept = new Map<string, string>();
  beforeEach(() =>
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => kept.set(key, text),
      removeItem: (key: string) => kept.delete(key),
    }),
  );
  afterEach(() => {
    vi.unstubAllGlobals();
    kept.clear();
  });
  const work: UnsavedWork = {
    base: 7,
    gestures: [
      { id: 'a1', kind: 'edit', gesture: 'Say "hello", {"recipe":1}', recipe: writtenRecipe(recipe) },
      { id: 'a2', kind: 'undo', gesture: 'Move', recipe: writtenRecipe({ version: 1, parts: [] }) },
    ],
  };

  it('comes back from the browser as it was left', () => {
    writeUnsaved('mark', work);
    expect(readUnsaved('mark')).toEqual(work);
    expect(readUnsaved('another')).toBeUndefined();
    writeUnsaved('mark', { base: 8, gestures: [] });
    expect(kept.size).toBe(0);
  });

  it('is JSON that names every gesture once, whatever its words are', () => {
    const read = JSON.parse(writtenWork(work)) as { base: number; gestures: { gesture: string; recipe: unknown }[] };
    expect(read.gestures.map(({ gesture }) => gesture)).toEqual(work.gestures.map(({ gesture }) => gesture));
    expect(read.gestures[0]?.recipe).toEqual(JSON.parse(JSON.stringify(writeRecipe(recipe))));
  });

  it.each(['{', 'null', '[]', '{"base":1}', '{"base":1,"gestures":[]}', '{"base":1,"gestures":"x"}'])(
    'that is torn (%s) is none',
    (text) => {
      writeUnsaved('mark', work);
      kept.set([...kept.keys()][0] ?? '', text);
      expect(readUnsaved('mark')).toBeUndefined();
    },
  );

  it('does no harm where the browser keeps nothing', () => {
    vi.stubGlobal('localStorage', {
      getItem: () => null,
      setItem: () => {
        throw new Error('full');
      },
      removeItem: () => undefined,
    });
    expect(() => writeUnsaved('mark', work)).not.toThrow();
    expect(readUnsaved('mark')).toBeUndefined();
  });
});
