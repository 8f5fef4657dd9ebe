import type { RequestEvent } from '@sveltejs/kit';
import type { EntityManager } from '@mikro-orm/postgresql';
import pLimit from 'p-limit';
import { hasDressing, type Dressing, type Recipe } from '$core/index';
import { refuse } from './problem-error';
import type { PictureSubject } from '../formats';
import { ownPictures } from '../stores/brand-pictures';
import { findBrand } from '../stores/brands';
import { findMark, sourcesOf } from '../stores/marks';
import { ownFonts } from '../stores/own-fonts';
import { slugOf } from '../stores/slug';

interface PictureRequest {
  readonly subject: PictureSubject;
  readonly fileName: string;
}

/** Digests of the pictures that recipes may show. */
const picturesShown = (recipes: readonly Recipe[]): readonly string[] =>
  recipes.flatMap(({ parts }) => parts.flatMap((part) => (part.kind === 'picture' ? [part.sha256] : [])));

interface PictureQuery {
  readonly dressing: Dressing;
  readonly padding: number;
  readonly room: number;
  readonly crop: 'box' | 'round';
}

/** Marks are read by the thread that answers everybody: a few at a time, however many are asked for, so that other answers come between. */
const turn = pLimit(4);

/** The mark a picture route is asked for, with all it needs to be drawn. */
export const pictureRequest = (em: EntityManager, event: RequestEvent, query: PictureQuery): Promise<PictureRequest> =>
  turn(() => readRequest(em, event, query));

async function readRequest(em: EntityManager, { params }: RequestEvent, query: PictureQuery): Promise<PictureRequest> {
  const brand = await findBrand(em, params['brand'] ?? '');
  if (!hasDressing(brand.palette, query.dressing))
    throw refuse(422, 'no-such-color', `The palette has no color for the dressing ${query.dressing}.`, 'Choose another colorway.');
  const mark = await findMark(em, brand.id, params['mark'] ?? '');
  const { families } = await ownFonts(em.fork(), brand);
  const sources = await sourcesOf(em, brand.id, mark.recipe);
  const subject = {
    title: `${brand.name}, ${mark.name.toLowerCase()}`,
    recipe: mark.recipe,
    sources,
    ownFamilies: families,
    palette: brand.palette,
    dressing: query.dressing,
    ownPictures: await ownPictures(em.fork(), brand.id, picturesShown([mark.recipe, ...sources.values()])),
    paddingPx: query.padding,
    roomPercent: query.room,
    crop: query.crop,
  };
  return {
    subject,
    fileName: [
      slugOf(brand.name) || brand.slug,
      slugOf(mark.name) || mark.slug,
      ...(query.dressing === 'full' ? [] : [query.dressing]),
      ...(query.crop === 'round' ? ['round'] : []),
    ].join('_'),
  };
}

/** Headers of a picture answer: never cached past a change, and saved under a telling name when asked for. */
export function pictureHeaders(contentType: string, fileName: string, download: boolean): HeadersInit {
  const ascii = fileName.replace(/[^\w.-]/g, '-');
  return {
    'content-type': contentType,
    'cache-control': 'no-cache',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; img-src data:",
    ...(download ? { 'content-disposition': `attachment; filename="${ascii}"; filename*=UTF-8''${encodeURIComponent(fileName)}` } : {}),
  };
}
