import type { z } from 'zod';
import type { Problem } from './result';

const at = (input: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (value, key) => (value !== null && typeof value === 'object' ? (value as Record<PropertyKey, unknown>)[key] : undefined),
    input,
  );

const shown = (value: unknown): string => {
  if (value === undefined) return 'nothing';
  if (typeof value === 'number') return String(value);
  const text =
    typeof value === 'string'
      ? `“${value}”`
      : Array.isArray(value)
        ? `a list of ${value.length}`
        : (JSON.stringify(value) ?? String(value));
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
};

/** What was expected, in words; schemas' own sentences are kept where they have one. */
function expectation(issue: z.core.$ZodIssue): string {
  const many = (n: number | bigint) => Number(n).toLocaleString('en');
  const counted =
    'origin' in issue && issue.origin === 'string' ? ' letters' : 'origin' in issue && issue.origin === 'array' ? ' entries' : '';
  if (issue.code === 'too_small') return `expected at least ${many(issue.minimum)}${counted}`;
  if (issue.code === 'too_big') return `expected at most ${many(issue.maximum)}${counted}`;
  if (issue.code === 'invalid_type') return `expected ${issue.expected === 'int' ? 'a whole number' : `a value of type ${issue.expected}`}`;
  if (issue.code === 'unrecognized_keys') return `${issue.keys.map((key) => `“${key}”`).join(', ')} is not known here`;
  return issue.message.replace(/^Invalid input: /, '').replace(/^./, (first) => first.toLowerCase());
}

/** Turns what a schema found wrong into problems with a sentence each: where, what was expected, what came. */
export function problemsOf(error: z.ZodError, input: unknown): readonly Problem[] {
  return error.issues.map((issue) => {
    const path = issue.path.map((key) => (typeof key === 'number' ? key : String(key)));
    // A reader of the core has said it whole already.
    if (issue.code === 'custom' && issue.params?.['said'] === true) return { code: 'custom', path, message: issue.message };
    const place = path.length === 0 ? 'The document' : `“${path.join('.')}”`;
    const received = issue.code === 'unrecognized_keys' ? '' : `, but received ${shown(at(input, issue.path))}`;
    return { code: issue.code.replaceAll('_', '-'), path, message: `${place}: ${expectation(issue)}${received}.` };
  });
}
