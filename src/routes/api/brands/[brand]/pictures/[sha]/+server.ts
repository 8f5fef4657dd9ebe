import { answer } from '$lib/server/http/answer';
import { pictureFile } from '$lib/server/stores/board-pictures';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

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
