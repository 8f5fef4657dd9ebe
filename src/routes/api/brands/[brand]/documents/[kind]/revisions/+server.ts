import { json } from '@sveltejs/kit';
import { answer } from '$lib/server/http/answer';
import { chainAnswer } from '$lib/server/http/chain-answers';
import { notFound } from '$lib/server/http/problem-error';
import { readJson } from '$lib/server/http/read-json';
import { documentGesturesSchema } from '$lib/server/http/schemas';
import { findBrand } from '$lib/server/stores/brands';
import { documentChain, isDocumentKind, saveDocumentGestures, writtenDocument } from '$lib/server/stores/documents';
import type { RequestHandler } from './$types';

/** The newest version, and where undo and redo lead from it; or which gestures are saved. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    if (!isDocumentKind(event.params.kind)) throw notFound('document of this kind');
    const { kind } = event.params;
    const brand = await findBrand(em, event.params.brand);
    return chainAnswer(em, await documentChain(em, brand.id, kind), event.url, 'content', (content) => writtenDocument(kind, content));
  });

/** Appends gestures to the document's chain. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em) => {
    if (!isDocumentKind(event.params.kind)) throw notFound('document of this kind');
    const { base, gestures } = await readJson(event.request, documentGesturesSchema);
    return json(await saveDocumentGestures(em, event.params.brand, event.params.kind, base, gestures), { status: 201 });
  });
