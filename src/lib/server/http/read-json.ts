import type { z } from 'zod';
import { LARGEST_SAVE_BYTES, problemsOf } from '$core/index';
import { ProblemError, refuse } from './problem-error';
import { readBytes } from './read-bytes';

/** Largest JSON body of any route, in bytes: a recipe, and the words around it. */
export const LARGEST_JSON_BYTES = LARGEST_SAVE_BYTES + 128 * 1024;
/** Deepest nesting of a body; what we write needs about twenty. */
const DEEPEST = 200;

/** Whether JSON text nests deeper than anything of ours; read without recursion, since deeper ones break what reads them. */
function nestsTooDeep(text: string): boolean {
  let depth = 0;
  let quoted = false;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === 34) quoted = !quoted;
    else if (code === 92 && quoted) at++;
    else if (!quoted && (code === 91 || code === 123)) {
      if (++depth > DEEPEST) return true;
    } else if (!quoted && (code === 93 || code === 125)) depth--;
  }
  return false;
}

const JSON_TYPE = /^application\/json\b/i;

/** Reads and checks a JSON body; what does not fit is refused with one sentence per fault. */
export async function readJson<S extends z.ZodType>(request: Request, schema: S): Promise<z.infer<S>> {
  const type = request.headers.get('content-type') ?? '';
  if (!JSON_TYPE.test(type)) throw refuse(415, 'not-json', `Expected application/json, but received ${type || 'no content type'}.`);
  const text = Buffer.from(await readBytes(request, LARGEST_JSON_BYTES, JSON_TYPE)).toString('utf8');
  if (nestsTooDeep(text)) throw refuse(422, 'too-deep', `The body nests deeper than ${DEEPEST} levels.`);
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
