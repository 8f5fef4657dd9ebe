import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readBytes } from '$lib/server/http/read-bytes';
import { findBrand } from '$lib/server/stores/brands';
import { addOwnFont, LARGEST_FONT_BYTES, ownFonts } from '$lib/server/stores/own-fonts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => answer(event, async (em) => json((await ownFonts(em, await findBrand(em, event.params.brand))).families));

/** Takes in one font: the body is the file, `rights` in the query says under which terms the client has it. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const rights = (event.url.searchParams.get('rights') ?? '').replace(/[\p{Cc}\p{Cs}]/gu, '').slice(0, 500);
    return json(await addOwnFont(em, brand.id, await readBytes(event.request, LARGEST_FONT_BYTES), rights), { status: 201 });
  });
