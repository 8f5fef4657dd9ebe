import { describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  IDENTITY,
  newTreatment,
  outlinesIn,
  parseRecipe,
  STARTING_PALETTE,
  treatmentKinds,
  writeRecipe,
  type Recipe,
  type Treatment,
  type TreatmentKindName,
} from '$core/index';
import { letteringInput } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { resolverOf } from '../../../support/resolver';

const { resolve } = resolverOf(await shelfOf('jost'));
const drawn = (text: string, treatments: readonly Treatment[]) =>
  resolve({
    recipe: { ...EMPTY_RECIPE, parts: [valueOf(createPart(letteringInput({ id: 'it', text, sizePx: 80, treatments: [...treatments] })))] },
    sources: new Map(),
    dress: dress(STARTING_PALETTE, 'full'),
  });
const KINDS = [
  'soft-shadow',
  'inner-shadow',
  'separation',
  'relief',
  'feather',
  'wear',
  'halftone',
  'fading-copies',
  'perspective',
] as const;
const numbersOf = (kind: TreatmentKindName) =>
  treatmentKinds[kind].controls.flatMap((control) => (control.type === 'number' ? [control.field] : []));
const accepts = (kind: TreatmentKindName, own: object): boolean => treatmentKinds[kind].schema.safeParse({ kind, id: 't', ...own }).success;

describe.each(KINDS)('%s at its limits', (kind) => {
  it('draws nothing, and says nothing wrong, on a part that draws nothing', () => {
    const mark = drawn(' ', [newTreatment(kind, 't')]);
    expect(mark.drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true))).toEqual([]);
  });
  it('holds at the least and the most of every number that it has', () => {
    for (const field of numbersOf(kind))
      for (const value of [0, 1, 40]) {
        if (!accepts(kind, { [field]: value })) continue;
        const mark = drawn('Ab', [newTreatment(kind, 't', { [field]: value })]);
        for (const { path } of mark.drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true)))
          expect(path.coords.every(Number.isFinite), `${field} ${value}`).toBe(true);
      }
  });
  it('is refused beyond its limits, and comes back from storage as it was', () => {
    for (const field of numbersOf(kind)) expect(accepts(kind, { [field]: 1e9 }), field).toBe(false);
    const recipe = { ...EMPTY_RECIPE, parts: [valueOf(createPart(letteringInput({ id: 'it', treatments: [newTreatment(kind, 't')] })))] };
    const again = valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe as Recipe)))));
    expect((again.parts[0] as { treatments?: unknown }).treatments).toEqual((recipe.parts[0] as { treatments?: unknown }).treatments);
  });
});

describe('many of them', () => {
  it('twenty on one word are drawn, in their order', () => {
    const mark = drawn(
      'l',
      Array.from({ length: 20 }, (_, n) => newTreatment(KINDS[n % KINDS.length] as TreatmentKindName, `t-${n}`)),
    );
    expect(mark.drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true)).length).toBeGreaterThan(20);
  });
  it('a grain of 8,000 px is refused, one of 2,000 px wears a whole word or nothing of it, and both are no error', () => {
    expect(accepts('wear', { grainPx: 8000 })).toBe(false);
    expect(() => drawn('Ab', [newTreatment('wear', 't', { grainPx: 2000, amountPercent: 50 })])).not.toThrow();
  });
});
