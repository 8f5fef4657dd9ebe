import { randomUUID } from 'node:crypto';
import { createServer, type IncomingMessage, type Server } from 'node:http';
import sharp from 'sharp';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { ProblemError } from '../../src/lib/server/http/problem-error';
import { overHttp } from '../../src/lib/server/picture-services/over-http';
import { palette, read, send } from '../support/api';
import { startTestApp } from '../support/test-app';

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

interface Order {
  readonly id: string;
  readonly words: string;
  readonly state: string;
  readonly done: number;
  readonly of: number;
  readonly picture: { readonly sha256: string; readonly widthPx: number } | null;
}
interface Orders {
  readonly service: { readonly isStandIn: boolean; readonly knows: readonly string[] };
  readonly orders: readonly Order[];
  readonly problems?: readonly { readonly code: string; readonly message: string; readonly fix: string }[];
}

describe('pictures from words', () => {
  let app: Awaited<ReturnType<typeof startTestApp>>;
  let worker: Awaited<ReturnType<typeof app.worker>>;
  let home = '';
  let elsewhere = '';
  beforeAll(async () => {
    app = await startTestApp({ demo: false });
    worker = await app.worker();
    const brand = async (name: string) =>
      `${app.url}/api/brands/${(await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name, palette })).value.slug}`;
    home = await brand('Worded');
    elsewhere = await brand('Elsewhere');
  });
  afterAll(async () => {
    await worker.stop();
    await app.stop();
  });
  const ask = (words: string, more: object = {}) =>
    send<Orders>(`${home}/picture-orders`, 'POST', { id: randomUUID(), words, ground: 'plain', seed: 1, ...more });
  const orderOf = async (id: string) => (await read<Orders>(`${home}/picture-orders`)).orders.find((each) => each.id === id);
  async function until(id: string, right: (order: Order) => boolean): Promise<Order> {
    for (let n = 0; n < 900; n++) {
      const order = await orderOf(id);
      if (order && right(order)) return order;
      await sleep(100);
    }
    throw new Error('It did not come.');
  }
  const change = (id: string, what: string, at = home) => send<Orders>(`${at}/picture-orders/${id}`, 'PATCH', { do: what });

  it('are made beside the work, with progress, and become pictures of the brand', async () => {
    const id = randomUUID();
    const { status, value } = await ask('a blue whale', { id });
    expect(status).toBe(202);
    expect(value.service.isStandIn).toBe(true);
    expect(value.service.knows.length).toBeGreaterThanOrEqual(20);
    const under = await until(id, ({ done, state }) => done > 0 || state === 'done');
    expect(under.done).toBeLessThanOrEqual(under.of);
    const { picture } = await until(id, ({ state }) => state === 'done');
    expect(picture?.widthPx).toBe(1000);
    const file = Buffer.from(await (await fetch(`${home}/pictures/${picture?.sha256}`)).arrayBuffer());
    const { width, height, hasAlpha } = await sharp(file).metadata();
    expect([width, height, hasAlpha]).toEqual([1000, 1000, false]);
    expect((await fetch(`${elsewhere}/pictures/${picture?.sha256}`)).status).toBe(404);
    // The same id again is the same picture.
    expect((await ask('a blue whale', { id })).value.orders.filter((each) => each.id === id)).toHaveLength(1);
    expect((await send<Orders>(`${elsewhere}/picture-orders`, 'POST', { id, words: 'fox', ground: 'plain', seed: 1 })).status).toBe(409);
    await change(id, 'remove');
    expect(await orderOf(id)).toBeUndefined();
    expect((await fetch(`${home}/pictures/${picture?.sha256}`)).status).toBe(200);
  });

  it('go on when their worker is killed in the middle', async () => {
    const id = randomUUID();
    await ask('busy shore', { id, ground: 'busy' });
    await until(id, ({ done }) => done > 0);
    await worker.kill();
    worker = await app.worker();
    expect((await until(id, ({ state }) => state === 'done')).picture?.widthPx).toBe(1000);
  });

  it('are stopped, and what comes after them is made', async () => {
    const [first, second] = [randomUUID(), randomUUID()];
    await ask('lighthouse', { id: first });
    await until(first, ({ done, state }) => done > 0 || state === 'done');
    await change(first, 'stop');
    expect((await orderOf(first))?.state).toBe('stopped');
    await ask('pear', { id: second });
    await until(second, ({ state }) => state === 'done');
    expect((await orderOf(first))?.state).toBe('stopped');
  });

  it('are refused in a sentence, and nothing is written', async () => {
    const before = (await read<Orders>(`${home}/picture-orders`)).orders.length;
    const unknown = await ask('a castle in 東京');
    expect(unknown.status).toBe(422);
    expect(unknown.value.problems?.[0]?.message).toBe('The stand-in knows no picture of “a castle in 東京”.');
    expect(unknown.value.problems?.[0]?.fix).toContain('lighthouse');
    for (const more of [
      { words: '' },
      { words: 'x'.repeat(301) },
      { ground: 'sea' },
      { seed: -1 },
      { seed: 0.5 },
      { id: 'no' },
      { extra: 1 },
    ])
      expect((await ask('fox', more)).status, JSON.stringify(more)).toBe(422);
    expect((await change(randomUUID(), 'stop')).status).toBe(404);
    expect((await change('x', 'stop')).status).toBe(404);
    expect((await read<Orders>(`${home}/picture-orders`)).orders).toHaveLength(before);
  });

  it('no more than eight are under way at once', async () => {
    const statuses = [];
    for (let n = 0; n < 12; n++) statuses.push((await ask('owl', { seed: n })).status);
    expect(statuses).toContain(429);
    for (const { id, state } of (await read<Orders>(`${home}/picture-orders`)).orders) if (state !== 'done') await change(id, 'stop');
  });
});

describe('a service of one’s own', () => {
  let server: Server | undefined;
  afterEach(() => new Promise((resolve) => (server ? server.close(() => resolve(undefined)) : resolve(undefined))));
  type Reply = readonly [status: number, body: unknown];
  /** A service that answers as it is told. */
  function serve(reply: (request: IncomingMessage, body: string, nth: number) => Reply): Promise<string> {
    let asked = 0;
    server = createServer((request, response) => {
      let body = '';
      request.on('data', (piece: Buffer) => (body += piece.toString()));
      request.on('end', () => {
        const [status, answer] = reply(request, body, ++asked);
        response.writeHead(status, status >= 300 && status < 400 ? { location: '/elsewhere' } : {});
        response.end(answer instanceof Uint8Array ? answer : JSON.stringify(answer));
      });
    });
    return new Promise((resolve) =>
      server?.listen(0, '127.0.0.1', () => {
        const at = server?.address();
        resolve(`http://127.0.0.1:${typeof at === 'object' ? at?.port : ''}`);
      }),
    );
  }
  const order = { words: 'red mug', ground: 'plain', seed: 2 } as const;
  const refusal = async (address: string) => {
    const error = await overHttp(address)
      .make(order, () => Promise.resolve())
      .then(() => undefined)
      .catch((thrown: unknown) => thrown as ProblemError);
    return [error?.status, error?.problems[0]?.code];
  };

  it('is asked as the document says: ordered once, with its key, looked at until it is done, then fetched', async () => {
    const png = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#b5482d' } })
      .png()
      .toBuffer();
    const seen: string[] = [];
    const address = await serve((request, body, nth) => {
      seen.push(`${request.method} ${request.url} ${request.headers.authorization} ${body}`);
      if (request.method === 'POST') return [200, { id: 'a/b' }];
      if (request.url?.endsWith('/file')) return [200, png];
      return [200, nth < 4 ? { state: 'making', done: nth, of: 4 } : { state: 'done' }];
    });
    const told: number[] = [];
    const bytes = await overHttp(address, 'secret').make(order, ({ done }) => Promise.resolve(void told.push(done)));
    expect(Buffer.from(bytes).equals(png)).toBe(true);
    expect(told).toEqual([2, 3]);
    expect(seen[0]).toBe(`POST /pictures Bearer secret ${JSON.stringify(order)}`);
    expect(seen.at(-1)).toBe('GET /pictures/a%2Fb/file Bearer secret ');
  });
  it('its reason is said; what may pass is tried again; what was not agreed is refused', async () => {
    expect(await refusal(await serve(() => [400, { reason: 'No castles here.' }]))).toEqual([422, 'service-refused']);
    server?.close();
    expect(await refusal(await serve(() => [503, {}]))).toEqual([503, 'service-away']);
    server?.close();
    expect(await refusal(await serve(() => [302, {}]))).toEqual([503, 'service-away']);
    server?.close();
    expect(await refusal(await serve(() => [200, 'what']))).toEqual([502, 'service-strange']);
    server?.close();
    expect(await refusal(await serve(() => [200, { id: 'x'.repeat(90_000) }]))).toEqual([502, 'service-strange']);
    server?.close();
    expect(
      await refusal(await serve(({ method }) => [200, method === 'POST' ? { id: '1' } : { state: 'failed', reason: 'Too dark.' }])),
    ).toEqual([422, 'service-refused']);
    server?.close();
    expect(await refusal('http://127.0.0.1:1')).toEqual([503, 'service-away']);
  });
});
