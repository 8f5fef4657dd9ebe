import type { z } from 'zod';
import { problemsOf } from '$core/index';
import { ProblemError, refuse } from './problem-error';

/** Largest JSON body of any route, in bytes. */
export const LARGEST_JSON_BYTES = 2 * 1024 * 1024;

async function readText(request: Request): Promise<string> {
  const tooLarge = () => refuse(413, 'body-too-large', `Expected at most ${LARGEST_JSON_BYTES / 1024 / 1024} MB, but more was sent.`);
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_JSON_BYTES) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  if (request.body)
    for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
      size += chunk.length;
      if (size > LARGEST_JSON_BYTES) throw tooLarge();
      chunks.push(chunk);
    }
  return Buffer.concat(chunks).toString('utf8');
}

/** Reads and checks a JSON body; what does not fit is refused with one sentence per fault. */
export async function readJson<S extends z.ZodType>(request: Request, schema: S): Promise<z.infer<S>> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/json\b/i.test(type))
    throw refuse(415, 'not-json', `Expected application/json, but received ${type || 'no content type'}.`);
  const text = await readText(request);
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
