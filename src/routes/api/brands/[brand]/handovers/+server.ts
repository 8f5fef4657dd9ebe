import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { newHandoverSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { listHandovers, orderAgain, orderHandover } from '$lib/server/stores/handovers';
import type { RequestHandler } from './$types';

/** The packs of a brand, the newest first. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json(await listHandovers(em.fork(), await findBrand(em, event.params.brand))));

/** Orders a pack: by a plan, or again as the brand is now. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const order = await readJson(event.request, newHandoverSchema);
    const brand = await findBrand(em, event.params.brand);
    const made = 'again' in order ? orderAgain(em.fork(), brand, order.again, order.id) : orderHandover(em.fork(), brand, order);
    return json(await made, { status: 201 });
  });
