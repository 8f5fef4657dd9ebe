import type { EntityManager } from '@mikro-orm/postgresql';
import { bookletsOf, fileCanvas, keptPictures, MOST_PAGES, pieceSizeText } from '$core/index';
import { heavy } from './heavy/pool';
import { notFound, refuse } from './http/problem-error';
import { ownPictures } from './stores/brand-pictures';
import type { BrandView } from './stores/brands';
import { listMarks } from './stores/marks';
import { ownFonts } from './stores/own-fonts';

/**
 * All pages of a booklet as one PDF, each with its bleed, in their order.
 * @throws a refusal where there are none, more than one file holds, or pages of several sizes
 */
export async function bookletPdf(
  em: EntityManager,
  brand: BrandView,
  id: string,
): Promise<{ readonly file: Uint8Array; readonly name: string }> {
  const marks = await listMarks(em.fork(), brand.id);
  const pages = bookletsOf(marks.filter(({ role, shelf }) => role === 'piece' && shelf === 'kept')).get(id) ?? [];
  const [first] = pages;
  const canvas = first?.recipe.whole?.canvas;
  if (!first || !canvas) throw notFound('booklet of this brand');
  if (pages.length > MOST_PAGES)
    throw refuse(422, 'too-many-pages', `This booklet has ${pages.length} pages; a file holds ${MOST_PAGES}.`, 'Take some out of it.');
  const other = pages.find(({ recipe }) => {
    const own = recipe.whole?.canvas;
    return !own || pieceSizeText(own) !== pieceSizeText(canvas) || own.bleed !== canvas.bleed;
  });
  if (other)
    throw refuse(
      422,
      'pages-differ',
      `“${other.name}” is not ${pieceSizeText(canvas)}, as “${first.name}” is: pages of one file are of one size and bleed.`,
      'Give it the same canvas, or take it out of the booklet.',
    );
  const { families: ownFamilies } = await ownFonts(em.fork(), brand);
  const sources = new Map(marks.map(({ id: mark, recipe }) => [mark, recipe]));
  const own = await ownPictures(
    em.fork(),
    brand.id,
    [...sources.values()].flatMap(({ parts }) => parts.flatMap(keptPictures)),
  );
  const [opening, ...rest] = pages.map(({ name, recipe }) => ({
    ...{ title: `${brand.name}, ${name}`, recipe, sources, palette: brand.palette },
    ...{ dressing: 'full' as const, ownFamilies, ownPictures: own },
  }));
  if (!opening) throw notFound('booklet of this brand');
  const file = await heavy('file', { format: 'pdf', subject: opening, order: { canvas: fileCanvas(canvas, true), pages: rest } });
  return { file, name: first.name };
}
