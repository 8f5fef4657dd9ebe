import { json } from '@sveltejs/kit';
import { feelPulse } from '$lib/server/database/pool';
import { answer } from '$lib/server/http/answer';
import type { RequestHandler } from './$types';

/** Answers once the server and its database are ready. */
export const GET: RequestHandler = (event) =>
  answer(event, async () => {
    await feelPulse();
    return json({ ready: true });
  });
