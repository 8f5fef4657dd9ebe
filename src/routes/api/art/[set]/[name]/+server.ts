import { json } from '@sveltejs/kit';
import { artPiece } from '$lib/server/art';
import { answer } from '$lib/server/http/answer';
import { notFound } from '$lib/server/http/problem-error';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** One piece as a part without an id; `brand` in the query gives its colors the nearest roles of that brand's palette. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const slug = event.url.searchParams.get('brand');
    const palette = slug ? (await findBrand(em, slug)).palette : undefined;
    const piece = await artPiece(`${event.params.set}/${event.params.name}`, palette);
    if (!piece) throw notFound('piece of art');
    return json(piece, { headers: { 'cache-control': 'no-cache' } });
  });
