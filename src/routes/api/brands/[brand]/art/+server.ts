import { json } from '@sveltejs/kit';
import { LARGEST_SVG_BYTES } from '$lib/server/art';
import { heavy } from '$lib/server/heavy/pool';
import { withUpload } from '$lib/server/heavy/uploads';
import { answer } from '$lib/server/http/answer';
import { readQuery } from '$lib/server/http/read-query';
import { bringInQuerySchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { ownFonts } from '$lib/server/stores/own-fonts';
import type { RequestHandler } from './$types';

/** Reads a drawing made elsewhere: the body is the SVG; the answer a part without an id, and what was left out. Nothing is stored before it is in a mark. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { families } = await ownFonts(em.fork(), await findBrand(em, event.params.brand));
    const source = readQuery(event.url, bringInQuerySchema);
    return withUpload(event.request, LARGEST_SVG_BYTES, async (bytes) =>
      json(await heavy('drawing', { markup: new TextDecoder().decode(bytes), source, ownFamilies: families })),
    );
  });
