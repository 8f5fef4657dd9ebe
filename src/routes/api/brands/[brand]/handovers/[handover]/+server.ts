import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { handoverChangeSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { handoverView, resumeHandover, shelveHandover, stopHandover } from '$lib/server/stores/handovers';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json(await handoverView(em.fork(), await findBrand(em, event.params.brand), event.params.handover)));

/** Stops a pack, goes on with it, tries a file again, or takes it off the list. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    const change = await readJson(event.request, handoverChangeSchema);
    const brand = await findBrand(em, event.params.brand);
    const { handover } = event.params;
    if (change.do === 'stop') await stopHandover(em.fork(), brand.id, handover);
    else if (change.do === 'resume') await resumeHandover(em.fork(), brand.id, handover, change.file);
    else await shelveHandover(em.fork(), brand.id, handover, change.do === 'remove');
    return json(await handoverView(em.fork(), brand, handover));
  });
