/** Something that input can cause to go wrong, said so that somebody can act on it. */
export interface Problem {
  /** Stable, kebab-case; for programs. */
  readonly code: string;
  /** One clear sentence: what was expected, what came. */
  readonly message: string;
  /** What to do about it. */
  readonly fix?: string;
  /** Where in the input, from the outside in. */
  readonly path?: readonly (string | number)[];
}

export type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export const fail = <T = never>(...problems: readonly Problem[]): Result<T> => ({ ok: false, problems });

/** The value, for callers that know it exists; a failure here is a programmer's mistake and throws. */
export function expect<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(result.problems.map((problem) => problem.message).join(' '));
}
