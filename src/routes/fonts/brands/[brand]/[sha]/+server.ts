import { answer } from '$lib/server/http/answer';
import { findBrand } from '$lib/server/stores/brands';
import { ownFontData } from '$lib/server/stores/own-fonts';
import type { RequestHandler } from './$types';

/** A client's own font, for its own brand only. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const data = await ownFontData(em, brand.id, event.params.sha);
    return new Response(new Uint8Array(data), {
      headers: { 'content-type': 'font/sfnt', 'cache-control': 'private, max-age=31536000, immutable' },
    });
  });
