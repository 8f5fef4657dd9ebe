import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => answer(event, async (em) => json(await findBrand(em, event.params.brand)));
