import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { newPictureOrderSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { listPictureOrders, orderPicture } from '$lib/server/stores/picture-orders';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json(await listPictureOrders(em.fork(), (await findBrand(em, event.params.brand)).id)));

/** Asks for a picture in words; it is made beside the work. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { id, ...order } = await readJson(event.request, newPictureOrderSchema);
    const brand = await findBrand(em, event.params.brand);
    return json(await orderPicture(em, brand.id, id, order), { status: 202 });
  });
