import { json } from '@sveltejs/kit';
import { writeRecipe } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { findBrand } from '$lib/server/stores/brands';
import { readJson } from '$lib/server/http/read-json';
import { markChangeSchema } from '$lib/server/http/schemas';
import { changeMark, findMark } from '$lib/server/stores/marks';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const mark = await findMark(em, brand.id, event.params.mark);
    return json({ ...mark, recipe: writeRecipe(mark.recipe) });
  });

/** Renames a mark, gives it another role or place in the family, archives, removes or restores it. */
export const PATCH: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const mark = await changeMark(em, brand.id, event.params.mark, await readJson(event.request, markChangeSchema));
    return json({ ...mark, recipe: writeRecipe(mark.recipe) });
  });
