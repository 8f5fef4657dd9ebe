import { json, type RequestEvent } from '@sveltejs/kit';
import type { EntityManager } from '@mikro-orm/postgresql';
import { unitOfWork } from '../database/orm';
import { ProblemError, refuse } from './problem-error';

const UNREACHABLE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOENT',
  '57P01',
  '57P02',
  '57P03',
  '08000',
  '08003',
  '08006',
]);

/** Whether an error means that the database is down, rather than that it said no. */
export function isDatabaseDown(error: unknown): boolean {
  for (
    let at = error as { code?: unknown; name?: string; message?: string; cause?: unknown } | undefined, depth = 0;
    at && depth < 6;
    at = at.cause as typeof at, depth++
  ) {
    if (typeof at.code === 'string' && UNREACHABLE.has(at.code)) return true;
    if (
      at.name === 'KnexTimeoutError' ||
      /Connection terminated|timeout expired|not yet accepting connections|terminating connection/i.test(at.message ?? '')
    )
      return true;
    if ('errors' in at && Array.isArray(at.errors) && at.errors.some(isDatabaseDown)) return true;
  }
  return false;
}

const DATABASE_DOWN = refuse(
  503,
  'database-down',
  'The database cannot be reached.',
  'Your work in this tab is kept, and saved when the database returns.',
);

/** Any error as a refusal; what nobody expected is logged here and told apart by its code. */
export function asRefusal(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  if (isDatabaseDown(error)) return DATABASE_DOWN;
  console.error(error);
  return refuse(
    500,
    'unexpected',
    'Something went wrong on the server; nothing was changed.',
    'Try again; if it happens again, look at the server’s log.',
  );
}

/** A refusal as an answer. @source RFC 9457, "Problem Details for HTTP APIs" */
export function problemResponse({ status, problems, extra }: ProblemError): Response {
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
      status, // The rest of a body that was too large stays unread, so this connection cannot serve another request.
      headers: {
        'content-type': 'application/problem+json',
        'cache-control': 'no-store',
        ...(status === 413 ? { connection: 'close' } : {}),
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
