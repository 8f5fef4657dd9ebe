import { json } from '@sveltejs/kit';
import { bringIn, LARGEST_SVG_BYTES } from '$lib/server/art';
import { answer } from '$lib/server/http/answer';
import { readBytes } from '$lib/server/http/read-bytes';
import { readQuery } from '$lib/server/http/read-query';
import { bringInQuerySchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Reads a drawing made elsewhere: the body is the SVG; the answer a part without an id, and what was left out. Nothing is stored before it is in a mark. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const source = readQuery(event.url, bringInQuerySchema);
    const markup = new TextDecoder().decode(await readBytes(event.request, LARGEST_SVG_BYTES));
    return json(await bringIn(markup, source, brand.palette));
  });
