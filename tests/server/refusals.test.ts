import { readdirSync, readFileSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { join } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { palette, send } from '../support/api';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let brand: string;
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  const recipe = { version: 1, parts: [{ kind: 'lettering', id: 'name', text: 'Table', font: { family: 'jost' } }] };
  const made = await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', {
    name: 'Table',
    palette,
    mark: { name: 'Primary', role: 'primary', recipe },
  });
  brand = made.value.slug;
});
afterAll(() => app.stop());

/** Every server route there is, read from the folders, with the methods that each one exports. */
const ROUTES = (() => {
  const found: { readonly path: string; readonly methods: readonly string[] }[] = [];
  const walk = (folder: string, path: string): void => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      if (entry.isDirectory()) walk(join(folder, entry.name), `${path}/${entry.name}`);
      else if (entry.name === '+server.ts')
        found.push({
          path,
          methods: [...readFileSync(join(folder, entry.name), 'utf8').matchAll(/export const (GET|POST|PUT|PATCH)\b/g)].map(
            (m) => m[1] ?? '',
          ),
        });
    }
  };
  walk('src/routes', '');
  return found;
})();
const KNOWN: Readonly<Record<string, string>> = {
  brand: '',
  mark: 'primary',
  kind: 'brief',
  sha: '0'.repeat(64),
  id: 'x',
  family: 'own-x',
  set: 'ph',
  name: 'anchor',
  file: 'none.ttf',
};
const filled = (path: string, wrong?: { readonly name: string; readonly value: string }): string =>
  path.replace(/\[(?:\.\.\.)?(\w+)\]/g, (_, name: string) =>
    name === wrong?.name ? wrong.value : name === 'brand' ? brand : (KNOWN[name] ?? 'x'),
  );

/** Whatever somebody may write into an address. */
const WRONG = [
  'constructor',
  '__proto__',
  '%00',
  '%E0%A4%A',
  'not-a-uuid',
  '..%2F..%2Fetc%2Fpasswd',
  'x'.repeat(3000),
  '🌿',
  '%27;drop table brand;--',
  'toString',
];
/** Whatever somebody may send as a body. */
const BODIES: readonly (readonly [what: string, body: string | Uint8Array, type: string])[] = [
  ['nothing', '', 'application/json'],
  ['no JSON', '{', 'application/json'],
  ['null', 'null', 'application/json'],
  ['a list', '[]', 'application/json'],
  ['another type', '{}', 'text/plain'],
  ['a form', 'a=1', 'application/x-www-form-urlencoded'],
  ['unknown fields', '{"hasOwnProperty":1,"__proto__":{"x":1}}', 'application/json'],
  ['NUL', '{"name":"a\\u0000b","about":"\\u0000","base":1,"content":"\\u0000","removed":false}', 'application/json'],
  ['deep nesting', `{"base":0,"content":${'['.repeat(5000)}${']'.repeat(5000)}}`, 'application/json'],
  [
    'deep unknown parts',
    `{"name":"x","role":"primary","recipe":{"version":1,"parts":[{"kind":"new","id":"x","of":${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}}]}}`,
    'application/json',
  ],
  ['noise', new Uint8Array(5000).map((_, at) => (at * 7919) % 256), 'application/octet-stream'],
];

const ask = (method: string, address: string, body?: BodyInit, type?: string) =>
  fetch(`${app.url}${address}`, {
    method,
    ...(body === undefined ? {} : { body }),
    headers: type ? { 'content-type': type } : {},
    redirect: 'manual',
  });

describe('every route', () => {
  it('answers whatever stands in its address with less than 500, and what is refused as a typed problem', async () => {
    const off: string[] = [];
    for (const { path, methods } of ROUTES) {
      if (path === '/api/events') continue;
      for (const name of [...path.matchAll(/\[(?:\.\.\.)?(\w+)\]/g)].map((match) => match[1] ?? ''))
        for (const value of WRONG)
          for (const method of methods) {
            const response = await ask(
              method,
              filled(path, { name, value }),
              method === 'GET' ? undefined : '{}',
              method === 'GET' ? undefined : 'application/json',
            );
            const text = await response.text();
            if (response.status >= 500 || /at .*\(.*:\d+:\d+\)|node_modules|\/work\//.test(text))
              off.push(`${method} ${path} ${name}=${value}: ${response.status} ${text.slice(0, 120)}`);
          }
    }
    expect(off).toEqual([]);
    expect(ROUTES.length).toBeGreaterThan(20);
  });

  it('answers whatever is sent to it with less than 500, and a problem says what is wrong', async () => {
    const off: string[] = [];
    for (const { path, methods } of ROUTES)
      for (const method of methods.filter((each) => each !== 'GET'))
        for (const [what, body, type] of BODIES) {
          const response = await ask(method, filled(path), body as BodyInit, type);
          const text = await response.text();
          // Forms of other sites are turned away before any route is asked; signing out takes no body, and leads elsewhere.
          const typed =
            response.ok ||
            response.status === 403 ||
            (path === '/sign-out' && response.status === 303) ||
            /problem\+json/.test(response.headers.get('content-type') ?? '');
          if (response.status >= 500 || !typed) off.push(`${method} ${path} with ${what}: ${response.status} ${text.slice(0, 160)}`);
        }
    expect(off).toEqual([]);
  });

  it('carries the headers that keep answers where they belong; data is not kept', async () => {
    for (const [address, kind] of [
      ['/api/brands', 'data'],
      ['/api/health', 'data'],
      [`/api/brands/nobody`, 'data'],
      [`/brands/${brand}/brief`, 'page'],
      ['/thistle.svg', 'file'],
    ] as const) {
      const { headers } = await ask('GET', address);
      expect([headers.get('x-content-type-options'), headers.get('cross-origin-resource-policy')], address).toEqual([
        'nosniff',
        'same-origin',
      ]);
      expect(headers.get('content-security-policy'), address).toContain("frame-ancestors 'none'");
      if (kind === 'data') {
        expect(headers.get('content-security-policy'), address).toContain("default-src 'none'");
        expect(headers.get('cache-control'), address).toBe('no-store');
      }
    }
  });

  it('answers only to names that are this machine’s own', async () => {
    const { port } = new URL(app.url);
    const byHost = (host: string) =>
      new Promise<number>((resolve) =>
        httpRequest({ host: '127.0.0.1', port, path: '/api/brands', headers: { host } }, (response) => {
          response.resume();
          resolve(response.statusCode ?? 0);
        }).end(),
      );
    expect(
      await Promise.all(
        [`127.0.0.1:${port}`, `localhost:${port}`, 'evil.example', `evil.example:${port}`, '127.0.0.1.evil.example'].map(byHost),
      ),
    ).toEqual([200, 200, 421, 421, 421]);
  });
});

describe('hostile and heavy files', () => {
  const svg = (d: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><path d="${d}" stroke="#000" fill="none"/></svg>`;
  const bring = (markup: string) => ask('POST', `/api/brands/${brand}/art`, markup, 'image/svg+xml');

  it('of 10,000 crossing lines are refused in a moment, and the server answers meanwhile', async () => {
    let state = 7;
    const next = () => ((state = (state * 48271) % 2147483647) / 2147483647) * 1000;
    const lines = Array.from(
      { length: 10_000 },
      () => `M${next().toFixed(1)} ${next().toFixed(1)}L${next().toFixed(1)} ${next().toFixed(1)}`,
    ).join('');
    const refused = bring(svg(lines));
    expect((await ask('GET', '/api/health')).status).toBe(200);
    const answer = await refused;
    expect([answer.status, ((await answer.json()) as { problems: { code: string }[] }).problems[0]?.code]).toEqual([
      422,
      'svg-too-tangled',
    ]);
  });

  it('a body over the limit is answered with the sentence, however it is sent', async () => {
    for (let n = 0; n < 5; n++) {
      const answer = await bring('x'.repeat(8 * 1024 * 1024));
      expect([answer.status, ((await answer.json()) as { detail: string }).detail]).toEqual([
        413,
        'Expected at most 6 MB, but more was sent.',
      ]);
    }
  });

  it('the same picture six times at once is one picture', async () => {
    const sharp = (await import('sharp')).default;
    const png = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#b5482d' } })
      .png()
      .toBuffer();
    const answers = await Promise.all(
      Array.from({ length: 6 }, () => ask('POST', `/api/brands/${brand}/pictures?name=same.png`, new Uint8Array(png), 'image/png')),
    );
    expect(answers.map(({ status }) => status)).toEqual([201, 201, 201, 201, 201, 201]);
    expect(new Set(await Promise.all(answers.map(async (answer) => ((await answer.json()) as { sha256: string }).sha256))).size).toBe(1);
  });
});

describe('where every connection to the database is taken', () => {
  it('health still answers, requests are told that the server is busy, and nothing else', async () => {
    const [client, watch] = [0, 1].map(() => new pg.Client({ connectionString: app.databaseUrl })) as [pg.Client, pg.Client];
    await Promise.all([client.connect(), watch.connect()]);
    try {
      await client.query('begin');
      await client.query('lock table "brand" in access exclusive mode');
      const asked = Array.from({ length: 14 }, () => fetch(`${app.url}/api/brands`));
      const told: string[] = [];
      for (const each of asked)
        void each.then(async (response) => {
          const { type } = (await response.json()) as { type?: string };
          if (type) told.push(type);
        });
      const taken = async () =>
        Number(
          (
            await watch.query<{ n: string }>(
              "select count(*) as n from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'",
            )
          ).rows[0]?.n,
        );
      await expect.poll(taken).toBe(10);
      expect((await fetch(`${app.url}/api/health`)).status).toBe(200);
      await expect.poll(() => told).toEqual(Array<string>(4).fill('urn:lucky-thistle:problem:busy'));
      await client.query('rollback');
      const answers = await Promise.all(asked);
      expect(answers.map(({ status }) => status).sort()).toEqual([...Array<number>(10).fill(200), ...Array<number>(4).fill(503)]);
    } finally {
      await Promise.all([client.end(), watch.end()]);
    }
  });
});
