import { json } from '@sveltejs/kit';
import { writeRecipe } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { chainAnswer } from '$lib/server/http/chain-answers';
import { readJson } from '$lib/server/http/read-json';
import { gesturesSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { markChain, saveGestures } from '$lib/server/stores/marks';
import type { RequestHandler } from './$types';

/** The newest revision, and where undo and redo lead from it; or which gestures are saved. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    return chainAnswer(em, await markChain(em, brand.id, event.params.mark), event.url, 'recipe', writeRecipe);
  });

/** Appends gestures to the mark's chain of revisions. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { base, gestures } = await readJson(event.request, gesturesSchema);
    return json(await saveGestures(em, brand.id, event.params.mark, base, gestures), { status: 201 });
  });
