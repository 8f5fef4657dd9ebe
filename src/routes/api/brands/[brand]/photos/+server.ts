import { json } from '@sveltejs/kit';
import { withUpload } from '$lib/server/heavy/uploads';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { readQuery } from '$lib/server/http/read-query';
import { newPhotoQuerySchema, photosChangeSchema } from '$lib/server/http/schemas';
import { LARGEST_PHOTO_BYTES } from '$lib/server/photos/taken-photo';
import { findBrand } from '$lib/server/stores/brands';
import { addPhotos, listPhotos, shelvePhotos } from '$lib/server/stores/photos';
import type { RequestHandler } from './$types';

/** The photos of a brand. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json(await listPhotos(em.fork(), (await findBrand(em, event.params.brand)).id)));

/** Takes in one photo, or all pages of one PDF: the body is the file, kept as it is; in the query what it is called. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const name = readQuery(event.url, newPhotoQuerySchema).name.replace(/[\p{Cc}\p{Cs}]/gu, '') || 'photo';
    return withUpload(event.request, LARGEST_PHOTO_BYTES, async (bytes) =>
      json(await addPhotos(em, brand.id, bytes, name), { status: 201 }),
    );
  });

/** Takes photos away, or puts them back. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { photos, removed } = await readJson(event.request, photosChangeSchema);
    const brand = await findBrand(em, event.params.brand);
    await shelvePhotos(em.fork(), brand.id, photos, removed);
    return json(await listPhotos(em.fork(), brand.id));
  });
