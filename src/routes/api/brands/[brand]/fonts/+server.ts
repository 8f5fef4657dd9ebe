import { json } from '@sveltejs/kit';
import { withUpload } from '$lib/server/heavy/uploads';
import { answer } from '$lib/server/http/answer';
import { readQuery } from '$lib/server/http/read-query';
import { newFontQuerySchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { addOwnFont, LARGEST_FONT_BYTES, ownFonts } from '$lib/server/stores/own-fonts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json((await ownFonts(em, await findBrand(em, event.params.brand))).families));

/** Takes in one font: the body is the file; in the query under which terms the client has it, and which face of a collection. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const query = readQuery(event.url, newFontQuerySchema);
    const rights = query.rights.replace(/[\p{Cc}\p{Cs}]/gu, '').slice(0, 500);
    return withUpload(event.request, LARGEST_FONT_BYTES, async (bytes) =>
      json(await addOwnFont(em, brand.id, bytes, rights, query.face), { status: 201 }),
    );
  });
