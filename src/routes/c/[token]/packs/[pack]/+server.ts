import { count, visit, whoAsks } from '$lib/server/client-link/visit';
import { packZip } from '$lib/server/handover/pack';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { notFound } from '$lib/server/http/problem-error';
import { slugOf } from '$lib/server/stores/slug';
import type { RequestHandler } from './$types';

/** A pack that the link shows, whole. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { link, brand, packs } = await visit(em, event);
    await count('file', `${link.id} ${whoAsks(event)}`);
    const pack = packs.find(({ id }) => `${id}.zip` === event.params.pack);
    if (!pack) throw notFound('pack');
    return new Response(await packZip(em, brand, pack.id), {
      headers: {
        ...pictureHeaders('application/zip', `${slugOf(brand.name) || brand.slug}_${slugOf(pack.name) || 'pack'}.zip`, true),
        'x-robots-tag': 'noindex, nofollow',
        'cache-control': 'private, no-store',
      },
    });
  });
