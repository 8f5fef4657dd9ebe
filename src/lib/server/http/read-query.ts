import type { z } from 'zod';
import { problemsOf } from '$core/index';
import { ProblemError } from './problem-error';

/** Reads and checks a query string. */
export function readQuery<S extends z.ZodType>(url: URL, schema: S): z.infer<S> {
  const input = Object.fromEntries(url.searchParams);
  const parsed = schema.safeParse(input);
  if (!parsed.success) throw new ProblemError(422, problemsOf(parsed.error, input));
  return parsed.data;
}
