import { json } from '@sveltejs/kit';
import { writeRecipe } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { tryChangeSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { changeTry } from '$lib/server/stores/tries';
import type { RequestHandler } from './$types';

export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const changed = await changeTry(em, brand.id, event.params.mark, event.params.id, await readJson(event.request, tryChangeSchema));
    return json({ ...changed, recipe: writeRecipe(changed.recipe) });
  });
