import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import type { RequestHandler } from './$types';

/** Answers once the server and its database are ready. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    await em.execute('select 1');
    return json({ ready: true });
  });
