import type { PageOf } from '../marks/recipe/piece-canvas';
import type { Recipe } from '../marks/recipe/recipe';

interface Paged {
  readonly recipe: Recipe;
}
const pageOf = ({ recipe }: Paged): PageOf | undefined => recipe.whole?.canvas?.booklet;

/** The pages of every booklet in their order, by its id. @param pieces the older ones first */
export function bookletsOf<P extends Paged>(pieces: readonly P[]): ReadonlyMap<string, readonly P[]> {
  const found = new Map<string, P[]>();
  for (const piece of pieces) {
    const booklet = pageOf(piece);
    if (booklet) found.set(booklet.id, [...(found.get(booklet.id) ?? []), piece]);
  }
  for (const pages of found.values()) pages.sort((one, other) => (pageOf(one)?.page ?? 0) - (pageOf(other)?.page ?? 0));
  return found;
}

/** Pieces as they are shown: pages stand together, where the oldest of them stands. */
export function pagesTogether<P extends Paged>(pieces: readonly P[]): readonly P[] {
  const booklets = bookletsOf(pieces);
  const shown = new Set<string>();
  return pieces.flatMap((piece) => {
    const booklet = pageOf(piece);
    if (!booklet) return [piece];
    if (shown.has(booklet.id)) return [];
    shown.add(booklet.id);
    return booklets.get(booklet.id) ?? [];
  });
}

/** A piece as a page of a booklet, or as none of any. */
export function asPage(recipe: Recipe, booklet: PageOf | undefined): Recipe {
  const { canvas } = recipe.whole ?? {};
  if (!recipe.whole || !canvas) return recipe;
  const { booklet: _before, ...plain } = canvas;
  return { ...recipe, whole: { ...recipe.whole, canvas: booklet ? { ...plain, booklet } : plain } };
}

/**
 * The pages of a booklet with one of them moved by one place, counted anew from 1.
 * @returns those whose number has become another, with it
 */
export function pagesMoved<P extends Paged>(
  pages: readonly P[],
  piece: P,
  by: -1 | 1,
): readonly { readonly piece: P; readonly page: number }[] {
  const at = pages.indexOf(piece);
  const to = at + by;
  if (at < 0 || to < 0 || to >= pages.length) return [];
  const order = pages.filter((each) => each !== piece);
  order.splice(to, 0, piece);
  return order.flatMap((each, index) => (pageOf(each)?.page === index + 1 ? [] : [{ piece: each, page: index + 1 }]));
}
