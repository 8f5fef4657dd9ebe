import { json } from '@sveltejs/kit';
import { changeNote } from '$lib/server/client-link/links';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { noteChangeSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Answers a client's note, closes it or opens it again. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    const change = await readJson(event.request, noteChangeSchema);
    return json(await changeNote(em, (await findBrand(em, event.params.brand)).id, event.params.note, change));
  });
