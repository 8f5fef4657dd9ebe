import type { Problem } from '$core/index';
import { nameHeader } from './own-name';

/** What a route answered: its value, or its problems with whatever else it sent along. */
export type Answer<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly status: number;
      readonly problems: readonly Problem[];
      readonly body: Readonly<Record<string, unknown>>;
      /** How long the server asks to be left alone. */
      readonly retryMs?: number;
    };

const UNREACHABLE: Problem = {
  code: 'server-down',
  message: 'The server cannot be reached.',
  fix: 'Try again when it returns.',
};

/** Something answered, but not the app itself: what stands before it, or the app in its last breath. */
export const failing = (status: number): Problem => ({
  code: 'server-fails',
  message: `The server answered with an error of its own (${status}).`,
  fix: 'Try again in a moment; if it stays, its log says why.',
});

/** The JSON of an answer; where there is none, the problem that this is. @throws what reading it throws, where the server did not fail */
export async function answerOf(response: Response): Promise<unknown> {
  const text = await response.text();
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    if (response.status < 500) throw error;
    return { problems: [failing(response.status)] };
  }
}

/** A body that is JSON already. */
export class JsonText {
  constructor(readonly text: string) {}
}

/** Sends JSON to one of our routes. Never throws: a dead server is an answer with status 0, as one that is waited for no more. @param stop ends the waiting */
export async function request<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH',
  address: string,
  body?: unknown,
  stop?: AbortSignal,
): Promise<Answer<T>> {
  try {
    const response = await fetch(address, {
      method,
      ...(body === undefined
        ? {}
        : {
            headers: { 'content-type': 'application/json', ...nameHeader() },
            body: body instanceof JsonText ? body.text : JSON.stringify(body),
          }),
      signal: stop ? AbortSignal.any([stop, AbortSignal.timeout(20_000)]) : AbortSignal.timeout(20_000),
    });
    const answer = await answerOf(response);
    if (response.ok) return { ok: true, value: answer as T };
    const { problems = [failing(response.status)] } = answer as { problems?: readonly Problem[] };
    const retryMs = 1000 * (Number(response.headers.get('retry-after')) || 0);
    return { ok: false, status: response.status, problems, body: answer as Record<string, unknown>, retryMs };
  } catch {
    return { ok: false, status: 0, problems: [UNREACHABLE], body: {} };
  }
}

export const sentences = (problems: readonly Problem[]): string =>
  problems.map(({ message, fix }) => (fix ? `${message} ${fix}` : message)).join(' ');
