import { json } from '@sveltejs/kit';
import { LARGEST_BRAND_FILE_BYTES } from '$lib/server/brand-file/open';
import { takeInBrand } from '$lib/server/brand-file/take-in';
import { withUpload } from '$lib/server/heavy/uploads';
import { answer } from '$lib/server/http/answer';
import type { RequestHandler } from './$types';

/** Takes in a brand from its file: the body is the file. */
export const POST: RequestHandler = (event) =>
  answer(event, (em) =>
    withUpload(event.request, LARGEST_BRAND_FILE_BYTES, async (bytes) => json(await takeInBrand(em.fork(), bytes), { status: 201 })),
  );
