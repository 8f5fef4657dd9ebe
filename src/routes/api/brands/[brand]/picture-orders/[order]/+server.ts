import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { pictureOrderChangeSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { changePictureOrder } from '$lib/server/stores/picture-orders';
import type { RequestHandler } from './$types';

/** Stops a picture that is being made, or takes one off the list. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    const change = await readJson(event.request, pictureOrderChangeSchema);
    const brand = await findBrand(em, event.params.brand);
    return json(await changePictureOrder(em, brand.id, event.params.order, change.do));
  });
