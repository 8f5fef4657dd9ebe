import { isFormat } from '$core/index';
import { answer } from '$lib/server/http/answer';
import { fileAnswer } from '$lib/server/http/file-answer';
import { notFound } from '$lib/server/http/problem-error';
import type { RequestHandler } from './$types';

/** The mark as a file, in one of the formats. */
export const GET: RequestHandler = (event) =>
  answer(event, (em) => {
    const { format } = event.params;
    if (!isFormat(format)) throw notFound('file format of this name');
    return fileAnswer(em, event, format);
  });
