import { downloadZip } from 'client-zip';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { sheetFolder } from '$lib/server/sheet';
import { findBrand } from '$lib/server/stores/brands';
import { slugOf } from '$lib/server/stores/slug';
import type { RequestHandler } from './$types';

/** The brand sheet as a folder that any browser opens. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const lastModified = new Date();
    const entries = (await sheetFolder(em, brand)).map((entry) => ({ ...entry, lastModified }));
    const { body } = downloadZip(entries, { buffersAreUTF8: true });
    return new Response(body, { headers: pictureHeaders('application/zip', `${slugOf(brand.name) || brand.slug}_brand-sheet.zip`, true) });
  });
