import { heavy } from '$lib/server/heavy/pool';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { notFound } from '$lib/server/http/problem-error';
import { readQuery } from '$lib/server/http/read-query';
import { pageQuerySchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { donePhoto } from '$lib/server/stores/photos';
import type { RequestHandler } from './$types';

/** A page of a marked PDF, to look at: in the query which one, from 1. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { page } = readQuery(event.url, pageQuerySchema);
    const { pages, sha256 } = await donePhoto(em.fork(), brand.id, event.params.run, event.params.file);
    if (!pages) throw notFound('marked PDF');
    const picture = await heavy('pagePicture', { sha256, number: page });
    return new Response(new Uint8Array(picture), { headers: pictureHeaders('image/webp', 'page.webp', false) });
  });
