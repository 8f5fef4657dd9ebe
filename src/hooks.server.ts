import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { closeDatabase } from '$lib/server/database/orm';
import { closeEvents } from '$lib/server/events';
import { authorOf, onBehalfOf } from '$lib/server/http/author';
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
  const response = /%00/.test(event.url.pathname)
    ? problemResponse(NUL)
    : await onBehalfOf(authorOf(event.request.headers), () => resolve(event));
  const { headers } = response;
  if (/\bjson\b/.test(headers.get('content-type') ?? '')) {
    if (!headers.has('content-security-policy')) headers.set('content-security-policy', JSON_POLICY);
    if (!headers.has('cache-control')) headers.set('cache-control', 'no-store');
  }
  return response;
};

/** What nobody expected becomes one sentence here; routes and loads refuse by themselves. */
export const handleError: HandleServerError = ({ error, status, message }) =>
  status < 500 ? { message } : { message: asRefusal(error).message };

export const init: ServerInit = () => {
  const stopTidying = keepFilesTidy();
  process.once('sveltekit:shutdown', () => {
    stopTidying();
    void Promise.all([closeEvents(), closeHeavyWork(), closePool(), closeDatabase()]);
  });
};
