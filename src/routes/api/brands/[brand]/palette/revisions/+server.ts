import { json } from '@sveltejs/kit';
import { paletteForm, writtenForm } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { chainAnswer } from '$lib/server/http/chain-answers';
import { readJson } from '$lib/server/http/read-json';
import { paletteGesturesSchema } from '$lib/server/http/schemas';
import { paletteChain, savePaletteGestures } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** The newest palette, and where undo and redo lead from it; or which gestures are saved. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) =>
    chainAnswer(em, await paletteChain(em, event.params.brand), event.url, 'content', (colors) => writtenForm(paletteForm, colors)),
  );

/** Appends gestures to the brand's chain of palettes. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { base, gestures } = await readJson(event.request, paletteGesturesSchema);
    return json(await savePaletteGestures(em, event.params.brand, base, gestures), { status: 201 });
  });
