import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { softenBodySchema } from '$lib/server/http/schemas';
import { softenBrandPicture } from '$lib/server/stores/brand-pictures';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Blurs a picture of the brand: a new picture, kept beside the one that it was. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { percent } = await readJson(event.request, softenBodySchema);
    return json(await softenBrandPicture(em, brand.id, event.params.sha, percent), { status: 201 });
  });
