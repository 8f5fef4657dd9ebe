import type { EntityManager } from '@mikro-orm/postgresql';
import { parseRecipe, withChanges, writeRecipe, type Recipe, type RecipeChanges } from '$core/index';
import { Revision } from '../database/entities';
import { ProblemError, refuse } from '../http/problem-error';
import type { Gesture } from './chain';

/** A gesture whose content is told by what has changed since another gesture, saved earlier or in the same save. */
interface ToldGesture extends Omit<Gesture<Recipe>, 'content'> {
  readonly after: string;
  readonly changes: RecipeChanges;
}
export type MarkGesture = Gesture<Recipe> | ToldGesture;

/**
 * Gestures with what each leads to, whole: changes are read on top of what they were told from, and what comes of it like any recipe that is sent.
 * @param markId only this mark's own revisions are looked at
 */
export async function wholeGestures(
  em: EntityManager,
  markId: string,
  gestures: readonly MarkGesture[],
): Promise<readonly Gesture<Recipe>[]> {
  const whole = new Map<string, Gesture<Recipe>>();
  const storedAs = async (id: string): Promise<unknown> => {
    const earlier = whole.get(id);
    return earlier ? writeRecipe(earlier.content) : (await em.findOne(Revision, { id, mark: markId }))?.recipe;
  };
  for (const [index, gesture] of gestures.entries()) {
    if ('content' in gesture) {
      whole.set(gesture.id, gesture);
      continue;
    }
    const { after, changes, ...words } = gesture;
    const recipe = withChanges(await storedAs(after), changes);
    if (recipe === undefined)
      throw refuse(
        422,
        'not-its-changes',
        'A gesture tells what has changed since another one that this mark does not have, or has otherwise.',
        'Send its whole recipe.',
      );
    const read = parseRecipe(recipe);
    if (!read.ok)
      throw new ProblemError(
        422,
        read.problems.map((problem) => ({ ...problem, path: ['gestures', index, 'recipe', ...(problem.path ?? [])] })),
      );
    whole.set(gesture.id, { ...words, content: read.value });
  }
  return gestures.flatMap(({ id }) => whole.get(id) ?? []);
}
