import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { answer } from '$lib/server/http/answer';
import { notFound } from '$lib/server/http/problem-error';
import { readJson } from '$lib/server/http/read-json';
import { findBrand } from '$lib/server/stores/brands';
import { findDocument, isDocumentKind, saveDocument } from '$lib/server/stores/documents';
import type { RequestHandler } from './$types';

const saveSchema = z.strictObject({ base: z.number().int().min(0), content: z.unknown() });

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    if (!isDocumentKind(event.params.kind)) throw notFound('document of this kind');
    const brand = await findBrand(em, event.params.brand);
    return json(await findDocument(em, brand.id, event.params.kind));
  });

export const PUT: RequestHandler = (event) =>
  answer(event, async (em) => {
    if (!isDocumentKind(event.params.kind)) throw notFound('document of this kind');
    const { base, content } = await readJson(event.request, saveSchema);
    return json(await saveDocument(em, event.params.brand, event.params.kind, base, content));
  });
