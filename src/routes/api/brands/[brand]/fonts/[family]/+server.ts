import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { fontChangeSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { removeOwnFont } from '$lib/server/stores/own-fonts';
import type { RequestHandler } from './$types';

/** Removes one of the client's own fonts from the library, or brings it back; marks that use it keep their pictures. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    await removeOwnFont(em, brand.id, event.params.family, (await readJson(event.request, fontChangeSchema)).removed);
    return json({ removed: true });
  });
