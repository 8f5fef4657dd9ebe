import { randomUUID } from 'node:crypto';
import { LockMode, type EntityManager } from '@mikro-orm/postgresql';
import type { z } from 'zod';
import { boardSchema, briefSchema, problemsOf, typeDeskSchema } from '$core/index';
import { Brand, SavedDocument } from '../database/entities';
import { notFound, ProblemError, refuse } from '../http/problem-error';

/** The documents a brand has one of each; a new kind is one schema and one row. */
const KINDS = { brief: briefSchema, board: boardSchema, type: typeDeskSchema } as const;
export type DocumentKind = keyof typeof KINDS;
export type DocumentOf<K extends DocumentKind> = z.infer<(typeof KINDS)[K]>;

export const isDocumentKind = (kind: string): kind is DocumentKind => kind in KINDS;

export interface DocumentView<K extends DocumentKind = DocumentKind> {
  /** 0 while nothing was saved. */
  readonly number: number;
  readonly content: DocumentOf<K>;
}

/** The newest document of a kind; an empty one while nothing was saved. */
export async function findDocument<K extends DocumentKind>(em: EntityManager, brandId: string, kind: K): Promise<DocumentView<K>> {
  const saved = await em.findOne(SavedDocument, { brand: brandId, kind }, { orderBy: { number: 'desc' } });
  return { number: saved?.number ?? 0, content: KINDS[kind].parse(saved?.content ?? {}) as DocumentOf<K> };
}

/** Appends a document; refused when somebody else saved one since `base`. */
export async function saveDocument(
  em: EntityManager,
  brandSlug: string,
  kind: DocumentKind,
  base: number,
  content: unknown,
): Promise<DocumentView> {
  const parsed = KINDS[kind].safeParse(content);
  if (!parsed.success) throw new ProblemError(422, problemsOf(parsed.error, content));
  return em.transactional(async (tx) => {
    const brand = await tx.findOne(Brand, { slug: brandSlug }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (!brand) throw notFound('brand');
    const newest = await findDocument(tx, brand.id, kind);
    if (newest.number !== base) {
      const { problems } = refuse(
        409,
        'stale-save',
        `This was changed elsewhere (now number ${newest.number}, yours began from ${base}); nothing was overwritten.`,
        'Look at the newer version, then change it again.',
      );
      throw new ProblemError(409, problems, { current: newest });
    }
    tx.create(SavedDocument, { id: randomUUID(), brand, kind, number: base + 1, content: parsed.data, createdAt: new Date() });
    await tx.flush();
    return { number: base + 1, content: parsed.data };
  });
}
