import type { RequestEvent } from '@sveltejs/kit';
import type { InferEntity } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { Recipe } from '$core/index';
import { Handover, HandoverFile, Try, type ClientLink } from '../database/entities';
import { notFound, refuse } from '../http/problem-error';
import { brandOfId, type BrandView } from '../stores/brands';
import { listMarks, type MarkView } from '../stores/marks';
import { count } from '../guard/limits';
import { linkBehind, stateOf } from './links';
import { isPass, passOf, TOKEN } from './token';
import { storedRecipe } from '../stores/stored-recipe';

export type Link = InferEntity<typeof ClientLink>;
/** What a visitor with an open link may see: this, and nothing else of the studio. */
export interface Visit {
  readonly link: Link;
  readonly token: string;
  readonly brand: BrandView;
  readonly marks: readonly MarkView[];
  /** Tries that are compared with their marks. */
  readonly tries: readonly { readonly id: string; readonly mark: string; readonly name: string; readonly recipe: Recipe }[];
  /** Packs that are fetched whole, once all of their files are there. */
  readonly packs: readonly { readonly id: string; readonly name: string; readonly files: number; readonly at: string }[];
  /** All marks of the brand: those that are shown may follow others. */
  readonly all: readonly MarkView[];
}

const COOKIE = 'lucky-client';
const GONE = () => notFound('page');
const whoAsks = (event: Pick<RequestEvent, 'getClientAddress'>): string => {
  try {
    return event.getClientAddress();
  } catch {
    return 'unknown';
  }
};

/** The open link under an address. An unknown, ended or old one looks the same: there is nothing. @throws 404, 429 */
export async function openLink(em: EntityManager, event: Pick<RequestEvent, 'getClientAddress' | 'params'>): Promise<Link> {
  const token = event.params['token'] ?? '';
  const asks = whoAsks(event);
  const link = TOKEN.test(token) ? await linkBehind(em, token) : null;
  if (!link || stateOf(link) !== 'open') {
    await count('guess', asks);
    throw GONE();
  }
  await count('page', `${link.id} ${asks}`);
  return link;
}

/** Whether the word of a link was said in this browser. */
export const isUnlocked = ({ wordHash }: Link, event: Pick<RequestEvent, 'cookies' | 'params'>): boolean =>
  !wordHash || isPass(event.cookies.get(COOKIE), event.params['token'] ?? '', wordHash);

/** Keeps in this browser that the word was right; only under this very address, and out of reach of scripts. */
export function unlock({ wordHash }: Link, event: Pick<RequestEvent, 'cookies' | 'params' | 'url'>): void {
  const token = event.params['token'] ?? '';
  event.cookies.set(COOKIE, passOf(token, wordHash ?? ''), {
    path: `/c/${token}`,
    httpOnly: true,
    sameSite: 'strict',
    secure: event.url.protocol === 'https:',
    maxAge: 7 * 24 * 3600,
  });
}

/** What stands under an address for whoever may see it. @throws 404, 429, and 401 while the word was not said */
export async function visit(em: EntityManager, event: Pick<RequestEvent, 'getClientAddress' | 'params' | 'cookies'>): Promise<Visit> {
  const link = await openLink(em, event);
  if (!isUnlocked(link, event)) throw refuse(401, 'word-wanted', 'This page wants a word first.', 'Open its address and enter the word.');
  const seen = await seenUnder(em, link, event.params['token'] ?? '');
  if (seen.brand.shelf === 'removed') throw GONE();
  return seen;
}

/** What stands under the address of a link. */
export async function seenUnder(em: EntityManager, link: Link, token: string): Promise<Visit> {
  const brand = await brandOfId(em.fork(), link.brand.id);
  const all = await listMarks(em.fork(), link.brand.id);
  const marks = all.filter(({ id, shelf }) => shelf === 'kept' && link.marks.includes(id));
  return { tries: await triesOf(em, link, marks), packs: await packsOf(em, link), link, token, brand, all, marks };
}

async function triesOf(em: EntityManager, { tries }: Link, marks: readonly MarkView[]): Promise<Visit['tries']> {
  if (tries.length === 0) return [];
  const rows = await em.fork().find(Try, { id: { $in: [...tries] }, removedAt: null, mark: { $in: marks.map(({ id }) => id) } });
  return rows
    .map(({ id, mark, name, recipe }) => ({ id, mark: mark.id, name, recipe: storedRecipe(recipe) }))
    .sort((a, b) => tries.indexOf(a.id) - tries.indexOf(b.id));
}

async function packsOf(em: EntityManager, { packs, brand }: Link): Promise<Visit['packs']> {
  if (packs.length === 0) return [];
  const rows = await em
    .fork()
    .find(Handover, { id: { $in: [...packs] }, brand: brand.id, removedAt: null }, { orderBy: { number: 'desc' } });
  const found = [];
  for (const { id, name, createdAt } of rows) {
    const files = await em.fork().find(HandoverFile, { handover: id }, { fields: ['state'] });
    if (files.length > 0 && files.every(({ state }) => state === 'done'))
      found.push({ id, name, files: files.length, at: createdAt.toISOString() });
  }
  return found;
}
export { count, whoAsks };
