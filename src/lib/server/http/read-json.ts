import type { z } from 'zod';
import { problemsOf } from '$core/index';
import { ProblemError, refuse } from './problem-error';
import { readBytes } from './read-bytes';

/** Largest JSON body of any route, in bytes. */
export const LARGEST_JSON_BYTES = 2 * 1024 * 1024;

/** Reads and checks a JSON body; what does not fit is refused with one sentence per fault. */
export async function readJson<S extends z.ZodType>(request: Request, schema: S): Promise<z.infer<S>> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/json\b/i.test(type))
    throw refuse(415, 'not-json', `Expected application/json, but received ${type || 'no content type'}.`);
  const text = Buffer.from(await readBytes(request, LARGEST_JSON_BYTES)).toString('utf8');
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch {
    throw refuse(400, 'malformed-json', 'The body is not valid JSON.');
  }
  const parsed = schema.safeParse(input);
  if (!parsed.success) throw new ProblemError(422, problemsOf(parsed.error, input));
  return parsed.data;
}
