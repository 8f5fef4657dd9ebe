import { json, type RequestEvent } from '@sveltejs/kit';
import type { EntityManager } from '@mikro-orm/postgresql';
import { unitOfWork } from '../database/orm';
import type { ProblemError } from './problem-error';
import { asRefusal } from './refusals';

/** A refusal as an answer. @source RFC 9457, "Problem Details for HTTP APIs" */
export function problemResponse({ status, problems, extra, retryS }: ProblemError): Response {
  const [first] = problems;
  return json(
    {
      type: `urn:lucky-thistle:problem:${first?.code ?? 'unexpected'}`,
      title: first?.message ?? 'Something went wrong.',
      status,
      detail: problems.map((problem) => problem.message).join(' '),
      problems,
      ...extra,
    },
    {
      status,
      headers: {
        'content-type': 'application/problem+json',
        'cache-control': 'no-store',
        ...(retryS === undefined ? {} : { 'retry-after': String(retryS) }),
      },
    },
  );
}

/** Runs a server route with a unit of work, and answers every refusal as a typed problem. */
export async function answer(event: RequestEvent, run: (em: EntityManager, event: RequestEvent) => Promise<Response>): Promise<Response> {
  try {
    return await run(await unitOfWork(), event);
  } catch (error) {
    return problemResponse(asRefusal(error));
  }
}
