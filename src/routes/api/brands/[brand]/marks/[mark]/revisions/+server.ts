import { json } from '@sveltejs/kit';
import { writeRecipe } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { gesturesSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { saveGestures, undoSteps, type Step } from '$lib/server/stores/marks';
import type { RequestHandler } from './$types';

const written = (steps: readonly Step[]) => steps.map((step) => ({ ...step, recipe: writeRecipe(step.recipe) }));

/** Where undo and redo lead from the newest revision. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { past, future } = await undoSteps(em, brand.id, event.params.mark);
    return json({ past: written(past), future: written(future) });
  });

/** Appends gestures to the mark's chain of revisions. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const brand = await findBrand(em, event.params.brand);
    const { base, gestures } = await readJson(event.request, gesturesSchema);
    const mark = await saveGestures(em, brand.id, event.params.mark, base, gestures);
    return json({ revision: mark.revision, savedAt: mark.savedAt }, { status: 201 });
  });
