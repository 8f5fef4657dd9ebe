import type { z } from 'zod';
import { fail, ok, type Problem, type Result } from '../result/result';
import { problemsOf } from '../result/schema-problems';

/** Most faults mended in one document; one with more is not what it says it is. */
const MOST_MENDED = 200;

type Key = string | number;
type Issue = z.core.$ZodIssue;

/** A copy of a value with what stands at a path exchanged; `undefined` takes it out. */
function changedAt(value: unknown, [key, ...rest]: readonly Key[], change: (old: unknown) => unknown): unknown {
  if (key === undefined) return change(value);
  if (Array.isArray(value)) {
    const at = Number(key);
    const next = changedAt(value[at], rest, change);
    return next === undefined
      ? value.filter((_, index) => index !== at)
      : value.map((each: unknown, index) => (index === at ? next : each));
  }
  if (value === null || typeof value !== 'object') return value;
  const next = changedAt((value as Record<Key, unknown>)[key], rest, change);
  const others = Object.entries(value).map(([name, each]) => [name, name === String(key) ? next : each] as const);
  return Object.fromEntries(others.filter(([, each]) => each !== undefined));
}

/** Cuts a text to a number of characters, never through a pair. */
const cutTo = (text: string, most: number): string => [...text].slice(0, most).join('');

/** What stands at an issue, brought back within its limit; nothing where no limit is the fault. */
function withinLimit(issue: Issue, old: unknown): unknown {
  if ('inclusive' in issue && issue.inclusive === false) return undefined;
  if (issue.code === 'too_big' && typeof old === 'number') return Number(issue.maximum);
  if (issue.code === 'too_small' && typeof old === 'number') return Number(issue.minimum);
  if (issue.code === 'too_big' && typeof old === 'string') return cutTo(old, Number(issue.maximum));
  if (issue.code === 'too_big' && Array.isArray(old)) return old.slice(0, Number(issue.maximum));
  return undefined;
}

/**
 * Reads what was stored under wider limits than today's: numbers come back to the nearest limit, texts and lists are cut to their length.
 * @param drop whether what is wrong in any other way is left out, so that its default stands there; else it is a problem as before
 * @returns the value, and a problem for each thing that was mended
 */
export function mended<T>(
  schema: z.ZodType<T>,
  input: unknown,
  { drop }: { readonly drop: boolean },
): Result<{ readonly value: T; readonly mended: readonly Problem[] }> {
  const told: Problem[] = [];
  let current = input;
  while (told.length <= MOST_MENDED) {
    const parsed = schema.safeParse(current);
    if (parsed.success) return ok({ value: parsed.data, mended: told });
    const [issue] = parsed.error.issues;
    const problems = problemsOf(parsed.error, current);
    if (!issue || !problems[0]) return fail(...problems);
    const path = issue.path.map((key) => (typeof key === 'number' ? key : String(key)));
    const paths = issue.code === 'unrecognized_keys' ? issue.keys.map((key) => [...path, key]) : [path];
    let changed = false;
    for (const each of paths) {
      const next = changedAt(current, each, (old) => {
        const within = withinLimit(issue, old);
        changed ||= within !== undefined || (drop && each.length > 0);
        return within ?? (drop ? undefined : old);
      });
      current = next ?? current;
    }
    if (!changed) return fail(...problems);
    told.push(problems[0]);
  }
  return fail({ code: 'too-many-faults', message: `More than ${MOST_MENDED} faults: this is not what it says it is.` });
}
