import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { readJson } from '$lib/server/http/read-json';
import { printOrderSchema } from '$lib/server/http/schemas';
import { listPrintOrders, sendToDesk } from '$lib/server/print-desk/letters';
import { findBrand } from '$lib/server/stores/brands';
import type { RequestHandler } from './$types';

/** What was sent to the print desk, and its answers. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => json(await listPrintOrders(em.fork(), (await findBrand(em, event.params.brand)).id)));

/** Sends a finished file to the print desk, which answers in its own time. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    const order = await readJson(event.request, printOrderSchema);
    return json(await sendToDesk(em.fork(), (await findBrand(em, event.params.brand)).id, order), { status: 202 });
  });
