import { json } from '@sveltejs/kit';
import { artSets, findArt } from '$lib/server/art';
import { answer } from '$lib/server/http/answer';
import { readQuery } from '$lib/server/http/read-query';
import { artQuerySchema } from '$lib/server/http/schemas';
import type { RequestHandler } from './$types';

/** Searches the art that ships, by words, words alike and ideas. */
export const GET: RequestHandler = (event) =>
  answer(event, async () =>
    json({ ...findArt(readQuery(event.url, artQuerySchema)), sets: artSets() }, { headers: { 'cache-control': 'no-cache' } }),
  );
