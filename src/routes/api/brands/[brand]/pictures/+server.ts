import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readBytes } from '$lib/server/http/read-bytes';
import { addPicture, LARGEST_PICTURE_BYTES } from '$lib/server/stores/board-pictures';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Takes in one picture: the body is the file, `name` in the query what it is called. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const name = event.url.searchParams.get('name')?.replace(/[\p{Cc}\p{Cs}]/gu, '') || 'The picture';
    return json(await addPicture(em, brand.id, await readBytes(event.request, LARGEST_PICTURE_BYTES), name), { status: 201 });
  });
