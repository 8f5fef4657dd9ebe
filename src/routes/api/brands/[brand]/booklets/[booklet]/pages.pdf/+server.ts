import { bookletPdf } from '$lib/server/booklet';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { findBrand } from '$lib/server/stores/brands';
import { slugOf } from '$lib/server/stores/slug';
import type { RequestHandler } from './$types';

/** All pages of a booklet as one PDF. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { file, name } = await bookletPdf(em, brand, event.params.booklet);
    const called = `${slugOf(brand.name) || brand.slug}_${slugOf(name) || 'pages'}.pdf`;
    return new Response(new Uint8Array(file), {
      headers: pictureHeaders('application/pdf', called, event.url.searchParams.get('download') === '1'),
    });
  });
