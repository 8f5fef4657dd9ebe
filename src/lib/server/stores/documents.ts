import { randomUUID } from 'node:crypto';
import { LockMode, type EntityManager } from '@mikro-orm/postgresql';
import { accepted, documentForms, expect, recovered, writtenForm, type DocumentKind, type StoredForm } from '$core/index';
import { Brand, SavedDocument } from '../database/entities';
import { studio } from '../http/author';
import { notFound, ProblemError } from '../http/problem-error';
import { appendGestures, LINK_FIELDS, linkOf, type Chain, type Gesture, type Link, type Saved } from './chain';

export type { DocumentKind };
export type DocumentOf<K extends DocumentKind> = (typeof documentForms)[K] extends StoredForm<infer T> ? T : never;

const formOf = <K extends DocumentKind>(kind: K) => documentForms[kind] as unknown as StoredForm<DocumentOf<K> & object>;
/** A document as it is stored and sent, with its version. */
export const writtenDocument = <K extends DocumentKind>(kind: K, content: DocumentOf<K>) =>
  writtenForm(formOf(kind), content as DocumentOf<K> & object);
/** A document as it lies in the database, of whichever version. */
const readStored = <K extends DocumentKind>(kind: K, stored: unknown): DocumentOf<K> => expect(recovered(formOf(kind), stored)).value;

export const isDocumentKind = (kind: string): kind is DocumentKind => Object.hasOwn(documentForms, kind);

export interface DocumentView<K extends DocumentKind = DocumentKind> {
  /** 0 while nothing was saved. */
  readonly number: number;
  readonly content: DocumentOf<K>;
}

const newestOf = (em: EntityManager, brandId: string, kind: DocumentKind) =>
  em.findOne(SavedDocument, { brand: brandId, document: kind }, { orderBy: { number: 'desc' } });

/** The newest of each kind of document that a brand has, as stored. */
export async function newestDocuments(em: EntityManager, brandId: string) {
  const newest = [];
  for (const kind of Object.keys(documentForms) as DocumentKind[]) newest.push(await newestOf(em, brandId, kind));
  return newest.filter((each) => each !== null);
}

/** The number of the newest document of each kind that was saved. */
export async function documentNumbers(em: EntityManager, brandId: string): Promise<Readonly<Record<string, number>>> {
  const rows = await em.execute<{ document: string; number: number }[]>(
    'select "document_kind" as "document", max("number") as "number" from "document" where "brand_id" = ? group by "document_kind"',
    [brandId],
  );
  return Object.fromEntries(rows.map(({ document, number }) => [document, number]));
}

/**
 * The newest document of a kind; an empty one while nothing was saved.
 * @param as numbers of documents as they stood at another moment; a kind that is not among them was not saved yet
 */
export async function findDocument<K extends DocumentKind>(
  em: EntityManager,
  brandId: string,
  kind: K,
  as?: Readonly<Record<string, number>>,
): Promise<DocumentView<K>> {
  const own = { brand: brandId, document: kind };
  const saved = as ? await em.findOne(SavedDocument, { ...own, number: as[kind] ?? 0 }) : await newestOf(em, brandId, kind);
  return { number: saved?.number ?? 0, content: readStored(kind, saved?.content ?? {}) };
}

/** A document as a save may bring it; refused with a sentence for every fault. */
export function readDocument<K extends DocumentKind>(kind: K, content: unknown): DocumentOf<K> {
  const read = accepted(formOf(kind), content);
  if (!read.ok) throw new ProblemError(422, read.problems);
  return read.value;
}

/** Before the first save there was an empty one: undo leads there too. */
const FIRST: Link = { id: '', number: 0, kind: 'edit', gesture: '', createdAt: new Date(0), madeBy: '', madeFrom: '' };

/** A brand's chain of documents of one kind, to be read, or, while the brand is locked, to be saved to. */
export async function documentChain<K extends DocumentKind>(em: EntityManager, brandId: string, kind: K): Promise<Chain<DocumentOf<K>>> {
  const newest = await newestOf(em, brandId, kind);
  const own = { brand: brandId, document: kind };
  return {
    label: 'This',
    subject: `document:${brandId}/${kind}`,
    number: newest?.number ?? 0,
    links: async (of) => [FIRST, ...(await of.find(SavedDocument, own, { fields: LINK_FIELDS, orderBy: { number: 'asc' } }))],
    find: async (of, ids) =>
      (await of.find(SavedDocument, { id: { $in: [...ids] } }, { fields: [...LINK_FIELDS, 'brand', 'document'] })).map((row) => ({
        ...linkOf(row),
        own: row.brand.id === brandId && row.document === kind,
      })),
    contents: async (of, numbers) => {
      const rows = await of.fork().find(SavedDocument, { ...own, number: { $in: [...numbers] } });
      const read = (content: unknown) => readStored(kind, content);
      return new Map([[0, read({})], ...rows.map((row) => [row.number, read(row.content)] as const)]);
    },
    append: (tx, { id, kind: how, gesture, content }, number) => {
      tx.create(SavedDocument, {
        id,
        brand: brandId,
        document: kind,
        number,
        kind: how,
        gesture,
        content: writtenDocument(kind, content),
        createdAt: new Date(),
      });
      return Promise.resolve();
    },
    current: async (of) => {
      const current = await findDocument(of, brandId, kind);
      return { ...current, content: writtenDocument(kind, current.content), revision: current.number };
    },
  };
}

/** Appends gestures to a document's chain. @see appendGestures */
export async function saveDocumentGestures(
  em: EntityManager,
  brandSlug: string,
  kind: DocumentKind,
  base: number,
  gestures: readonly Gesture<unknown>[],
): Promise<Saved> {
  const read = gestures.map((gesture) => ({ ...gesture, content: readDocument(kind, gesture.content) }));
  return em.transactional(async (tx) => {
    const brand = await tx.findOne(Brand, { slug: brandSlug, studio: studio() }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (!brand) throw notFound('brand');
    return appendGestures(tx, await documentChain(tx, brand.id, kind), base, read);
  });
}

/** Appends one version of a document; refused when somebody else saved one since `base`. */
export async function saveDocument(
  em: EntityManager,
  brandSlug: string,
  kind: DocumentKind,
  base: number,
  content: unknown,
): Promise<DocumentView> {
  const gesture = { id: randomUUID(), kind: 'edit' as const, gesture: 'Change', content };
  const { revision } = await saveDocumentGestures(em, brandSlug, kind, base, [gesture]);
  return { number: revision, content: readDocument(kind, content) };
}
