import { storedFile } from '$lib/server/files';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { findBrand } from '$lib/server/stores/brands';
import { donePhoto } from '$lib/server/stores/photos';
import type { RequestHandler } from './$types';

const MIME: Readonly<Record<string, string>> = {
  jpg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
  tif: 'image/tiff',
  avif: 'image/avif',
  pdf: 'application/pdf',
};

/** One marked photo. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { name, sha256 } = await donePhoto(em.fork(), brand.id, event.params.run, event.params.file);
    const mime = MIME[name.split('.').at(-1) ?? ''] ?? 'application/octet-stream';
    return new Response(new Uint8Array(await storedFile(sha256)), {
      headers: pictureHeaders(mime, name, event.url.searchParams.get('download') === '1'),
    });
  });
