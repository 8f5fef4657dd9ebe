import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { newBrandSchema } from '$lib/server/http/schemas';
import { createBrand, listBrands } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => answer(event, async (em) => json(await listBrands(em)));

export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await createBrand(em, await readJson(event.request, newBrandSchema));
    return json(brand, { status: 201, headers: { location: `/api/brands/${brand.slug}` } });
  });
