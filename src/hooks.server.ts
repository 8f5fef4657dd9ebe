import type { Handle } from '@sveltejs/kit';
import { closeDatabase } from '$lib/server/database/orm';

/** Headers that every answer carries. @source OWASP Secure Headers */
export const handle: Handle = async ({ event, resolve }) => {
  const response = await resolve(event);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  return response;
};

process.once('sveltekit:shutdown', () => void closeDatabase());
