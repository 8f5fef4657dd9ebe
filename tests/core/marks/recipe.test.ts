import { describe, expect, it } from 'vitest';
import { BLENDS, createPart, parseRecipe, RECIPE_VERSION, writeRecipe, expect as valueOf } from '$core/index';
import fc from '../../support/properties';

const lettering = { kind: 'lettering', id: 'name', text: 'Windrow', font: { family: 'jost' } } as const;
const recipeOf = (...parts: unknown[]) => ({ version: RECIPE_VERSION, parts });
const problemsOf = (input: unknown) => {
  const parsed = parseRecipe(input);
  return parsed.ok ? [] : parsed.problems;
};

describe('parseRecipe', () => {
  it('fills in what a script leaves out', () => {
    expect(valueOf(parseRecipe(recipeOf(lettering))).parts[0]).toMatchObject({
      sizePx: 120,
      trackingPermille: 0,
      case: 'typed',
      opacity: 1,
      blend: 'normal',
      paint: { role: 'ink' },
      place: { x: 0, y: 0, turnDeg: 0 },
    });
  });

  it.each([0, -5, 1e9, NaN, Infinity, '120', null])('refuses a size of %s, says where, and reads nothing', (sizePx) => {
    const [problem] = problemsOf(recipeOf({ ...lettering, sizePx }));
    expect(problem?.path).toEqual(['parts', 0, 'sizePx']);
    expect(problem?.message).toMatch(/^“sizePx”: expected .+, but received/);
  });

  it.each([
    ['text of 2,001 letters', { text: 'x'.repeat(2001) }],
    ['a role that no palette has', { paint: { role: 'neon' } }],
    ['a color with transparency', { paint: { hex: '#11223344' } }],
    ['an opacity above one', { opacity: 1.1 }],
    ['a blend that is not a blend', { blend: 'sparkle' }],
    ['NUL in a text', { text: 'Wind\u0000row' }],
    ['half of a surrogate pair', { text: 'Wind\ud83drow' }],
    ['an id with a quote', { id: '"><script>' }],
  ])('refuses %s', (_what, change) => expect(problemsOf(recipeOf({ ...lettering, ...change }))).not.toEqual([]));

  it.each([null, 7, 'recipe', [], {}, { version: 1 }, { version: '1', parts: [] }, { version: 0, parts: [] }])(
    'refuses %j as a whole',
    (input) => expect(problemsOf(input)).not.toEqual([]),
  );

  it('refuses two parts of one id and more than 500 parts', () => {
    expect(problemsOf(recipeOf(lettering, lettering))[0]?.code).toBe('id-twice');
    expect(problemsOf(recipeOf(...Array.from({ length: 501 }, (_, n) => ({ ...lettering, id: `p${n}` }))))).not.toEqual([]);
  });

  it('says so when the whole recipe comes from a newer version', () =>
    expect(problemsOf({ version: RECIPE_VERSION + 1, parts: [] })[0]?.code).toBe('newer-version'));

  it('keeps a part of an unknown kind, and a known part with fields of a newer version, exactly as they came', () => {
    const holo = { kind: 'hologram', id: 'h', depth: { layers: [1, 2, { deep: '\\u0000 is only text' }] } };
    const newer = { ...lettering, id: 'newer', swirl: 3 };
    const input = recipeOf(holo, lettering, newer);
    const parsed = valueOf(parseRecipe(input));
    expect(parsed.parts.map(({ kind }) => kind)).toEqual(['unknown', 'lettering', 'unknown']);
    const written = writeRecipe(parsed) as { parts: unknown[] };
    expect(written.parts[0]).toEqual(holo);
    expect(written.parts[2]).toEqual(newer);
  });

  it('reads what it writes, for any lettering', () => {
    const letterings = fc.record({
      kind: fc.constant('lettering' as const),
      id: fc.stringMatching(/^[a-z0-9-]{1,20}$/),
      text: fc.string({ unit: 'grapheme', maxLength: 60 }).filter((text) => !text.includes('\u0000')),
      font: fc.record({
        family: fc.constantFrom('jost', 'cinzel'),
        axes: fc.dictionary(fc.constantFrom('wght', 'wdth'), fc.integer({ min: 1, max: 1000 })),
      }),
      sizePx: fc.double({ min: 1, max: 10_000, noNaN: true }),
      opacity: fc.double({ min: 0, max: 1, noNaN: true }),
      blend: fc.constantFrom(...BLENDS),
    });
    fc.assert(
      fc.property(letterings, (input) => {
        const recipe = { version: RECIPE_VERSION, parts: [valueOf(createPart(input))] };
        const stored: unknown = JSON.parse(JSON.stringify(writeRecipe(recipe)));
        expect(JSON.stringify(writeRecipe(valueOf(parseRecipe(stored))))).toBe(JSON.stringify(writeRecipe(recipe)));
      }),
    );
  });
});
