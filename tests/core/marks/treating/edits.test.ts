import { describe, expect, it } from 'vitest';
import {
  adding,
  changePart,
  changing,
  createPart,
  dress,
  duplicating,
  EMPTY_RECIPE,
  expect as valueOf,
  MOST_TREATMENTS,
  moving,
  newTreatment,
  parseRecipe,
  partLook,
  removing,
  STARTING_PALETTE,
  suitedTo,
  toSvg,
  TREATMENT_STACKS,
  OWN_TREATMENTS,
  withPartLook,
  writeRecipe,
  type Recipe,
  type Treatment,
  type TreatmentKindName,
  type Treatments,
} from '$core/index';
import { casesOf } from '../../../support/deep';
import { letteringInput } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { random } from '../../../support/random';
import { resolverOf } from '../../../support/resolver';

const shelf = await shelfOf('jost');
const KINDS = OWN_TREATMENTS;
const recipeOf = (...inputs: readonly object[]): Recipe => ({
  ...EMPTY_RECIPE,
  parts: inputs.map((input) => valueOf(createPart(input as Parameters<typeof createPart>[0]))),
});
const listOf = (recipe: Recipe, id: string): Treatments => {
  const part = recipe.parts.find((each) => each.id === id);
  return part && part.kind !== 'unknown' ? (part.treatments ?? []) : [];
};
const put = (recipe: Recipe, id: string, list: Treatments): Recipe =>
  changePart(recipe, id, { treatments: list.length === 0 ? undefined : [...list] });
const picture = (recipe: Recipe, resolver = resolverOf(shelf)): string =>
  toSvg(resolver.resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') }).drawing, {
    title: '',
    box: { left: -300, top: -300, right: 300, bottom: 300 },
  });

describe('edits of treatments', () => {
  it('in random sequences leave what a plain list leaves, and undone they leave the beginning', () => {
    for (let seed = 1; seed <= casesOf({ inFull: 500, sample: 60 }); seed++) {
      const next = random(seed);
      const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T;
      let recipe = recipeOf(letteringInput({ id: 'a', text: 'ab' }), { kind: 'shape', id: 'b', form: { form: 'disk' } });
      const begun = JSON.stringify(writeRecipe(recipe));
      /** The independent route: kinds, widths and whether each is hidden, kept by hand. */
      const model: Record<string, { kind: string; hidden: boolean }[]> = { a: [], b: [] };
      const undo: Recipe[] = [];
      for (let step = 0; step < 14; step++) {
        const id = pick(['a', 'b']);
        const list = listOf(recipe, id);
        const mine = model[id] as { kind: string; hidden: boolean }[];
        const at = Math.floor(next() * list.length);
        const chosen = list[at]?.id ?? '';
        const what = pick(['add', 'add', 'hide', 'move', 'remove', 'duplicate', 'carry']);
        undo.push(recipe);
        if (what === 'add' && list.length < MOST_TREATMENTS) {
          const kind = pick(KINDS);
          recipe = put(recipe, id, adding([[kind]], 90)(list));
          mine.push({ kind, hidden: false });
        } else if (what === 'carry') {
          const to = id === 'a' ? 'b' : 'a';
          const look = partLook(recipe, id);
          if (look) recipe = withPartLook(recipe, to, look);
          model[to] = mine.map((each) => ({ ...each }));
        } else if (list.length > 0) {
          const own = mine[at] as { kind: string; hidden: boolean };
          if (what === 'hide') {
            recipe = put(recipe, id, changing(list, chosen, { hidden: !own.hidden })(list));
            own.hidden = !own.hidden;
          } else if (what === 'move') {
            const to = Math.floor(next() * list.length);
            recipe = put(recipe, id, moving(list, chosen, to)(list));
            mine.splice(to, 0, mine.splice(at, 1)[0] as { kind: string; hidden: boolean });
          } else if (what === 'remove') {
            recipe = put(recipe, id, removing(list, chosen)(list));
            mine.splice(at, 1);
          } else if (what === 'duplicate' && list.length < MOST_TREATMENTS) {
            recipe = put(recipe, id, duplicating(list, chosen)(list));
            mine.splice(at, 0, { ...own });
          }
        }
        for (const part of ['a', 'b']) {
          const left = listOf(recipe, part);
          expect(left.map(({ kind, hidden }) => ({ kind, hidden }))).toEqual(model[part]);
          expect(new Set(left.map((each) => each.id)).size).toBe(left.length);
        }
      }
      const read = valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe)))));
      expect(JSON.parse(JSON.stringify(writeRecipe(read)))).toEqual(JSON.parse(JSON.stringify(writeRecipe(recipe))));
      while (undo.length > 0) recipe = undo.pop() as Recipe;
      expect(JSON.stringify(writeRecipe(recipe))).toBe(begun);
    }
  });

  it('draw what a resolver draws that has never seen the mark before', () => {
    const kept = resolverOf(shelf);
    const next = random(8);
    let recipe = recipeOf(letteringInput({ id: 'a', text: 'ab' }), {
      kind: 'shape',
      id: 'b',
      form: { form: 'disk' },
      place: { x: 60, y: 0, turnDeg: 0 },
    });
    const cheap = KINDS.filter((kind) => kind !== 'etched' && kind !== 'stepping-outlines');
    for (let step = 0; step < casesOf({ inFull: 24, sample: 4 }); step++) {
      const id = next() < 0.5 ? 'a' : 'b';
      const list = listOf(recipe, id);
      const kind = cheap[Math.floor(next() * cheap.length)] as TreatmentKindName;
      const edit =
        list.length < 3 ? adding([[kind]], 90) : next() < 0.5 ? removing(list, list[1]?.id ?? '') : moving(list, list[0]?.id ?? '', 2);
      recipe = put(recipe, id, edit(list));
      expect(picture(recipe, kept)).toBe(picture(recipe));
    }
  });

  it('find the same one in every list that has one of its kind there, and leave the others alone', () => {
    const from: Treatments = [newTreatment('halo', 'x'), newTreatment('outline-band', 'y'), newTreatment('outline-band', 'z')];
    const other: Treatments = [newTreatment('outline-band', 'q'), newTreatment('slices', 'r'), newTreatment('outline-band', 's')];
    const changed = changing(from, 'z', { widthPx: 33 })(other) as readonly (Treatment & { readonly widthPx?: number })[];
    expect(changed.map(({ widthPx }) => widthPx)).toEqual([10, undefined, 33]);
    expect(removing(from, 'x')(other)).toBe(other);
  });

  it('begin in lengths that suit the part, within their limits', () => {
    const [small, large] = [suitedTo(newTreatment('block-shadow', 't'), 9), suitedTo(newTreatment('block-shadow', 't'), 900)];
    expect(small).toMatchObject({ depthPx: 2, pitchPx: 0.5, angleDeg: 45 });
    expect(large).toMatchObject({ depthPx: 200, angleDeg: 45 });
    expect(suitedTo(newTreatment('halo', 't'), 100)).toMatchObject({ widthPx: 10 });
  });
});

describe('looks to start from', () => {
  it('are twelve or more, each of its own name, and each changes what is seen', () => {
    expect(TREATMENT_STACKS.length).toBeGreaterThanOrEqual(12);
    expect(new Set(TREATMENT_STACKS.map(({ label }) => label)).size).toBe(TREATMENT_STACKS.length);
    const plain = recipeOf(
      { kind: 'shape', id: 'back', form: { form: 'panel', widthPx: 400, heightPx: 20 } },
      letteringInput({ id: 'a', text: 'Rob' }),
    );
    const pictures = TREATMENT_STACKS.map(({ treatments }) => picture(put(plain, 'a', adding(treatments, 90)([]))));
    expect(new Set([...pictures, picture(plain)]).size).toBe(TREATMENT_STACKS.length + 1);
  });
});

describe('a carried look', () => {
  it('brings the treatments along, and takes those away that the other part had', () => {
    const recipe = recipeOf(
      letteringInput({
        id: 'a',
        text: 'ab',
        paint: { role: 'lead' },
        treatments: [newTreatment('halo', 'h'), newTreatment('outline-band', 'b', { paint: { role: 'accent' } })],
      }),
      letteringInput({ id: 'b', text: 'cd', treatments: [newTreatment('slices', 's')] }),
    );
    const look = partLook(recipe, 'a');
    expect(look?.paints).toEqual([{ role: 'lead' }]);
    const carried = look && withPartLook(recipe, 'b', look);
    expect(carried && listOf(carried, 'b').map(({ kind }) => kind)).toEqual(['halo', 'outline-band']);
    const bare = carried && withPartLook(carried, 'a', { paints: [{ role: 'ink' }], opacity: 1, blend: 'normal' });
    expect(bare && listOf(bare, 'a')).toEqual([]);
  });
});
