import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { lookAlikes } from '$lib/server/look-alikes';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** Marks of other brands of this studio that this brand's marks look like, or share a piece of art with. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json({ found: await lookAlikes(em, await findBrand(em, event.params.brand)) }));
