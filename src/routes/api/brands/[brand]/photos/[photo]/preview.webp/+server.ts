import { storedFile } from '$lib/server/files';
import { answer } from '$lib/server/http/answer';
import { findBrand } from '$lib/server/stores/brands';
import { photoRow } from '$lib/server/stores/photos';
import type { RequestHandler } from './$types';

/** A smaller copy of a photo, to look at. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { preview } = await photoRow(em.fork(), brand.id, event.params.photo);
    return new Response(new Uint8Array(await storedFile(preview)), {
      headers: {
        'content-type': 'image/webp',
        'cache-control': 'private, max-age=31536000, immutable',
        'content-security-policy': "default-src 'none'",
      },
    });
  });
