import { json } from '@sveltejs/kit';
import { withUpload } from '$lib/server/heavy/uploads';
import { answer } from '$lib/server/http/answer';
import { readQuery } from '$lib/server/http/read-query';
import { newPictureQuerySchema } from '$lib/server/http/schemas';
import { addPicture, listPictures } from '$lib/server/stores/brand-pictures';
import { findBrand } from '$lib/server/stores/brands';
import { LARGEST_PICTURE_BYTES } from '$lib/server/taken-picture';
import type { RequestHandler } from './$types';

/** The brand's pictures, the newest first. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json({ pictures: await listPictures(em, (await findBrand(em, event.params.brand)).id) }));

/** Takes in one picture: the body is the file; in the query what it is called, and whether it is for a board or a mark. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const query = readQuery(event.url, newPictureQuerySchema);
    const name = query.name.replace(/[\p{Cc}\p{Cs}]/gu, '') || 'The picture';
    return withUpload(event.request, LARGEST_PICTURE_BYTES, async (bytes) =>
      json(await addPicture(em, brand.id, bytes, name, query.for), { status: 201 }),
    );
  });
