import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { adoptPicture, pictureFile } from '$lib/server/stores/brand-pictures';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Lets this brand show a picture that another brand has already. */
export const PUT: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    await adoptPicture(em, brand.id, event.params.sha);
    return json({ sha256: event.params.sha });
  });

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const file = await pictureFile(em, brand.id, event.params.sha);
    return new Response(new Uint8Array(file), {
      headers: {
        'content-type': 'image/webp',
        'cache-control': 'private, max-age=31536000, immutable',
        'content-security-policy': "default-src 'none'",
      },
    });
  });
