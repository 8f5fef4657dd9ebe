import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { handoverChangeSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { photoRunView, resumePhotoRun, shelvePhotoRun, stopPhotoRun } from '$lib/server/stores/photos';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json(await photoRunView(em.fork(), (await findBrand(em, event.params.brand)).id, event.params.run)));

/** Stops a run, goes on with it, takes it off the list or puts it back. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    const change = await readJson(event.request, handoverChangeSchema);
    const { id } = await findBrand(em, event.params.brand);
    const { run } = event.params;
    if (change.do === 'stop') await stopPhotoRun(em.fork(), id, run);
    else if (change.do === 'resume') await resumePhotoRun(em.fork(), id, run, change.file);
    else await shelvePhotoRun(em.fork(), id, run, change.do === 'remove');
    return json(await photoRunView(em.fork(), id, run));
  });
