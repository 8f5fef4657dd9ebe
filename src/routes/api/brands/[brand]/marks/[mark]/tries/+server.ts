import { json } from '@sveltejs/kit';
import { writeRecipe } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { newTrySchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { keepTry, listTries, type TryView } from '$lib/server/stores/tries';
import type { RequestHandler } from './$types';

const written = (kept: TryView) => ({ ...kept, recipe: writeRecipe(kept.recipe) });

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    return json((await listTries(em, brand.id, event.params.mark)).map(written));
  });

export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    return json(written(await keepTry(em, brand.id, event.params.mark, await readJson(event.request, newTrySchema))), { status: 201 });
  });
