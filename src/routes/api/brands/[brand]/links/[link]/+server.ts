import { json } from '@sveltejs/kit';
import { endLink } from '$lib/server/client-link/links';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { linkChangeSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Ends a link for good. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    await readJson(event.request, linkChangeSchema);
    return json(await endLink(em, (await findBrand(em, event.params.brand)).id, event.params.link));
  });
