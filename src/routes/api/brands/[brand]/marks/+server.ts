import { json } from '@sveltejs/kit';
import { writeRecipe } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { newMarkSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { createMark, listMarks } from '$lib/server/stores/marks';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    return json((await listMarks(em, brand.id)).map((mark) => ({ ...mark, recipe: writeRecipe(mark.recipe) })));
  });

export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const mark = await createMark(em, brand.id, await readJson(event.request, newMarkSchema));
    return json(
      { ...mark, recipe: writeRecipe(mark.recipe) },
      { status: 201, headers: { location: `/api/brands/${brand.slug}/marks/${mark.slug}` } },
    );
  });
