import { randomUUID } from 'node:crypto';
import type { InferEntity } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import { ClientLink, ClientNote, Handover, Mark, Try } from '../database/entities';
import { tellMoved } from '../events';
import { author } from '../http/author';
import { notFound, refuse } from '../http/problem-error';
import { digestOf, hashedWord, newToken } from './token';

type LinkRow = InferEntity<typeof ClientLink>;
type NoteRow = InferEntity<typeof ClientNote>;
const isUuid = (id: string) => /^[0-9a-f-]{36}$/.test(id);

/** What a client said, as pages show it. */
export interface NoteView {
  readonly id: string;
  readonly link: string;
  readonly mark: string;
  readonly revision: number;
  readonly kind: 'note' | 'yes';
  /** The try it is about, where it is not the mark itself. */
  readonly try: { readonly id: string; readonly name: string } | null;
  /** The part that was pointed at. */
  readonly part: string | null;
  /** Where on the mark, as shares of its picture; nothing where it is about all of it. */
  readonly at: { readonly x: number; readonly y: number } | null;
  readonly name: string;
  readonly text: string;
  readonly createdAt: string;
  readonly answer: string | null;
  readonly answeredBy: string | null;
  readonly closed: boolean;
}
/** A link as the studio sees it. */
export interface LinkView {
  readonly id: string;
  readonly name: string;
  readonly createdAt: string;
  readonly endsAt: string | null;
  readonly state: 'open' | 'over' | 'ended';
  readonly hasWord: boolean;
  readonly marks: readonly string[];
  readonly tries: readonly string[];
  readonly packs: readonly string[];
}
/** A try that may be shown beside its mark, or a pack that may be fetched. */
export interface Offer {
  readonly id: string;
  readonly name: string;
}
export interface ClientView {
  readonly links: readonly LinkView[];
  readonly notes: readonly NoteView[];
  /** What a new link could show beside marks. */
  readonly offers: { readonly tries: readonly (Offer & { readonly mark: string })[]; readonly packs: readonly Offer[] };
}

export const stateOf = ({ endedAt, endsAt }: Pick<LinkRow, 'endedAt' | 'endsAt'>, now = new Date()): LinkView['state'] =>
  endedAt ? 'ended' : endsAt && endsAt <= now ? 'over' : 'open';

const noteView = (row: NoteRow): NoteView => ({
  ...{ id: row.id, link: row.link.id, mark: row.mark.id, revision: row.revision, kind: row.kind, name: row.name, text: row.text },
  try: row.try ? { id: row.try.id, name: row.try.name } : null,
  part: row.part ?? null,
  at: row.x === null || row.x === undefined || row.y === null || row.y === undefined ? null : { x: row.x, y: row.y },
  createdAt: row.createdAt.toISOString(),
  ...{ answer: row.answer ?? null, answeredBy: row.answeredBy ?? null, closed: Boolean(row.closedAt) },
});
const linkView = (row: LinkRow): LinkView => ({
  ...{ id: row.id, name: row.name, createdAt: row.createdAt.toISOString(), endsAt: row.endsAt?.toISOString() ?? null },
  ...{ state: stateOf(row), hasWord: Boolean(row.wordHash) },
  ...{ marks: row.marks, tries: row.tries, packs: row.packs },
});

const told = (em: EntityManager, brandId: string) => tellMoved(em, { subject: `client:${brandId}`, revision: 0 });
const MOST_LINKS = 50;
const MOST_NOTES = 500;

/** The links of a brand and what was said under them, the newest first. */
export async function clientView(em: EntityManager, brandId: string): Promise<ClientView> {
  const links = await em.fork().find(ClientLink, { brand: brandId }, { orderBy: { createdAt: 'desc' }, limit: MOST_LINKS });
  const notes = await em
    .fork()
    .find(ClientNote, { link: { brand: brandId } }, { orderBy: { createdAt: 'desc' }, limit: MOST_NOTES, populate: ['try'] });
  return { links: links.map(linkView), notes: notes.map(noteView), offers: await offersOf(em, brandId) };
}

/** The tries and packs of a brand that are not removed. */
async function offersOf(em: EntityManager, brandId: string): Promise<ClientView['offers']> {
  const tries = await em.fork().find(Try, { mark: { brand: brandId }, removedAt: null }, { orderBy: { createdAt: 'asc' } });
  const packs = await em.fork().find(Handover, { brand: brandId, removedAt: null }, { orderBy: { number: 'desc' } });
  return {
    tries: tries.map(({ id, name, mark }) => ({ id, name, mark: mark.id })),
    packs: packs.map(({ id, name }) => ({ id, name })),
  };
}

export interface NewLink {
  readonly name: string;
  readonly marks: readonly string[];
  readonly tries: readonly string[];
  readonly packs: readonly string[];
  readonly word: string;
  readonly endsAt: Date | null;
}
/** Makes a link. @returns its token, which is said once and stored nowhere */
export async function makeLink(
  em: EntityManager,
  brandId: string,
  { name, marks, tries, packs, word, endsAt }: NewLink,
): Promise<{ readonly token: string; readonly view: ClientView }> {
  const known = await em.fork().find(Mark, { brand: brandId, id: { $in: [...marks] } }, { fields: ['id'] });
  if (known.length !== new Set(marks).size) throw notFound('mark of this brand');
  const offers = await offersOf(em, brandId);
  if (tries.some((id) => !offers.tries.some((offer) => offer.id === id && marks.includes(offer.mark))))
    throw notFound('try of these marks');
  if (packs.some((id) => !offers.packs.some((offer) => offer.id === id))) throw notFound('pack of this brand');
  if (endsAt && endsAt <= new Date()) throw refuse(422, 'over-already', 'This link would be over already.', 'Choose a later day.');
  if ((await em.fork().count(ClientLink, { brand: brandId, endedAt: null })) >= MOST_LINKS)
    throw refuse(422, 'too-many-links', `${MOST_LINKS} links of this brand are open.`, 'End one of them first.');
  const token = newToken();
  const fork = em.fork();
  fork.create(ClientLink, {
    ...{
      id: randomUUID(),
      brand: brandId,
      name,
      tokenSha256: digestOf(token),
      wordHash: word.trim() === '' ? null : await hashedWord(word),
    },
    ...{ marks: [...new Set(marks)], tries: [...new Set(tries)], packs: [...new Set(packs)] },
    ...{ createdAt: new Date(), endsAt, endedAt: null },
  });
  await fork.flush();
  await told(em, brandId);
  return { token, view: await clientView(em, brandId) };
}

/** Ends a link for good: from the next question on, nothing is under its address in any process. */
export async function endLink(em: EntityManager, brandId: string, id: string): Promise<ClientView> {
  const count = isUuid(id) ? await em.fork().nativeUpdate(ClientLink, { id, brand: brandId, endedAt: null }, { endedAt: new Date() }) : 0;
  if (count === 0 && !(isUuid(id) && (await em.fork().count(ClientLink, { id, brand: brandId })))) throw notFound('link of this brand');
  await told(em, brandId);
  return clientView(em, brandId);
}

/** Answers a note, closes it or opens it again. */
export async function changeNote(
  em: EntityManager,
  brandId: string,
  id: string,
  { answer, closed }: { readonly answer?: string | undefined; readonly closed?: boolean | undefined },
): Promise<ClientView> {
  const fork = em.fork();
  const row = isUuid(id) ? await fork.findOne(ClientNote, { id, link: { brand: brandId } }) : null;
  if (!row) throw notFound('note of this brand');
  if (answer !== undefined) {
    row.answer = answer;
    row.answeredBy = author().name;
    row.answeredAt = new Date();
  }
  if (closed !== undefined) row.closedAt = closed ? new Date() : null;
  await fork.flush();
  await told(em, brandId);
  return clientView(em, brandId);
}

/** The link behind a token, open or not; nothing where there is none. */
export const linkBehind = (em: EntityManager, token: string): Promise<LinkRow | null> =>
  em.fork().findOne(ClientLink, { tokenSha256: digestOf(token) });

/** What is said under a link. */
export const notesUnder = async (em: EntityManager, link: string): Promise<readonly NoteView[]> =>
  (await em.fork().find(ClientNote, { link }, { orderBy: { createdAt: 'asc' }, limit: MOST_NOTES, populate: ['try'] })).map(noteView);

/** Writes down what a client says. @throws a refusal where the link does not show that mark, or too much was said */
export async function say(
  em: EntityManager,
  link: LinkRow,
  said: {
    readonly mark: string;
    readonly kind: 'note' | 'yes';
    readonly name: string;
    readonly text: string;
    readonly at: { readonly x: number; readonly y: number } | null;
    readonly part: string | null;
    readonly try: string | null;
  },
): Promise<void> {
  if (!link.marks.includes(said.mark)) throw notFound('mark under this address');
  if (said.try !== null && !link.tries.includes(said.try)) throw notFound('try under this address');
  if ((await em.fork().count(ClientNote, { link: link.id })) >= MOST_NOTES)
    throw refuse(422, 'too-many-notes', 'There are too many notes here.', 'Talk to your designer.');
  const mark = await em.fork().findOneOrFail(Mark, { id: said.mark });
  const fork = em.fork();
  fork.create(ClientNote, {
    ...{
      id: randomUUID(),
      link: link.id,
      mark: said.mark,
      revision: mark.revisionNumber,
      kind: said.kind,
      name: said.name,
      text: said.text,
    },
    ...{
      part: said.part,
      try: said.try,
      x: said.at?.x ?? null,
      y: said.at?.y ?? null,
      createdAt: new Date(),
      answer: null,
      answeredBy: null,
      answeredAt: null,
      closedAt: null,
    },
  });
  await fork.flush();
  await told(em, link.brand.id);
}
