import { answer } from '$lib/server/http/answer';
import { packZip } from '$lib/server/handover/pack';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { findBrand } from '$lib/server/stores/brands';
import { handoverView } from '$lib/server/stores/handovers';
import { slugOf } from '$lib/server/stores/slug';
import type { RequestHandler } from './$types';

/** A complete pack, as one file. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { id, name, number } = await handoverView(em.fork(), brand, event.params.handover);
    const fileName = `${slugOf(brand.name) || brand.slug}-${slugOf(name) || 'pack'}-${number}.zip`;
    return new Response(await packZip(em.fork(), brand, id), { headers: pictureHeaders('application/zip', fileName, true) });
  });
