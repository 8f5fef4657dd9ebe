import { describe, expect, it } from 'vitest';
import {
  addPart,
  changePart,
  createPart,
  duplicatePart,
  freePartId,
  parseRecipe,
  removePart,
  restack,
  expect as valueOf,
  type Recipe,
} from '$core/index';

const shape = (id: string) => valueOf(createPart({ kind: 'shape', id, form: { form: 'disk', widthPx: 10, heightPx: 10 } }));
const recipe: Recipe = { version: 1, parts: [shape('a'), shape('b'), shape('c')] };
const ids = ({ parts }: Recipe) => parts.map(({ id }) => id).join('');

describe('editing a recipe', () => {
  it.each([
    ['a', 2, 'bca'],
    ['c', 0, 'cab'],
    ['b', 99, 'acb'],
    ['b', -5, 'bac'],
    ['x', 1, 'abc'],
  ])('puts %s at %i: %s', (id, position, order) => expect(ids(restack(recipe, id, position))).toBe(order));

  it('never touches what it was given', () => {
    const before = JSON.stringify(recipe);
    changePart(recipe, 'a', { opacity: 0.5 });
    removePart(recipe, 'b');
    addPart(recipe, shape('d'));
    duplicatePart(recipe, 'c');
    expect(JSON.stringify(recipe)).toBe(before);
  });

  it('leaves parts that are not understood alone', () => {
    const odd = valueOf(parseRecipe({ version: 1, parts: [{ kind: 'hologram', id: 'h' }] }));
    expect(changePart(odd, 'h', { opacity: 0 })).toEqual(odd);
    expect(duplicatePart(odd, 'h')).toBeUndefined();
  });

  it('names copies freely and puts them in front of their original', () => {
    const copied = duplicatePart(recipe, 'a');
    expect(copied && ids(copied.recipe)).toBe('ashape-1bc');
    expect(freePartId(copied?.recipe ?? recipe, 'shape')).toBe('shape-2');
  });

  it('does not grow beyond 500 parts', () => {
    const full: Recipe = { version: 1, parts: Array.from({ length: 500 }, (_, n) => shape(`s${n}`)) };
    expect(addPart(full, shape('more')).parts).toHaveLength(500);
  });
});
