import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { sheetPdf } from '$lib/server/sheet';
import { findBrand } from '$lib/server/stores/brands';
import { slugOf } from '$lib/server/stores/slug';
import type { RequestHandler } from './$types';

/** The brand sheet as a PDF: vectors, one page each. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const file = await sheetPdf(em, brand);
    const name = `${slugOf(brand.name) || brand.slug}_brand-sheet.pdf`;
    return new Response(new Uint8Array(file), {
      headers: pictureHeaders('application/pdf', name, event.url.searchParams.get('download') === '1'),
    });
  });
