import { json } from '@sveltejs/kit';
import { clientView, makeLink } from '$lib/server/client-link/links';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { newLinkSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json(await clientView(em, (await findBrand(em, event.params.brand)).id)));

/** Makes a link; its address is said in this answer and never again. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { endsAt, ...wanted } = await readJson(event.request, newLinkSchema);
    const brand = await findBrand(em, event.params.brand);
    const { token, view } = await makeLink(em, brand.id, { ...wanted, endsAt: endsAt === null ? null : new Date(endsAt) });
    return json({ ...view, address: `${event.url.origin}/c/${token}` }, { status: 201 });
  });
