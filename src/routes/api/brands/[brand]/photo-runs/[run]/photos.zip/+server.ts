import { downloadZip } from 'client-zip';
import { filePieces } from '$lib/server/files';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { findBrand } from '$lib/server/stores/brands';
import { donePhotos } from '$lib/server/stores/photos';
import { slugOf } from '$lib/server/stores/slug';
import type { RequestHandler } from './$types';

/** All marked photos of a run, as one file. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { row, files } = await donePhotos(em.fork(), brand.id, event.params.run);
    const zip = downloadZip(files.map(({ name, sha256 }) => ({ name, lastModified: row.createdAt, input: filePieces(sha256) }))).body;
    const fileName = `${slugOf(brand.name) || brand.slug}-photos-${row.number}.zip`;
    return new Response(zip, { headers: pictureHeaders('application/zip', fileName, true) });
  });
