import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { closeDatabase, furnish } from '$lib/server/database/orm';
import { closeEvents } from '$lib/server/events';
import { letIn } from '$lib/server/guard/guard';
import { startFault } from '$lib/server/sign-in/start';
import { authorOf, HOME_STUDIO, onBehalfOf } from '$lib/server/http/author';
import { problemResponse } from '$lib/server/http/answer';
import { refuse } from '$lib/server/http/problem-error';
import { asRefusal } from '$lib/server/http/refusals';
import { keepFilesTidy } from '$lib/server/files';
import { closePool } from '$lib/server/database/pool';
import { closeHeavyWork } from '$lib/server/heavy/pool';

/** No address of ours holds one, and the database takes none. */
const NUL = refuse(400, 'malformed-value', 'An address cannot hold NUL.');
const JSON_POLICY = "default-src 'none'; frame-ancestors 'none'";

/** What routes do not say themselves: data is neither a page nor to be kept. @source OWASP REST Security Cheat Sheet, "Security Headers" */
export const handle: Handle = async ({ event, resolve }) => {
  if (/%00/.test(event.url.pathname)) return withPolicy(problemResponse(NUL));
  const { who, refusal, cookies } = await letIn(event);
  event.locals.who = who;
  const own = authorOf(event.request.headers);
  const author = { ...own, name: who?.person?.name ?? own.name, studio: who?.studio ?? HOME_STUDIO };
  const response = refusal ?? (await onBehalfOf(author, () => resolve(event)));
  // Nothing of a studio is shown again by the way back, once somebody has signed out. @source OWASP ASVS 4.0.3, 3.3.1 and 8.2.1
  if (who?.person && !response.headers.has('cache-control')) response.headers.set('cache-control', 'private, no-store');
  // What signs out or in says so itself.
  if (!response.headers.has('set-cookie')) for (const cookie of cookies) response.headers.append('set-cookie', cookie);
  return withPolicy(response);
};

function withPolicy(response: Response): Response {
  const { headers } = response;
  if (/\bjson\b/.test(headers.get('content-type') ?? '')) {
    if (!headers.has('content-security-policy')) headers.set('content-security-policy', JSON_POLICY);
    if (!headers.has('cache-control')) headers.set('cache-control', 'no-store');
  }
  return response;
}

/** What nobody expected becomes one sentence here; routes and loads refuse by themselves. */
export const handleError: HandleServerError = ({ error, status, message }) =>
  status < 500 ? { message } : { message: asRefusal(error).message };

export const init: ServerInit = async () => {
  // Before anything looks into the database.
  if (process.env['LOAD_DEMO_BRANDS'] === '1')
    furnish(async (em) => {
      const { loadDemoBrands } = await import('$lib/server/demo/load');
      await onBehalfOf({ name: '', from: 'the demo', studio: HOME_STUDIO }, () => loadDemoBrands(em));
    });
  const fault = await startFault();
  if (fault) throw new Error(fault);
  const stopTidying = keepFilesTidy();
  process.once('sveltekit:shutdown', () => {
    stopTidying();
    void Promise.all([closeEvents(), closeHeavyWork(), closePool(), closeDatabase()]);
  });
};
