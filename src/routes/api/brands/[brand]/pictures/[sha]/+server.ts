import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readQuery } from '$lib/server/http/read-query';
import { loanQuerySchema } from '$lib/server/http/schemas';
import { lendPicture, pictureFile } from '$lib/server/stores/brand-pictures';
import { findBrand } from '$lib/server/stores/brands';
import { isPng } from '$lib/server/taken-picture';
import type { RequestHandler } from './$types';

/** Lends this brand a picture of the brand that the query names; who lent it is recorded. */
export const PUT: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    await lendPicture(em, brand.id, event.params.sha, readQuery(event.url, loanQuerySchema).from);
    return json({ sha256: event.params.sha });
  });

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const file = await pictureFile(em, brand.id, event.params.sha);
    return new Response(new Uint8Array(file), {
      headers: {
        'content-type': isPng(file) ? 'image/png' : 'image/webp',
        'cache-control': 'private, max-age=31536000, immutable',
        'content-security-policy': "default-src 'none'",
      },
    });
  });
