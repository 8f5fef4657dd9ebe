import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nameRecipe, palette } from '../support/api';
import { Visitor } from '../support/signed-in';
import { OWNER, people, startTestApp } from '../support/test-app';

/** Who may come; whoever may not is told to sign in (401, or the page for it), or that their role does not allow it (403). */
type Needed = 'anyone' | 'viewer' | 'designer' | 'owner' | 'nobody';
const RANK = ['anyone', 'viewer', 'designer', 'owner', 'nobody'] as const;

/** What must come, route by route: for reading, and for each way to write that the route has. */
const TABLE: Readonly<Record<string, readonly [string, Needed][]>> = {
  '/': [['GET', 'viewer']],
  '/library': [['GET', 'viewer']],
  '/people': [
    ['GET', 'owner'],
    ['POST', 'owner'],
  ],
  '/you': [
    ['GET', 'viewer'],
    ['POST', 'viewer'],
  ],
  '/sign-in': [
    ['GET', 'anyone'],
    ['POST', 'anyone'],
  ],
  '/sign-out': [
    ['POST', 'viewer'],
    ['GET', 'nobody'],
  ],
  '/c/[token]': [
    ['GET', 'anyone'],
    ['POST', 'anyone'],
  ],
  '/c/[token]/files/[file]': [['GET', 'anyone']],
  '/c/[token]/packs/[pack]': [['GET', 'anyone']],
  '/c/[token]/sheet.pdf': [['GET', 'anyone']],
  '/fonts/[...file]': [['GET', 'viewer']],
  '/fonts/brands/[brand]/[sha]': [['GET', 'viewer']],
  ...Object.fromEntries(
    ['brief', 'color', 'family', 'handover', 'marks', 'marks/[mark]', 'photos', 'pieces', 'proof', 'sheet', 'type'].map((room) => [
      `/brands/[brand]/${room}`,
      [['GET', 'viewer']],
    ]),
  ),
  '/api/art': [['GET', 'viewer']],
  '/api/art/[set]/[name]': [['GET', 'viewer']],
  '/api/art/[set]/[name]/picture.svg': [['GET', 'viewer']],
  '/api/brand-files': [['POST', 'designer']],
  '/api/brands': [
    ['POST', 'designer'],
    ['GET', 'viewer'],
  ],
  '/api/events': [['GET', 'viewer']],
  '/api/fonts': [['GET', 'viewer']],
  '/api/health': [
    ['GET', 'anyone'],
    ['POST', 'nobody'],
  ],
  ...Object.fromEntries(
    (
      [
        ['', 'GET', 'PATCH'],
        ['/art', 'POST'],
        ['/booklets/[booklet]/pages.pdf', 'GET'],
        ['/brand-file', 'GET'],
        ['/copies', 'POST'],
        ['/documents/[kind]', 'GET', 'PUT'],
        ['/documents/[kind]/revisions', 'GET', 'POST'],
        ['/fonts', 'GET', 'POST'],
        ['/fonts/[family]', 'PATCH'],
        ['/handovers', 'GET', 'POST'],
        ['/handovers/[handover]', 'GET', 'PATCH'],
        ['/handovers/[handover]/files/[file]', 'GET'],
        ['/handovers/[handover]/pack.zip', 'GET'],
        ['/links', 'GET', 'POST'],
        ['/links/[link]', 'PATCH'],
        ['/look-alikes', 'GET'],
        ['/marks', 'GET', 'POST'],
        ['/marks/[mark]', 'GET', 'PATCH'],
        ['/marks/[mark]/goods/[scene]', 'GET'],
        ['/marks/[mark]/picture.[format]', 'GET', 'POST'],
        ['/marks/[mark]/revisions', 'GET', 'POST'],
        ['/marks/[mark]/tries', 'GET', 'POST'],
        ['/marks/[mark]/tries/[id]', 'PATCH'],
        ['/notes/[note]', 'PATCH'],
        ['/palette', 'PUT'],
        ['/palette/revisions', 'GET', 'POST'],
        ['/photo-runs', 'GET', 'POST'],
        ['/photo-runs/[run]', 'GET', 'PATCH'],
        ['/photo-runs/[run]/files/[file]', 'GET'],
        ['/photo-runs/[run]/files/[file]/look.webp', 'GET'],
        ['/photo-runs/[run]/photos.zip', 'GET'],
        ['/photos', 'GET', 'POST', 'PATCH'],
        ['/photos/[photo]/preview.webp', 'GET'],
        ['/picture-orders', 'GET', 'POST'],
        ['/picture-orders/[order]', 'PATCH'],
        ['/pictures', 'GET', 'POST'],
        ['/pictures/[sha]', 'GET', 'PUT'],
        ['/pictures/[sha]/cut', 'POST'],
        ['/pictures/[sha]/softened', 'POST'],
        ['/print-orders', 'GET', 'POST'],
        ['/sheet.pdf', 'GET'],
        ['/sheet.zip', 'GET'],
      ] as const
    ).map(([under, ...methods]) => [
      `/api/brands/[brand]${under}`,
      methods.map((method) => [method, method === 'GET' ? 'viewer' : 'designer']),
    ]),
  ),
};

/** All routes that the app has, by its files. */
const ROUTES = [
  ...new Set(
    readdirSync('src/routes', { recursive: true, encoding: 'utf8' })
      .filter((file) => /\+(server|page)(\.server)?\.(ts|svelte)$/.test(file))
      .map((file) => `/${file.replace(/\/?\+[^/]+$/, '')}`),
  ),
];

let app: Awaited<ReturnType<typeof startTestApp>>;
let second: Awaited<ReturnType<Awaited<ReturnType<typeof startTestApp>>['another']>>;
const visitors = new Map<string, Visitor>();
beforeAll(async () => {
  app = await startTestApp({ demo: false, signIn: true });
  await people(app.databaseUrl, 'studio', '--name', 'Across the water');
  const take = async (name: string, role: string, studio?: string) => {
    const email = `${name.toLowerCase()}@studio.example`;
    const more = studio ? ['--studio', studio] : [];
    const { password } = await people(app.databaseUrl, 'add', '--name', name, '--email', email, '--role', role, ...more);
    visitors.set(name, await new Visitor(app.url).arrive(email, password, `${name} copper teapot under snow`));
  };
  visitors.set('owner', await new Visitor(app.url).arrive(OWNER.email, app.ownerPassword, 'owner copper teapot under snow'));
  await take('designer', 'designer');
  await take('viewer', 'viewer');
  await take('stranger', 'owner', 'Across the water');
  await take('leaver', 'designer');
  await take('gone', 'designer');
  visitors.set('signed out', new Visitor(app.url));
  // One whose session was ended, and one whose access was; both still hold their cookies.
  const leaver = visitors.get('leaver');
  const cookie = leaver?.cookie ?? '';
  await leaver?.form('/sign-out', {});
  if (leaver) leaver.cookie = cookie;
  await people(app.databaseUrl, 'end', '--email', 'gone@studio.example');
  const owner = visitors.get('owner');
  const made = await owner?.send('/api/brands', 'POST', { name: 'Placed', palette });
  expect(made?.status).toBe(201);
  expect(
    (await owner?.send('/api/brands/placed/marks', 'POST', { name: 'Shown', role: 'primary', recipe: nameRecipe('Shown') }))?.status,
  ).toBe(201);
  second = await app.another();
});
afterAll(async () => {
  await second.stop();
  await app.stop();
});

const ID = '00000000-0000-4000-8000-00000000000a';
const at = (route: string, brand = 'placed'): string =>
  route
    .replace('[brand]', brand)
    .replace('[mark]', 'shown')
    .replace('[kind]', 'brief')
    .replace('[format]', 'svg')
    .replace('[scene]', 'mug')
    .replace('[token]', 'A'.repeat(32))
    .replace('[sha]', 'a'.repeat(64))
    .replace('[set]', 'ph')
    .replace('[...file]', 'nothing.ttf')
    .replace(/\[\w+\]/g, ID);

/** Asks without waiting for a stream to end. */
async function ask(
  visitor: Visitor,
  route: string,
  method: string,
  brand?: string,
): Promise<{ readonly status: number; readonly to: string; readonly text: string }> {
  const stop = new AbortController();
  const page = !route.startsWith('/api') && !route.startsWith('/fonts') && method === 'POST';
  const response = await visitor.ask(at(route, brand), {
    method,
    signal: stop.signal,
    ...(method === 'GET'
      ? {}
      : page
        ? { headers: { accept: 'text/html', 'content-type': 'application/x-www-form-urlencoded', origin: visitor.home }, body: 'nothing=1' }
        : { headers: { 'content-type': 'application/json' }, body: '{"nothing":1}' }),
  });
  const text = route === '/api/events' ? '' : await response.text();
  stop.abort();
  return { status: response.status, to: response.headers.get('location') ?? '', text };
}
const isAskedToSignIn = ({ status, to }: { readonly status: number; readonly to: string }) =>
  status === 401 || (status === 303 && to.startsWith('/sign-in'));

describe('every place of the app', () => {
  it('stands in the table with every way to ask for it', () => {
    expect(ROUTES.sort()).toEqual(Object.keys(TABLE).sort());
    for (const route of ROUTES) {
      const file = `src/routes${route === '/' ? '' : route}/+server.ts`;
      const source = existsSync(file) ? readFileSync(file, 'utf8') : '';
      for (const [, method = ''] of source.matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g))
        expect(
          TABLE[route]?.some(([known]) => known === method),
          `${route} ${method}`,
        ).toBe(true);
    }
  });

  // Whoever left or was sent away holds a cookie that was good once.
  const standing: readonly (readonly [string, Needed])[] = [
    ['signed out', 'anyone'],
    ['leaver', 'anyone'],
    ['gone', 'anyone'],
    ['viewer', 'viewer'],
    ['designer', 'designer'],
    ['owner', 'owner'],
  ];
  for (const [name, rank] of standing)
    it(`lets in, or not: ${name}`, async () => {
      const visitor = visitors.get(name) as Visitor;
      const cookie = visitor.cookie;
      const isIn = rank !== 'anyone';
      for (const [route, ways] of Object.entries(TABLE))
        for (const [method, needed] of ways) {
          if (route === '/sign-out' && method === 'POST' && isIn) continue;
          visitor.cookie = cookie;
          const got = await ask(visitor, route, method);
          const said = `${name}: ${method} ${route} → ${got.status} ${got.to}`;
          if (needed === 'nobody') expect(got.status, said).toBe(403);
          else if (RANK.indexOf(rank) >= RANK.indexOf(needed)) {
            expect(isAskedToSignIn(got) && route !== '/sign-in', said).toBe(false);
            expect(got.status, said).not.toBe(403);
            expect(got.status, said).toBeLessThan(500);
          } else if (!isIn) expect(isAskedToSignIn(got), said).toBe(true);
          else expect(got.status, said).toBe(403);
        }
    });

  it('to another studio, a brand looks as if it were not there', async () => {
    const stranger = visitors.get('stranger') as Visitor;
    for (const [route, ways] of Object.entries(TABLE).filter(([each]) => each.includes('[brand]')))
      for (const [method] of ways) {
        // Some pages are put together in the browser: what they show comes as data.
        const page = !/^\/(api|fonts)\//.test(route);
        const look = page ? `${route}/__data.json` : route;
        const theirs = await ask(stranger, look, method, 'placed');
        const none = await ask(stranger, look, method, 'nobody');
        expect(theirs.status, `${method} ${route}`).toBe(none.status);
        if (page) expect(theirs.text, route).toMatch(/"type":"error".*"status":404/);
        else expect(theirs.status, `${method} ${route}`).toBeGreaterThanOrEqual(400);
        const plain = (text: string, slug: string) =>
          text
            .replaceAll(slug, '…')
            .replace(/nonce(-|=")[\w+/=]+/g, '')
            .replace(/__sveltekit_\w+/g, '');
        expect(plain(theirs.text, 'placed'), `${method} ${route}`).toBe(plain(none.text, 'nobody'));
      }
    expect(await (await stranger.ask('/')).text()).not.toContain('Placed');
    expect(await (await stranger.ask('/people')).text()).not.toContain(OWNER.email);
  });

  it('two studios have a brand of the same address, each its own', async () => {
    const stranger = visitors.get('stranger') as Visitor;
    const made = (await (await stranger.send('/api/brands', 'POST', { name: 'Placed', about: 'ours', palette })).json()) as {
      slug: string;
    };
    expect(made.slug).toBe('placed');
    expect(await (await stranger.ask('/api/brands/placed/marks')).json()).toEqual([]);
    expect(await (await (visitors.get('owner') as Visitor).ask('/api/brands/placed/marks')).json()).toHaveLength(1);
    expect(await (await stranger.ask('/')).text()).toContain('ours');
    expect(await (await (visitors.get('owner') as Visitor).ask('/')).text()).not.toContain('ours');
  });

  it('news go to the studio that they are of, and end with the session, in every process', async () => {
    const hear = async (visitor: Visitor) => {
      const response = await fetch(`${second.url}/api/events`, { headers: { cookie: visitor.cookie } });
      const heard: string[] = [];
      let over = false;
      const reader = (response.body as ReadableStream<Uint8Array<ArrayBuffer>>).pipeThrough(new TextDecoderStream()).getReader();
      void (async () => {
        for (;;) {
          const { value, done } = await reader.read();
          if (done) break;
          heard.push(value);
        }
        over = true;
      })().catch(() => (over = true));
      return { text: () => heard.join(''), over: () => over };
    };
    const [designer, stranger] = [visitors.get('designer') as Visitor, visitors.get('stranger') as Visitor];
    const [ours, theirs] = [await hear(designer), await hear(stranger)];
    await expect.poll(() => ours.text() !== '' && theirs.text() !== '').toBe(true);
    const rename = { name: 'Shown again' };
    await expect
      .poll(async () => {
        await designer.send('/api/brands/placed/marks/shown', 'PATCH', rename);
        return ours.text();
      })
      .toContain('family:');
    expect(theirs.text()).not.toContain('family:');
    await people(app.databaseUrl, 'role', '--email', 'designer@studio.example', '--role', 'viewer');
    await expect.poll(() => ours.over()).toBe(true);
    expect(theirs.over()).toBe(false);
    // A role that was taken away is gone for what was begun before, too.
    const late = await fetch(`${second.url}/api/brands/placed/marks/shown`, {
      method: 'PATCH',
      headers: { cookie: designer.cookie, 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Too late' }),
    });
    expect(late.status).toBe(403);
    expect(await late.json()).toMatchObject({ problems: [{ code: 'not-allowed' }] });
  });
});

describe('docs/security.md', () => {
  it('names tests that are there, and a test or a reason for every requirement', () => {
    const rows = readFileSync('docs/security.md', 'utf8')
      .split('\n')
      .filter((line) => /^\| \d/.test(line));
    expect(rows.length).toBeGreaterThan(60);
    for (const row of rows)
      for (const [, file = ''] of (row.split('|')[3] ?? '').matchAll(/((?:server|browser|core|client)[\w/.-]*)/g))
        expect(existsSync(`tests/${file}`), row).toBe(true);
  });
});
