import type { Problem } from '$core/index';

/** A refusal that a route answers as `application/problem+json`. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly problems: readonly Problem[],
    /** Further members of the answer, such as the newer version of what could not be saved. */
    readonly extra: Readonly<Record<string, unknown>> = {},
    /** After how many seconds it is worth to ask again. */
    readonly retryS?: number,
  ) {
    super(problems.map(({ message, fix }) => [message, fix].filter(Boolean).join(' ')).join(' '));
  }
}

export const refuse = (
  status: number,
  code: string,
  message: string,
  fix?: string,
  { retryS }: { readonly retryS?: number } = {},
): ProblemError => new ProblemError(status, [{ code, message, ...(fix ? { fix } : {}) }], {}, retryS);

export const notFound = (what: string): ProblemError => refuse(404, 'not-found', `There is no ${what} at this address.`);
