import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readBytes } from '$lib/server/http/read-bytes';
import { readQuery } from '$lib/server/http/read-query';
import { newPictureQuerySchema } from '$lib/server/http/schemas';
import { addPicture, LARGEST_PICTURE_BYTES } from '$lib/server/stores/brand-pictures';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Takes in one picture: the body is the file; in the query what it is called, and whether it is for a board or a mark. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const query = readQuery(event.url, newPictureQuerySchema);
    const name = query.name.replace(/[\p{Cc}\p{Cs}]/gu, '') || 'The picture';
    return json(await addPicture(em, brand.id, await readBytes(event.request, LARGEST_PICTURE_BYTES), name, query.for), { status: 201 });
  });
