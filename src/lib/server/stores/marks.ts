import { randomUUID } from 'node:crypto';
import { LockMode, type EntityManager } from '@mikro-orm/postgresql';
import {
  expect,
  marksFollowedBy,
  parseRecipe,
  undoStacks,
  writeRecipe,
  type MarkRole,
  type Recipe,
  type RevisionKind,
  type Sources,
} from '$core/index';
import { Mark, Revision, type MarkRow } from '../database/entities';
import { notFound, ProblemError, refuse } from '../http/problem-error';
import { freeSlug } from './slug';

/** A mark with its newest recipe. */
export interface MarkView {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly role: MarkRole;
  readonly revision: number;
  readonly savedAt: string;
  readonly recipe: Recipe;
}

/** A recipe that undo or redo leads to. */
export interface Step {
  readonly number: number;
  readonly gesture: string;
  readonly recipe: Recipe;
}

/** Undo steps sent to a page at once; older ones stay in the database. */
const STEPS_SENT = 60;

const newestOf = (em: EntityManager, mark: MarkRow) => em.findOneOrFail(Revision, { mark: mark.id, number: mark.revisionNumber });

async function viewOf(em: EntityManager, mark: MarkRow): Promise<MarkView> {
  const revision = await newestOf(em, mark);
  return {
    id: mark.id,
    slug: mark.slug,
    name: mark.name,
    role: mark.role,
    revision: mark.revisionNumber,
    savedAt: revision.createdAt.toISOString(),
    recipe: expect(parseRecipe(revision.recipe)),
  };
}

export async function listMarks(em: EntityManager, brandId: string): Promise<readonly MarkView[]> {
  const marks = await em.find(Mark, { brand: brandId }, { orderBy: { position: 'asc', createdAt: 'asc' } });
  return Promise.all(marks.map((mark) => viewOf(em, mark)));
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

/** One gesture to be saved. */
export interface Gesture {
  readonly id: string;
  readonly kind: RevisionKind;
  readonly gesture: string;
  readonly recipe: Recipe;
}

/**
 * Appends gestures to a mark's chain, in order, all or none.
 * @param base the revision they began from; when the mark has moved on since, the save is refused with the newer version, and nothing is overwritten
 */
export async function saveGestures(
  em: EntityManager,
  brandId: string,
  slug: string,
  base: number,
  gestures: readonly Gesture[],
): Promise<MarkView> {
  return em.transactional(async (tx) => {
    const mark = await tx.findOne(Mark, { brand: brandId, slug }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (!mark) throw notFound('mark of this brand');
    // A save whose answer was lost is sent again; what is already in the chain is not saved twice.
    const saved = await tx.find(
      Revision,
      { mark: mark.id, id: { $in: gestures.map((gesture) => gesture.id) } },
      { orderBy: { number: 'asc' } },
    );
    const fresh = gestures.slice(saved.length);
    const continues = saved.every((revision, index) => revision.id === gestures[index]?.id && revision.number === base + 1 + index);
    if (!continues || mark.revisionNumber !== base + saved.length) {
      const { problems } = refuse(
        409,
        'stale-save',
        `This mark was changed elsewhere (now revision ${mark.revisionNumber}, yours began from ${base}); nothing was overwritten.`,
        'Choose which version to go on with.',
      );
      const current = await viewOf(tx, mark);
      throw new ProblemError(409, problems, { current: { ...current, recipe: writeRecipe(current.recipe) } });
    }
    for (const gesture of fresh) {
      await refuseStrangers(tx, brandId, gesture.recipe);
      mark.revisionNumber += 1;
      tx.create(Revision, {
        id: gesture.id,
        mark,
        number: mark.revisionNumber,
        kind: gesture.kind,
        gesture: gesture.gesture,
        recipe: writeRecipe(gesture.recipe),
        createdAt: new Date(),
      });
    }
    await tx.flush();
    return viewOf(tx, mark);
  });
}

/** Where undo and redo lead from a mark's newest revision; the next step stands last in each. */
export async function undoSteps(
  em: EntityManager,
  brandId: string,
  slug: string,
): Promise<{ readonly past: readonly Step[]; readonly future: readonly Step[] }> {
  const mark = await rowOf(em, brandId, slug);
  const chain = await em.find(Revision, { mark: mark.id }, { fields: ['number', 'kind'], orderBy: { number: 'asc' } });
  const stacks = undoStacks(chain);
  const past = stacks.past.slice(-STEPS_SENT);
  const future = stacks.future.slice(-STEPS_SENT);
  const rows = await em.fork().find(Revision, { mark: mark.id, number: { $in: [...past, ...future] } });
  const byNumber = new Map(rows.map((row) => [row.number, row]));
  const steps = (numbers: readonly number[]): Step[] =>
    numbers.flatMap((number) => {
      const row = byNumber.get(number);
      return row ? [{ number, gesture: row.gesture, recipe: expect(parseRecipe(row.recipe)) }] : [];
    });
  return { past: steps(past), future: steps(future) };
}
