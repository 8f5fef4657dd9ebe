import { error } from '@sveltejs/kit';
import type { EntityManager } from '@mikro-orm/postgresql';
import { unitOfWork } from '../database/orm';
import { asRefusal } from './refusals';

/** Runs a page's load with a unit of work; a refusal becomes the error page, with its sentence. */
export async function load<T>(run: (em: EntityManager) => Promise<T>): Promise<T> {
  try {
    return await run(await unitOfWork());
  } catch (thrown) {
    const { status, problems } = asRefusal(thrown);
    error(status, { message: problems.map((problem) => [problem.message, problem.fix].filter(Boolean).join(' ')).join(' ') });
  }
}
