import { formatOf } from '$core/index';
import { storedFile } from '$lib/server/files';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { findBrand } from '$lib/server/stores/brands';
import { doneFile } from '$lib/server/stores/handovers';
import type { RequestHandler } from './$types';

/** One finished file of a pack. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { name, wanted, sha256 } = await doneFile(em.fork(), brand.id, event.params.handover, event.params.file);
    const own = name.split('/').at(-1) ?? name;
    return new Response(new Uint8Array(await storedFile(sha256)), {
      headers: pictureHeaders(formatOf(wanted.format).mime, own, event.url.searchParams.get('download') === '1'),
    });
  });
