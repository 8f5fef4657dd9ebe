import { brandZip } from '$lib/server/brand-file/write';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** The whole brand as one open file. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { id, slug } = await findBrand(em, event.params.brand);
    return new Response(await brandZip(em.fork(), id), { headers: pictureHeaders('application/zip', `${slug}.brand.zip`, true) });
  });
