import { describe, expect, it } from 'vitest';
import {
  asPage,
  bookletsOf,
  EMPTY_RECIPE,
  expect as must,
  pagesMoved,
  pagesTogether,
  parseRecipe,
  pieceCanvasSchema,
  writeRecipe,
  type Recipe,
} from '$core/index';
import { random } from '../../support/random';

const piece = (name: string, booklet?: string, page = 1): { readonly name: string; readonly recipe: Recipe } => ({
  name,
  recipe: asPage(
    { ...EMPTY_RECIPE, whole: { treatments: [], canvas: pieceCanvasSchema.parse({ width: 100, height: 100 }) } },
    booklet === undefined ? undefined : { id: booklet, page },
  ),
});
const names = (pieces: readonly { readonly name: string }[]) => pieces.map(({ name }) => name).join('');

describe('pages of a booklet', () => {
  it('stand together in their order, where the oldest of them stands; all else stays', () => {
    const all = [piece('a'), piece('c', 'x', 2), piece('b'), piece('d', 'y', 1), piece('e', 'x', 1), piece('f', 'x', 2)];
    expect(names(pagesTogether(all))).toBe('aecfbd');
    expect([...bookletsOf(all)].map(([id, pages]) => `${id}:${names(pages)}`)).toEqual(['x:ecf', 'y:d']);
    expect(pagesTogether([])).toEqual([]);
  });
  it('are moved as in a plain list, and counted anew from 1, for 300 random moves', () => {
    const next = random(12);
    let all = [...'abcdefg'].map((name, at) => piece(name, 'x', at * 3 + 1));
    let model = 'abcdefg';
    for (let n = 0; n < 300; n++) {
      const pages = bookletsOf(all).get('x') ?? [];
      const at = Math.floor(next() * pages.length);
      const by = next() < 0.5 ? -1 : 1;
      const letter = model.charAt(at);
      if (at + by >= 0 && at + by < model.length) {
        const rest = model.replace(letter, '');
        model = rest.slice(0, at + by) + letter + rest.slice(at + by);
      }
      const moved = pagesMoved(pages, pages[at] as (typeof pages)[number], by);
      all = all.map((each) => {
        const found = moved.find(({ piece: one }) => one === each);
        return found ? { ...each, recipe: asPage(each.recipe, { id: 'x', page: found.page }) } : each;
      });
      expect(names(bookletsOf(all).get('x') ?? [])).toBe(model);
    }
    expect(pagesMoved(all, piece('z', 'x'), 1)).toEqual([]);
  });
  it('keep their place in storage, take no impossible one, and come out as if they had never been one', () => {
    const page = piece('a', 'x', 7).recipe;
    expect(must(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(page)))))).toEqual(page);
    expect(asPage(page, undefined)).toEqual(piece('a').recipe);
    expect(asPage(EMPTY_RECIPE, { id: 'x', page: 1 })).toBe(EMPTY_RECIPE);
    for (const booklet of [{ id: 'x', page: 0 }, { id: 'x', page: 1.5 }, { id: '../x', page: 1 }, { id: '', page: 1 }, { page: 1 }, 'x'])
      expect(pieceCanvasSchema.safeParse({ width: 100, height: 100, booklet }).success).toBe(false);
  });
});
