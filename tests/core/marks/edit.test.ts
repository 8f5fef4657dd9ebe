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
  shareChange,
  expect as valueOf,
  type Recipe,
  RECIPE_VERSION,
} from '$core/index';

const shape = (id: string) => valueOf(createPart({ kind: 'shape', id, form: { form: 'disk', widthPx: 10, heightPx: 10 } }));
const recipe: Recipe = { version: RECIPE_VERSION, parts: [shape('a'), shape('b'), shape('c')] };
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

  it('reaches all chosen parts with what means the same there: looks everywhere, sizes in one kind, turns but not places', () => {
    const name = (id: string) => valueOf(createPart({ kind: 'lettering', id, text: id, font: { family: 'jost' } }));
    const mixed: Recipe = { version: RECIPE_VERSION, parts: [shape('a'), name('n'), name('m'), shape('z')] };
    const chosen = ['a', 'n', 'm'];
    const opacities = (next: Recipe) => next.parts.map((part) => ('opacity' in part ? part.opacity : undefined));
    expect(opacities(shareChange(mixed, 'a', chosen, { opacity: 0.4 }))).toEqual([0.4, 0.4, 0.4, 1]);
    expect(opacities(shareChange(mixed, 'z', chosen, { opacity: 0.4 }))).toEqual([1, 1, 1, 0.4]);
    const sized = shareChange(mixed, 'n', chosen, { sizePx: 77, text: 'new' } as never);
    expect(sized.parts.map((part) => ('sizePx' in part ? part.sizePx : undefined))).toEqual([undefined, 77, 77, undefined]);
    expect(sized.parts.map((part) => ('text' in part ? part.text : undefined))).toEqual([undefined, 'new', 'm', undefined]);
    const turned = shareChange(mixed, 'n', chosen, { place: { x: 50, y: 60, turnDeg: 30 } });
    expect(turned.parts.map((part) => ('place' in part ? [part.place.x, part.place.turnDeg] : undefined))).toEqual([
      [0, 30],
      [50, 30],
      [0, 30],
      [0, 0],
    ]);
    const cinzel = valueOf(
      createPart({ kind: 'lettering', id: 'm', text: 'm', font: { family: 'cinzel', style: 'italic', axes: { wght: 700, wdth: 90 } } }),
    );
    const fonts = shareChange({ ...mixed, parts: [name('n'), cinzel] }, 'n', ['n', 'm'], {
      font: { family: 'jost', style: 'normal', axes: { wght: 300 } },
    } as never);
    // A heavier weight makes no other face of the others.
    expect(fonts.parts[1]).toMatchObject({ font: { family: 'cinzel', style: 'italic', axes: { wght: 300, wdth: 90 } } });
  });

  it('leaves parts that are not understood alone', () => {
    const odd = valueOf(parseRecipe({ version: RECIPE_VERSION, parts: [{ kind: 'hologram', id: 'h' }] }));
    expect(changePart(odd, 'h', { opacity: 0 })).toEqual(odd);
    expect(duplicatePart(odd, 'h')).toBeUndefined();
  });

  it('names copies freely and puts them in front of their original', () => {
    const copied = duplicatePart(recipe, 'a');
    expect(copied && ids(copied.recipe)).toBe('ashape-1bc');
    expect(freePartId(copied?.recipe ?? recipe, 'shape')).toBe('shape-2');
  });

  it('does not grow beyond 500 parts', () => {
    const full: Recipe = { version: RECIPE_VERSION, parts: Array.from({ length: 500 }, (_, n) => shape(`s${n}`)) };
    expect(addPart(full, shape('more')).parts).toHaveLength(500);
  });
});
