import { artPicture } from '$lib/server/art';
import { answer } from '$lib/server/http/answer';
import { notFound } from '$lib/server/http/problem-error';
import { readQuery } from '$lib/server/http/read-query';
import { artPictureQuerySchema } from '$lib/server/http/schemas';
import type { RequestHandler } from './$types';

/** One piece as a small picture for lists. */
export const GET: RequestHandler = (event) =>
  answer(event, async () => {
    const { color } = readQuery(event.url, artPictureQuerySchema);
    const picture = await artPicture(`${event.params.set}/${event.params.name}`, color);
    if (!picture) throw notFound('piece of art');
    return new Response(picture, {
      headers: {
        'content-type': 'image/svg+xml',
        'x-content-type-options': 'nosniff',
        'cache-control': 'public, max-age=86400',
        'content-security-policy': "default-src 'none'",
      },
    });
  });
