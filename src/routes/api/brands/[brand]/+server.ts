import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { brandChangeSchema } from '$lib/server/http/schemas';
import { changeBrand, findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => answer(event, async (em) => json(await findBrand(em, event.params.brand)));

/** Renames a brand, moves it in the studio's order, archives, removes or restores it. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => json(await changeBrand(em, event.params.brand, await readJson(event.request, brandChangeSchema))));
