import type { EntityManager } from '@mikro-orm/postgresql';
import { canvasSchema, formatOf, hasDressing, keptPictures, type Dressing, type FormatName } from '$core/index';
import type { PictureSubject } from '../formats';
import { heavy } from '../heavy/pool';
import { groundColor, ownCanvas } from '../http/file-answer';
import { pictureHeaders } from '../http/picture-request';
import { notFound, refuse } from '../http/problem-error';
import { ownPictures } from '../stores/brand-pictures';
import { ownFonts } from '../stores/own-fonts';
import { slugOf } from '../stores/slug';
import type { Visit } from './visit';

/** Formats that a client fetches by themselves. */
export const CLIENT_FORMATS: readonly FormatName[] = ['png', 'svg', 'pdf', 'jpg', 'webp'];
const WIDTH_PX = 2000;

/** One file of a mark under a client's address, made on the spot. @throws 404 for what the link does not show */
export async function clientFile(
  em: EntityManager,
  { brand, marks, all }: Visit,
  slug: string,
  name: FormatName,
  { dressing, width, download }: { readonly dressing: Dressing; readonly width?: number | undefined; readonly download: boolean },
): Promise<Response> {
  const mark = marks.find((each) => each.slug === slug);
  if (!mark || !CLIENT_FORMATS.includes(name)) throw notFound('file');
  if (!hasDressing(brand.palette, dressing)) throw refuse(422, 'no-such-color', 'There is no such colorway.', 'Choose another one.');
  const sources = new Map(all.map(({ id, recipe }) => [id, recipe]));
  const shown = [...sources.values()].flatMap(({ parts }) => parts.flatMap(keptPictures));
  const subject: PictureSubject = {
    ...{ title: `${brand.name}, ${mark.name.toLowerCase()}`, recipe: mark.recipe, sources, palette: brand.palette, dressing },
    ...{ ownFamilies: (await ownFonts(em.fork(), brand)).families, ownPictures: await ownPictures(em.fork(), brand.id, shown) },
  };
  const piece = mark.recipe.whole?.canvas;
  const format = formatOf(name);
  const canvas = canvasSchema.parse(
    piece && width === undefined ? ownCanvas(piece, name === 'pdf') : format.pixels ? { width: width ?? WIDTH_PX } : {},
  );
  const file = await heavy('file', {
    format: name,
    subject,
    order: { canvas, ground: format.clear ? undefined : groundColor(brand.palette, 'paper') },
  });
  const fileName = [
    slugOf(brand.name) || brand.slug,
    slugOf(mark.name) || mark.slug,
    ...(dressing === 'full' ? [] : [dressing]),
    ...(width ? [`${width}px`] : []),
  ].join('_');
  return new Response(new Uint8Array(file), {
    headers: {
      ...pictureHeaders(format.mime, `${fileName}.${name}`, download),
      'x-robots-tag': 'noindex, nofollow',
      'cache-control': 'private, no-store',
    },
  });
}
