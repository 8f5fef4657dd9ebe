import type { Problem } from '$core/index';

/** A refusal that a route answers as `application/problem+json`. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly problems: readonly Problem[],
    /** Further members of the answer, such as the newer version of what could not be saved. */
    readonly extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(problems.map((problem) => problem.message).join(' '));
  }
}

export const refuse = (status: number, code: string, message: string, fix?: string): ProblemError =>
  new ProblemError(status, [{ code, message, ...(fix ? { fix } : {}) }]);

export const notFound = (what: string): ProblemError => refuse(404, 'not-found', `There is no ${what} at this address.`);
