import { answer } from '$lib/server/http/answer';
import { rasterAnswer } from '$lib/server/http/raster-answer';
import type { RequestHandler } from './$types';

/** The mark as JPG. */
export const GET: RequestHandler = (event) => answer(event, (em) => rasterAnswer(em, event, 'jpg'));
