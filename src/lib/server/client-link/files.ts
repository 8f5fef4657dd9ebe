import type { EntityManager } from '@mikro-orm/postgresql';
import LRUCache from 'lru-cache';
import { version } from '$app/environment';
import {
  canvasSchema,
  dressingsOf,
  fileCanvas,
  formatOf,
  hasDressing,
  keptPictures,
  type Dressing,
  type FormatName,
  type Recipe,
  type ShippedFamily,
} from '$core/index';
import type { PictureSubject } from '../formats';
import { digestOf } from '../files';
import { heavy } from '../heavy/pool';
import { groundColor } from '../http/file-answer';
import { pictureHeaders } from '../http/picture-request';
import { notFound, refuse } from '../http/problem-error';
import { ownPictures } from '../stores/brand-pictures';
import { ownFonts } from '../stores/own-fonts';
import { slugOf } from '../stores/slug';
import type { Visit } from './visit';

/** Formats that a client fetches by themselves. */
export const CLIENT_FORMATS: readonly FormatName[] = ['png', 'svg', 'pdf', 'jpg', 'webp'];
const WIDTH_PX = 2000;

/** What is drawn under a client's address: a mark, or a try of one. */
export async function clientSubject(
  em: EntityManager,
  { brand, all }: Visit,
  { name, recipe }: { readonly name: string; readonly recipe: Recipe },
  dressing: Dressing,
): Promise<PictureSubject> {
  const sources = new Map(all.map((mark) => [mark.id, mark.recipe]));
  const shown = [recipe, ...sources.values()].flatMap(({ parts }) => parts.flatMap(keptPictures));
  return {
    ...{ title: `${brand.name}, ${name.toLowerCase()}`, recipe, sources, palette: brand.palette, dressing },
    ...{ ownFamilies: (await ownFonts(em.fork(), brand)).families, ownPictures: await ownPictures(em.fork(), brand.id, shown) },
  };
}

/**
 * What the pictures of a page are drawn from, in a few letters: an address that carries it shows the same for good, and whoever opens the
 * page again has its pictures already.
 */
export function drawnFrom({ brand, all, tries }: Visit, ownFamilies: readonly ShippedFamily[]): string {
  const marks = all.map(({ id, name, revision }) => [id, name, revision]);
  const others = tries.map(({ id, name }) => [id, name]);
  const facts = [version, brand.name, brand.palette, marks, others, ownFamilies.map(({ id }) => id)];
  return digestOf(new TextEncoder().encode(JSON.stringify(facts))).slice(0, 16);
}

/** The colorways in which a page shows a mark beside its full color; a piece is as it is. */
export const dressingsShown = ({ palette }: Pick<Visit['brand'], 'palette'>, { whole }: Recipe): readonly Dressing[] =>
  whole?.canvas ? [] : dressingsOf(palette);

/** Pictures of pages, made once for all who look: those not looked at for longest are made again. */
const pagePictures = new LRUCache<string, Uint8Array>({
  maxSize: 24 * 1024 * 1024,
  sizeCalculation: ({ length }) => length,
  fetchMethod: (_key, _old, { context }) => (context as () => Promise<Uint8Array>)(),
});

/** One file of a mark under a client's address, made on the spot. @throws 404 for what the link does not show */
export async function clientFile(
  em: EntityManager,
  seen: Visit,
  slug: string,
  name: FormatName,
  {
    dressing,
    width,
    download,
    from,
  }: {
    readonly dressing: Dressing;
    readonly width?: number | undefined;
    readonly download: boolean;
    /** What the page that asks was drawn from. */
    readonly from?: string | undefined;
  },
): Promise<Response> {
  const { brand, marks, tries } = seen;
  // A try has no address of its own: its id stands for it.
  const mark =
    marks.find((each) => each.slug === slug) ?? tries.filter(({ id }) => id === slug).map((each) => ({ ...each, slug: each.id }))[0];
  if (!mark || !CLIENT_FORMATS.includes(name)) throw notFound('file');
  if (!hasDressing(brand.palette, dressing)) throw refuse(422, 'no-such-color', 'There is no such colorway.', 'Choose another one.');
  const piece = mark.recipe.whole?.canvas;
  const format = formatOf(name);
  const canvas = canvasSchema.parse(
    piece && width === undefined ? fileCanvas(piece, name === 'pdf') : format.pixels ? { width: width ?? WIDTH_PX } : {},
  );
  const made = async (): Promise<Uint8Array> =>
    heavy('file', {
      format: name,
      subject: await clientSubject(em, seen, mark, dressing),
      order: { canvas, ground: format.clear ? undefined : groundColor(brand.palette, 'paper') },
    });
  // A page that is older than the marks gets what they are now, and does not keep it.
  const lasts = from !== undefined && from === drawnFrom(seen, (await ownFonts(em.fork(), brand)).families);
  const ofPage = lasts && name === 'svg' && width === undefined;
  const key = `${brand.id} ${from} ${slug} ${dressing}`;
  const file = (ofPage ? await pagePictures.fetch(key, { fetchContext: made }) : undefined) ?? (await made());
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
      'cache-control': lasts ? 'private, max-age=31536000, immutable' : 'private, no-store',
    },
  });
}

/**
 * Makes the pictures of a page before somebody opens it, one after the other: what is seen first is made first. What cannot be made is said
 * where it is looked at.
 */
export async function makeAhead(em: EntityManager, seen: Visit): Promise<void> {
  const from = drawnFrom(seen, (await ownFonts(em.fork(), seen.brand)).families);
  const grounds = seen.marks.flatMap(({ slug, recipe }) => dressingsShown(seen.brand, recipe).map((dressing) => ({ slug, dressing })));
  const whole = [...seen.marks.map(({ slug }) => slug), ...seen.tries.map(({ id }) => id)].map((slug) => ({
    slug,
    dressing: 'full' as const,
  }));
  for (const { slug, dressing } of [...whole, ...grounds]) await clientFile(em, seen, slug, 'svg', { dressing, download: false, from });
}
