import { json } from '@sveltejs/kit';
import { makeAhead } from '$lib/server/client-link/files';
import { clientView, linkBehind, makeLink } from '$lib/server/client-link/links';
import { seenUnder } from '$lib/server/client-link/visit';
import { answer } from '$lib/server/http/answer';
import { logLine } from '$lib/server/http/refusals';
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
    // Whoever it is sent to finds its pictures made.
    const link = await linkBehind(em, token);
    if (link)
      void seenUnder(em, link, token)
        .then((seen) => makeAhead(em, seen))
        .catch((error: unknown) => console.error(logLine(error)));
    return json({ ...view, address: `${event.url.origin}/c/${token}` }, { status: 201 });
  });
