import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { brandCopySchema } from '$lib/server/http/schemas';
import { copyBrand } from '$lib/server/stores/copy-brand';
import type { RequestHandler } from './$types';

/** Copies a brand with all that is at hand of it. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const copy = await copyBrand(em, event.params.brand, await readJson(event.request, brandCopySchema));
    return json(copy, { status: 201, headers: { location: `/api/brands/${copy.slug}` } });
  });
