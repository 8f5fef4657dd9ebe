import { json } from '@sveltejs/kit';
import { writeRecipe } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { findBrand } from '$lib/server/stores/brands';
import { findMark } from '$lib/server/stores/marks';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const mark = await findMark(em, brand.id, event.params.mark);
    return json({ ...mark, recipe: writeRecipe(mark.recipe) });
  });
