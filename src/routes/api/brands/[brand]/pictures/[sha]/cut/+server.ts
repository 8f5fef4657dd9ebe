import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { cutBodySchema } from '$lib/server/http/schemas';
import { cutBrandPicture } from '$lib/server/stores/brand-pictures';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Takes the ground out of a picture of the brand: a new picture, kept beside the one it was cut from. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { strokes } = await readJson(event.request, cutBodySchema);
    return json(await cutBrandPicture(em, brand.id, event.params.sha, strokes), { status: 201 });
  });
