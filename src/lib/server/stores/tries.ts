import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { writeRecipe, type Recipe } from '$core/index';
import { Mark, Try, type TryRow } from '../database/entities';
import { notFound, refuse } from '../http/problem-error';
import { refuseStrangers } from './marks';
import { storedRecipe } from './stored-recipe';

/** Another version of a mark, kept beside it to compare and to choose from. */
export interface TryView {
  readonly id: string;
  readonly name: string;
  readonly recipe: Recipe;
  /** Removed tries stay, so that removing can be undone. */
  readonly removed: boolean;
}

/** Most tries of one mark. */
const MOST_TRIES = 100;

const viewOf = ({ id, name, recipe, removedAt }: TryRow): TryView => ({
  id,
  name,
  recipe: storedRecipe(recipe),
  removed: removedAt !== null && removedAt !== undefined,
});

async function markId(em: EntityManager, brandId: string, slug: string): Promise<string> {
  const mark = await em.findOne(Mark, { brand: brandId, slug });
  if (!mark) throw notFound('mark of this brand');
  return mark.id;
}

/** The tries of a mark that are not removed, oldest first. */
export async function listTries(em: EntityManager, brandId: string, slug: string): Promise<readonly TryView[]> {
  const mark = await markId(em, brandId, slug);
  return (await em.find(Try, { mark, removedAt: null }, { orderBy: { createdAt: 'asc' } })).map(viewOf);
}

export async function keepTry(
  em: EntityManager,
  brandId: string,
  slug: string,
  input: { readonly name: string; readonly recipe: Recipe },
): Promise<TryView> {
  const mark = await markId(em, brandId, slug);
  await refuseStrangers(em, brandId, input.recipe);
  if ((await em.count(Try, { mark, removedAt: null })) >= MOST_TRIES)
    throw refuse(422, 'too-many-tries', `This mark has ${MOST_TRIES} tries already.`, 'Remove one that you will not choose.');
  const row = em.create(Try, {
    id: randomUUID(),
    mark,
    name: input.name,
    recipe: writeRecipe(input.recipe),
    createdAt: new Date(),
    removedAt: null,
  });
  await em.flush();
  return viewOf(row);
}

/** Renames a try, removes it, or brings it back. */
export async function changeTry(
  em: EntityManager,
  brandId: string,
  slug: string,
  id: string,
  change: { readonly name?: string | undefined; readonly removed?: boolean | undefined },
): Promise<TryView> {
  const row = await em.findOne(Try, { id, mark: await markId(em, brandId, slug) });
  if (!row) throw notFound('try of this mark');
  if (change.name !== undefined) row.name = change.name;
  if (change.removed !== undefined) row.removedAt = change.removed ? new Date() : null;
  await em.flush();
  return viewOf(row);
}
