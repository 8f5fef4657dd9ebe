import { count, visit, whoAsks } from '$lib/server/client-link/visit';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders } from '$lib/server/http/picture-request';
import { sheetPdf } from '$lib/server/sheet';
import { slugOf } from '$lib/server/stores/slug';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { link, brand } = await visit(em, event);
    await count('file', `${link.id} ${whoAsks(event)}`);
    const file = await sheetPdf(em, brand);
    const headers = pictureHeaders('application/pdf', `${slugOf(brand.name) || brand.slug}_brand-sheet.pdf`, true);
    return new Response(new Uint8Array(file), {
      headers: { ...headers, 'x-robots-tag': 'noindex, nofollow', 'cache-control': 'private, no-store' },
    });
  });
