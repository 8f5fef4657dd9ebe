import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { newPhotoRunSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { listPhotoRuns, orderPhotoRun } from '$lib/server/stores/photos';
import type { RequestHandler } from './$types';

/** The runs of a brand, the newest first. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json(await listPhotoRuns(em.fork(), (await findBrand(em, event.params.brand)).id)));

/** Orders a run: photos to be marked. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const order = await readJson(event.request, newPhotoRunSchema);
    return json(await orderPhotoRun(em.fork(), await findBrand(em, event.params.brand), order), { status: 201 });
  });
