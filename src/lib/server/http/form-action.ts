import { fail, type RequestEvent } from '@sveltejs/kit';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { z } from 'zod';
import { problemsOf } from '$core/index';
import { unitOfWork } from '../database/orm';
import { ProblemError } from './problem-error';
import { asRefusal } from './refusals';

/** Most bytes of a form of ours; none has a file in it. */
const MOST_BYTES = 64 * 1024;

/** The fields of a form that was sent, read and checked. @throws 413, and 422 with what is wrong */
export async function readForm<S extends z.ZodType>(event: RequestEvent, schema: S): Promise<z.infer<S>> {
  if (Number(event.request.headers.get('content-length') ?? 0) > MOST_BYTES)
    throw new ProblemError(413, [{ code: 'too-large', message: 'This form is too long.' }]);
  const given = Object.fromEntries([...(await event.request.formData())].filter(([, value]) => typeof value === 'string'));
  const parsed = schema.safeParse(given);
  if (!parsed.success) throw new ProblemError(422, problemsOf(parsed.error, given));
  return parsed.data;
}

/** Runs what a form asks for; a refusal comes back to its page as a sentence. */
export async function formAction<T>(run: (em: EntityManager) => Promise<T>) {
  try {
    return await run(await unitOfWork());
  } catch (thrown) {
    if (thrown instanceof Error === false) throw thrown;
    const refusal = asRefusal(thrown);
    return fail(refusal.status, { fault: refusal.message });
  }
}
