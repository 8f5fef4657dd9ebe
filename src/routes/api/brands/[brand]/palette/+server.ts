import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { paletteSaveSchema } from '$lib/server/http/schemas';
import { savePalette } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

export const PUT: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { base, colors } = await readJson(event.request, paletteSaveSchema);
    return json(await savePalette(em, event.params.brand, base, colors));
  });
