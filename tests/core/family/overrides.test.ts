import { describe, expect, it } from 'vitest';
import {
  changePart,
  createPart,
  derive,
  EMPTY_RECIPE,
  expect as valueOf,
  newTreatment,
  type Linked,
  type PartChange,
  type Recipe,
} from '$core/index';
import { PRIMARY, primaryOf } from '../../support/family';

/** Every kind of change of a followed lettering. */
const CHANGES: Readonly<Record<string, PartChange>> = {
  text: { text: 'Another name' },
  font: { font: { family: 'cormorant', style: 'normal', axes: {} } },
  trackingPermille: { trackingPermille: 333 },
  case: { case: 'upper' },
  kerning: { kerning: 'optical' },
  paint: { paint: { role: 'accent' } },
  sizePx: { sizePx: 222 },
  align: { align: 'start' },
  line: { line: { shape: 'envelope', form: 'swell', amountPercent: 20, from: 'middle' } },
};
/** Every kind of override, under the property that it takes out of following. */
const OVERRIDES: Readonly<Record<string, Partial<Linked>>> = {
  nothing: {},
  font: { own: { font: { family: 'alfa-slab-one', style: 'normal', axes: {} } } },
  trackingPermille: { own: { trackingPermille: 77 } },
  case: { own: { case: 'typed' } },
  kerning: { own: { kerning: 'none' } },
  paint: { paint: { role: 'second' } },
  sizePx: { sizePx: 48 },
  align: { own: { align: 'end' } },
  line: { own: { line: { shape: 'straight' } } },
};
const linkWith = (override: Partial<Linked>): Recipe => {
  const link = valueOf(createPart({ kind: 'linked', id: 'name', from: { mark: PRIMARY, part: 'name' }, take: 'whole' }));
  return { ...EMPTY_RECIPE, parts: [{ ...link, ...override } as Linked] };
};
const derivedName = (link: Recipe, primary: Recipe) =>
  derive(link, new Map([[PRIMARY, primary]])).recipe.parts[0] as unknown as Readonly<Record<string, unknown>>;

describe('what a derived part follows (the table in docs/family.md)', () => {
  const cases = Object.keys(CHANGES).flatMap((change) => Object.keys(OVERRIDES).map((override) => [change, override] as const));
  it.each(cases)('the primary’s %s changes, while the part has its own: %s', (change, override) => {
    const before = primaryOf({ name: 'Harrow', second: 'Goods' });
    const after = changePart(before, 'name', CHANGES[change] as PartChange);
    const own = OVERRIDES[override] as Partial<Linked>;
    const shown = derivedName(linkWith(own), after);
    const followed = derivedName(linkWith({}), after);
    for (const [field, value] of Object.entries(followed)) {
      if (field === override) expect(shown[field]).toEqual(own.own?.[field] ?? own[field as keyof Linked]);
      else expect(shown[field], field).toEqual(value);
    }
    // Dropped again, it follows in everything.
    expect(derivedName(linkWith({ own: {}, paint: null, sizePx: null }), after)).toEqual(followed);
  });

  it('treatments and letters follow; the part’s own treatments take their place', () => {
    const treated = changePart(primaryOf({ name: 'Harrow' }), 'name', {
      treatments: [newTreatment('inset-line', 'line', { insetPx: 4, widthPx: 2 })],
    });
    const kinds = (recipe: Recipe) =>
      (derivedName(recipe, treated)['treatments'] as { kind: string }[] | undefined)?.map(({ kind }) => kind);
    expect(kinds(linkWith({}))).toEqual(['inset-line']);
    expect(kinds(linkWith({ treatments: [newTreatment('halo', 'halo', {})] }))).toEqual(['halo']);
  });

  it('an override of something that is gone is told and left out', () => {
    const star = linkWith({ own: { nothingSuch: 3 } });
    const derived = derive(star, new Map([[PRIMARY, primaryOf({ name: 'Harrow' })]]));
    expect(derived.notices.get('name')?.map(({ code }) => code)).toEqual(['link-own-odd']);
    expect((derived.recipe.parts[0] as { text?: string }).text).toBe('Harrow');
  });
});
