import { setTimeout as rest } from 'node:timers/promises';
import { z } from 'zod';
import { ProblemError, refuse } from '../http/problem-error';
import { LARGEST_PICTURE_BYTES } from '../taken-picture';
import type { PictureService } from './service';

/** How often a service is asked how far it is, how long one answer may take, and how long a picture. */
const ASK_AGAIN_MS = 700;
const ANSWER_MS = 20_000;
const LONGEST_MS = 15 * 60_000;
const MOST_ANSWER_BYTES = 64 * 1024;

const orderedSchema = z.object({ id: z.string().min(1).max(200) });
const stateSchema = z.object({
  state: z.enum(['waiting', 'making', 'done', 'failed']),
  done: z.number().min(0).max(1e9).default(0),
  of: z.number().min(0).max(1e9).default(0),
  reason: z.string().max(500).optional(),
});

const away = (): ProblemError =>
  new ProblemError(503, [
    { code: 'service-away', message: 'The picture service cannot be reached.', fix: 'It is tried again in a while.' },
  ]);
const strange = (what: string): ProblemError =>
  refuse(502, 'service-strange', `The picture service answered ${what}.`, 'Its address may be wrong; see docs/picture-services.md.');

/** What of a body may be read; more than that is refused, whatever its header says. */
async function bodyOf(response: Response, mostBytes: number): Promise<Uint8Array> {
  const pieces: Uint8Array[] = [];
  let sum = 0;
  for await (const piece of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    sum += piece.length;
    if (sum > mostBytes) throw strange(`with more than ${Math.round(mostBytes / 1024)} KB`);
    pieces.push(piece);
  }
  return Buffer.concat(pieces);
}

/**
 * A studio's own service, spoken to as `docs/picture-services.md` says.
 * @param address where it is, without a slash at its end
 * @param key sent as a bearer token, where there is one
 */
export function overHttp(address: string, key?: string): PictureService {
  const headers: Record<string, string> = key ? { authorization: `Bearer ${key}` } : {};
  const ask = async (
    path: string,
    init: { readonly method?: string; readonly body?: string; readonly headers?: Readonly<Record<string, string>> } = {},
  ): Promise<Response> => {
    const request = {
      ...init,
      headers: { ...headers, ...init.headers },
      redirect: 'error' as const,
      signal: AbortSignal.timeout(ANSWER_MS),
    };
    const response = await fetch(`${address}${path}`, request).catch(() => {
      throw away();
    });
    if (response.status >= 500 || response.status === 429) throw away();
    if (response.ok) return response;
    const said = z.object({ reason: z.string().max(500) }).safeParse(await response.json().catch(() => ({})));
    if (said.success) throw refuse(422, 'service-refused', said.data.reason, 'Say it in other words.');
    throw strange(`with ${response.status}`);
  };
  const read = async <S extends z.ZodType>(response: Response, schema: S): Promise<z.infer<S>> => {
    const text = new TextDecoder().decode(await bodyOf(response, MOST_ANSWER_BYTES));
    try {
      return schema.parse(JSON.parse(text));
    } catch {
      throw strange('with something else than was agreed');
    }
  };
  return {
    name: new URL(address).host,
    isStandIn: false,
    check: () => undefined,
    make: async (order, tell) => {
      const { id } = await read(
        await ask('/pictures', { method: 'POST', body: JSON.stringify(order), headers: { 'content-type': 'application/json' } }),
        orderedSchema,
      );
      const path = `/pictures/${encodeURIComponent(id)}`;
      const until = Date.now() + LONGEST_MS;
      for (;;) {
        const { state, done, of, reason } = await read(await ask(path), stateSchema);
        if (state === 'failed')
          throw refuse(422, 'service-refused', reason ?? 'The picture service could not make this picture.', 'Say it in other words.');
        if (state === 'done') return bodyOf(await ask(`${path}/file`), LARGEST_PICTURE_BYTES);
        if (Date.now() > until) throw refuse(422, 'service-slow', 'The picture service took more than 15 minutes.', 'Ask again later.');
        await tell({ done, of });
        await rest(ASK_AGAIN_MS);
      }
    },
  };
}
