import { randomUUID } from 'node:crypto';
import { LockMode, type EntityManager } from '@mikro-orm/postgresql';
import { marksFollowedBy, writeRecipe, type MarkRole, type Recipe, type Sources } from '$core/index';
import { Mark, Revision, type MarkRow, type RevisionRow } from '../database/entities';
import { tellMoved } from '../events';
import { notFound, refuse } from '../http/problem-error';
import { appendGestures, LINK_FIELDS, linkOf, type Chain, type Saved } from './chain';
import { wholeGestures, type MarkGesture } from './mark-gestures';
import { movedTo, shelfOf, shelve, type Shelf } from './shelves';
import { freeSlug } from './slug';
import { storedRecipe } from './stored-recipe';

/** A mark with its newest recipe. */
export interface MarkView {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly role: MarkRole;
  readonly revision: number;
  readonly savedAt: string;
  readonly shelf: Shelf;
  readonly recipe: Recipe;
}

const newestOf = (em: EntityManager, mark: MarkRow) => em.findOneOrFail(Revision, { mark: mark.id, number: mark.revisionNumber });

const withRevision = (mark: MarkRow, { createdAt, recipe }: Pick<RevisionRow, 'createdAt' | 'recipe'>): MarkView => ({
  id: mark.id,
  slug: mark.slug,
  name: mark.name,
  role: mark.role,
  revision: mark.revisionNumber,
  savedAt: createdAt.toISOString(),
  shelf: shelfOf(mark),
  recipe: storedRecipe(recipe),
});
const viewOf = async (em: EntityManager, mark: MarkRow): Promise<MarkView> => withRevision(mark, await newestOf(em, mark));

/** All marks of a brand in the order of its family, those archived or removed among them: others may follow them. */
export async function listMarks(em: EntityManager, brandId: string): Promise<readonly MarkView[]> {
  const marks = await em.find(Mark, { brand: brandId }, { orderBy: { position: 'asc', createdAt: 'asc' } });
  if (marks.length === 0) return [];
  const newest = await em.find(Revision, { $or: marks.map(({ id, revisionNumber }) => ({ mark: id, number: revisionNumber })) });
  const byMark = new Map(newest.map((revision) => [revision.mark.id, revision]));
  return marks.flatMap((mark) => {
    const revision = byMark.get(mark.id);
    return revision ? [withRevision(mark, revision)] : [];
  });
}

export interface MarkChange {
  readonly name?: string | undefined;
  readonly role?: MarkRole | undefined;
  readonly shelf?: Shelf | undefined;
  /** Its place among the marks of its shelf. */
  readonly position?: number | undefined;
}

/** Renames a mark, gives it another role or place in the family, puts it on a shelf. Its address stays what it is. */
export async function changeMark(em: EntityManager, brandId: string, slug: string, change: MarkChange): Promise<MarkView> {
  return em.transactional(async (tx) => {
    await tx.execute('select 1 from "brand" where "id" = ? for update', [brandId]);
    const mark = await rowOf(tx, brandId, slug);
    if (change.name !== undefined) mark.name = change.name;
    if (change.role !== undefined) mark.role = change.role;
    shelve(mark, change.shelf);
    if (change.position !== undefined) {
      const all = await tx.find(Mark, { brand: brandId }, { orderBy: { position: 'asc', createdAt: 'asc' } });
      const mates = all.filter((each) => shelfOf(each) === shelfOf(mark));
      movedTo(mates, mark, change.position).forEach((each, at) => (each.position = at));
    }
    await tx.flush();
    await tellMoved(tx, { subject: `family:${brandId}`, revision: 0 });
    return viewOf(tx, mark);
  });
}

async function rowOf(em: EntityManager, brandId: string, slug: string): Promise<MarkRow> {
  const mark = await em.findOne(Mark, { brand: brandId, slug });
  if (!mark) throw notFound('mark of this brand');
  return mark;
}

export const findMark = async (em: EntityManager, brandId: string, slug: string): Promise<MarkView> =>
  viewOf(em, await rowOf(em, brandId, slug));

/** The recipes that a mark follows, directly or through others; only marks of the same brand are ever looked at. */
export async function sourcesOf(em: EntityManager, brandId: string, recipe: Recipe): Promise<Sources> {
  if (marksFollowedBy(recipe).length === 0) return new Map();
  return new Map((await listMarks(em, brandId)).map((mark) => [mark.id, mark.recipe]));
}

export interface NewMark {
  readonly name: string;
  readonly role: MarkRole;
  readonly recipe: Recipe;
  readonly gesture: string;
}

export async function createMark(em: EntityManager, brandId: string, input: NewMark): Promise<MarkView> {
  return em.transactional(async (tx) => {
    await tx.execute('select 1 from "brand" where "id" = ? for update', [brandId]);
    await refuseStrangers(tx, brandId, input.recipe);
    const marks = await tx.find(Mark, { brand: brandId });
    const now = new Date();
    const mark = tx.create(Mark, {
      id: randomUUID(),
      brand: brandId,
      slug: freeSlug(input.name, new Set(marks.map((other) => other.slug))),
      name: input.name,
      role: input.role,
      position: marks.length,
      revisionNumber: 1,
      createdAt: now,
      archivedAt: null,
      removedAt: null,
    });
    tx.create(Revision, {
      id: randomUUID(),
      mark,
      number: 1,
      kind: 'edit',
      gesture: input.gesture,
      recipe: writeRecipe(input.recipe),
      createdAt: now,
    });
    await tx.flush();
    await tellMoved(tx, { subject: `family:${brandId}`, revision: 0 });
    return viewOf(tx, mark);
  });
}

/** A mark may follow only marks of its own brand. */
export async function refuseStrangers(em: EntityManager, brandId: string, recipe: Recipe): Promise<void> {
  const followed = marksFollowedBy(recipe);
  if (followed.length === 0) return;
  const own = new Set((await em.find(Mark, { brand: brandId, id: { $in: [...followed] } }, { fields: ['id'] })).map((mark) => mark.id));
  const stranger = followed.find((id) => !own.has(id));
  if (stranger)
    throw refuse(
      422,
      'foreign-link',
      `A part follows the mark ${stranger}, which does not belong to this brand.`,
      'Follow a mark of this brand.',
    );
}

/** A mark's chain of recipes. */
const chainOf = (brandId: string, mark: MarkRow): Chain<Recipe> => ({
  label: 'This mark',
  subject: `mark:${mark.id}`,
  number: mark.revisionNumber,
  links: (em) => em.find(Revision, { mark: mark.id }, { fields: LINK_FIELDS, orderBy: { number: 'asc' } }),
  find: async (em, ids) =>
    (await em.find(Revision, { id: { $in: [...ids] } }, { fields: [...LINK_FIELDS, 'mark'] })).map((row) => ({
      ...linkOf(row),
      own: row.mark.id === mark.id,
    })),
  contents: async (em, numbers) => {
    const rows = await em.fork().find(Revision, { mark: mark.id, number: { $in: [...numbers] } });
    return new Map(rows.map((row) => [row.number, storedRecipe(row.recipe)]));
  },
  append: async (tx, { id, kind, gesture, content }, number) => {
    await refuseStrangers(tx, brandId, content);
    mark.revisionNumber = number;
    tx.create(Revision, { id, mark, number, kind, gesture, recipe: writeRecipe(content), createdAt: new Date() });
  },
  current: async (em) => {
    const current = await viewOf(em, mark);
    return { ...current, recipe: writeRecipe(current.recipe) };
  },
});

/** Appends gestures to a mark's chain. @see appendGestures */
export async function saveGestures(
  em: EntityManager,
  brandId: string,
  slug: string,
  base: number,
  gestures: readonly MarkGesture[],
): Promise<Saved> {
  return em.transactional(async (tx) => {
    const mark = await tx.findOne(Mark, { brand: brandId, slug }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (!mark) throw notFound('mark of this brand');
    return appendGestures(tx, chainOf(brandId, mark), base, await wholeGestures(tx, mark.id, gestures));
  });
}

/** A mark's chain, to be read. */
export const markChain = async (em: EntityManager, brandId: string, slug: string): Promise<Chain<Recipe>> =>
  chainOf(brandId, await rowOf(em, brandId, slug));
