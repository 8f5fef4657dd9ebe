import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { newBrandSchema } from '$lib/server/http/schemas';
import { createBrand, listBrands } from '$lib/server/stores/brands';
import { createMark, listMarks } from '$lib/server/stores/marks';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => answer(event, async (em) => json(await listBrands(em)));

/** Makes a brand, with its first mark where one is named: both or neither, and once however often it is asked for. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { mark, ...input } = await readJson(event.request, newBrandSchema);
    const made = await em.transactional(async (tx) => {
      const { again, ...brand } = await createBrand(tx, input);
      const first = mark && (again ? (await listMarks(tx, brand.id))[0] : await createMark(tx, brand.id, mark));
      return { ...brand, ...(first ? { mark: { id: first.id, slug: first.slug } } : {}) };
    });
    return json(made, { status: 201, headers: { location: `/api/brands/${made.slug}` } });
  });
