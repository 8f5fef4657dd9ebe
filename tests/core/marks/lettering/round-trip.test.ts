import { beforeAll, describe, expect, it } from 'vitest';
import {
  dress,
  parseRecipe,
  STARTING_PALETTE,
  toSvg,
  undoStacks,
  expect as valueOf,
  writeRecipe,
  type FontShelf,
  type Lettering,
  type Recipe,
  type Resolver,
  type RevisionLink,
  RECIPE_VERSION,
} from '$core/index';
import { casesOf } from '../../../support/deep';
import { letteringInput, partOf } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { edit } from '../../../support/random-edits';
import { resolverOf } from '../../../support/resolver';
import fc from '../../../support/properties';

let shelf: FontShelf;
let resolver: Resolver;
beforeAll(async () => {
  shelf = await shelfOf('jost', 'eb-garamond');
  resolver = resolverOf(shelf);
});

const FULL = dress(STARTING_PALETTE, 'full');
const picture = ({ resolve }: Resolver, recipe: Recipe): string => {
  const mark = resolve({ recipe, sources: new Map(), dress: FULL });
  return mark.ink ? toSvg(mark.drawing, { title: 'probe', box: mark.ink }) : '';
};

/** As the database gives it back: keys in another order, no fields that are undefined. */
function stored(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(stored);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, each]) => each !== undefined)
      .sort(([one], [other]) => one.length - other.length || (one < other ? -1 : 1))
      .map(([key, each]) => [key, stored(each)]),
  );
}
const reload = (recipe: Recipe): Recipe => valueOf(parseRecipe(JSON.parse(JSON.stringify(stored(writeRecipe(recipe))))));
/** Fields that are undefined are not stored, and mean the same as absent ones. */
const plain = (recipe: Recipe): unknown => JSON.parse(JSON.stringify(recipe));

describe('every letter operation', () => {
  it('comes back from storage, undo and redo as the identical recipe and picture (property)', () => {
    const start = partOf(letteringInput({ text: 'Windfi', sizePx: 80 })) as Lettering;
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 5 }), fc.nat(5), (edits, undone) => {
        const chain: RevisionLink[] = [{ number: 1, kind: 'edit' }];
        const rows = new Map<number, unknown>([[1, stored(writeRecipe({ version: RECIPE_VERSION, parts: [start] }))]]);
        const shown = [{ version: RECIPE_VERSION, parts: [start] } as Recipe];
        const save = (recipe: Recipe, kind: RevisionLink['kind']) => {
          const number = chain.length + 1;
          chain.push({ number, kind });
          rows.set(number, stored(writeRecipe(recipe)));
        };
        for (const { apply } of edits) {
          const next = { version: RECIPE_VERSION, parts: [apply(shown.at(-1)?.parts[0] as Lettering)] } as Recipe;
          save(next, 'edit');
          shown.push(next);
          expect(plain(reload(next))).toEqual(plain(next));
        }
        const last = shown.at(-1) as Recipe;
        // Drawn anew from storage by a resolver that remembers nothing, it is the same picture to the byte.
        expect(picture(resolverOf(shelf), reload(last))).toBe(picture(resolver, last));
        // Undo, then redo as often: each step shows what was shown before.
        const steps = Math.min(undone, edits.length);
        const read = (number: number | undefined): Recipe => valueOf(parseRecipe(rows.get(number ?? 0)));
        for (let step = 1; step <= steps; step++) {
          const before = read(undoStacks(chain).past.at(-1));
          expect(plain(before)).toEqual(plain(shown[shown.length - 1 - step] as Recipe));
          save(before, 'undo');
        }
        for (let step = steps; step >= 1; step--) {
          const again = read(undoStacks(chain).future.at(-1));
          expect(plain(again)).toEqual(plain(shown[shown.length - step] as Recipe));
          save(again, 'redo');
        }
        expect(picture(resolver, read(chain.at(-1)?.number))).toBe(picture(resolver, last));
      }),
      { numRuns: casesOf({ inFull: 1000, sample: 100 }) },
    );
  }, 300_000);
});
