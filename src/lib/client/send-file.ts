import type { Problem, Result } from '$core/index';
import { answerOf, failing } from './request';

const UNREACHABLE: Problem = {
  code: 'server-down',
  message: 'The server cannot be reached.',
  fix: 'Bring the file in again when it is back.',
};

/** Sends a file to one of our routes. Never throws: a dead server is a problem like any other. */
export async function sendFile<T>(address: string, body: Blob | string, type: string): Promise<Result<T>> {
  try {
    const response = await fetch(address, { method: 'POST', body, headers: { 'content-type': type || 'application/octet-stream' } });
    const answer = (await answerOf(response)) as T & { readonly problems?: readonly Problem[] };
    return response.ok ? { ok: true, value: answer } : { ok: false, problems: answer.problems ?? [failing(response.status)] };
  } catch {
    return { ok: false, problems: [UNREACHABLE] };
  }
}
