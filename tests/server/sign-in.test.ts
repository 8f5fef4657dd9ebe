import { spawn } from 'node:child_process';
import pg from 'pg';
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it, onTestFinished } from 'vitest';
import { ensureDatabase } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { reachOf } from '$lib/server/guard/reach';
import { neededFor } from '$lib/server/guard/places';
import { nameRecipe, palette } from '../support/api';
import { Visitor } from '../support/signed-in';
import { OWNER, people, startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let db: pg.Pool;
const OWN = 'copper teapot under snow';
const ada = () => new Visitor(app.url);
beforeAll(async () => {
  app = await startTestApp({ demo: false, signIn: true });
  db = new pg.Pool({ connectionString: app.databaseUrl, max: 2 });
  await ada().arrive(OWNER.email, app.ownerPassword, OWN);
});
afterAll(async () => {
  await db.end();
  await app.stop();
});
// Tests sign in far more often than people do.
beforeEach(() => db.query('delete from "rate_limit"'));

const here = async () => {
  const visitor = ada();
  expect((await visitor.signIn(OWNER.email, OWN)).status).toBe(303);
  return visitor;
};
const isIn = async (visitor: Visitor, home = app.url) =>
  (await fetch(`${home}/api/fonts`, { headers: { cookie: visitor.cookie } })).status === 200;
/** Takes somebody in, who chooses a password at once. */
async function takeIn(name: string, role: string): Promise<Visitor> {
  const email = `${name.toLowerCase()}@studio.example`;
  const { password } = await people(app.databaseUrl, 'add', '--name', name, '--email', email, '--role', role);
  return ada().arrive(email, password, `${name} ${OWN}`);
}
const faultOf = async (response: Response): Promise<string> => /role="alert">([^<]*)</.exec(await response.text())?.[1] ?? '';

describe('signing in', () => {
  it('says the same of a wrong password, of nobody, of somebody who left and of an address that is none', async () => {
    await takeIn('Left', 'designer');
    await people(app.databaseUrl, 'end', '--email', 'left@studio.example');
    const said = new Set<string>();
    for (const [email, password] of [
      [OWNER.email, 'not the password at all'],
      ['nobody@studio.example', OWN],
      ['left@studio.example', `Left ${OWN}`],
      ["' or 1=1 --", OWN],
      [OWNER.email, ''],
      [OWNER.email, OWN.toUpperCase()],
      [OWNER.email, 'x'.repeat(900)],
    ] as const) {
      const response = await ada().signIn(email, password);
      expect(response.status, email).toBe(401);
      expect(response.headers.getSetCookie().join()).not.toMatch(/lucky=[^;]/);
      said.add(await faultOf(response));
    }
    expect([...said]).toHaveLength(1);
    expect((await ada().signIn(OWNER.email.toUpperCase(), OWN)).status, 'addresses know no capitals').toBe(303);
  });

  it('keeps its cookie from scripts and from other sites; over TLS it is bound to the host', async () => {
    const [line = ''] = (await ada().signIn(OWNER.email, OWN)).headers.getSetCookie();
    expect(line).toMatch(/^lucky=/);
    for (const word of ['HttpOnly', 'SameSite=Lax', 'Path=/']) expect(line).toContain(word);
    expect(line).not.toContain('Domain');
    const token = /lucky=([^.;]+)/.exec(line)?.[1] ?? '';
    expect(token.length, 'at least 64 random bits; ASVS 4.0.3, 3.2.2').toBeGreaterThanOrEqual(32);
  });

  it('is a new session each time: one that somebody else put there is ended, not taken over', async () => {
    const fixed = await here();
    const planted = fixed.cookie;
    const victim = ada();
    victim.cookie = planted;
    await victim.signIn(OWNER.email, OWN);
    expect(victim.cookie).not.toBe(planted);
    expect(await isIn(victim)).toBe(true);
    expect(await isIn(fixed)).toBe(false);
    const odd = ada();
    for (const cookie of [
      'lucky=',
      'lucky=abc',
      `lucky=${'A'.repeat(32)}.${'B'.repeat(43)}`,
      victim.cookie.slice(0, -4),
      `${victim.cookie}x`,
    ]) {
      odd.cookie = cookie;
      expect(await isIn(odd), cookie).toBe(false);
    }
  });

  it('ended, idle for half an hour, or twelve hours old, it is dead at once in every process', async () => {
    const second = await app.another();
    onTestFinished(() => second.stop());
    for (const end of [
      (visitor: Visitor) => visitor.form('/sign-out', {}),
      () => db.query('update "session" set "expires_at" = now()'),
      () => db.query(`update "session" set "created_at" = now() - interval '12 hours 1 minute'`),
      () => people(app.databaseUrl, 'password', '--email', 'worker@studio.example'),
    ]) {
      await people(app.databaseUrl, 'add', '--name', 'Worker', '--email', 'worker@studio.example', '--role', 'designer');
      const { password } = await people(app.databaseUrl, 'password', '--email', 'worker@studio.example');
      const visitor = await ada().arrive('worker@studio.example', password, `worker ${OWN}`);
      const stolen = ada();
      stolen.cookie = visitor.cookie;
      expect(await isIn(stolen, second.url)).toBe(true);
      await end(visitor);
      expect(await isIn(stolen)).toBe(false);
      expect(await isIn(stolen, second.url)).toBe(false);
    }
  });

  it('rows of sessions that are over do not pile up', async () => {
    await here();
    await db.query('update "session" set "expires_at" = now() - interval \'1 second\'');
    await here();
    expect((await db.query('select 1 from "session"')).rowCount).toBe(1);
  });

  it('leads to where one wanted to go, and never to another site', async () => {
    const out = await ada().ask('/brands/placed/marks?view=proof');
    expect(out.headers.get('location')).toBe(`/sign-in?to=${encodeURIComponent('/brands/placed/marks?view=proof')}`);
    for (const [to, wanted] of [
      ['/brands/placed/marks?view=proof', '/brands/placed/marks?view=proof'],
      ['//elsewhere.example', '/'],
      ['/\\elsewhere.example', '/'],
      ['/.//elsewhere.example', '/elsewhere.example'],
      ['https://elsewhere.example/', '/'],
      ['javascript:alert(1)', '/'],
      ['\n//elsewhere.example', '/'],
    ] as const) {
      const response = await ada().form('/sign-in', { email: OWNER.email, password: OWN, to });
      expect(response.headers.get('location'), to).toBe(wanted);
    }
  });

  it('floods are slowed down, by whoever asks and by whom they ask for', async () => {
    const codes = new Set<number>();
    for (let n = 0; n < 34; n++) codes.add((await ada().signIn(`nobody${n}@studio.example`, 'x')).status);
    expect([...codes].sort()).toEqual([401, 429]);
    const right = await ada().signIn(OWNER.email, OWN);
    expect(right.status).toBe(429);
    expect(await faultOf(right)).toMatch(/too often.*seconds/);
  });
});

describe('passwords', () => {
  it('are long enough, not guessed, of any letters, and hashed with Argon2id', async () => {
    const visitor = await here();
    const change = (next: string, present = OWN) => visitor.form('/you?/password', { present, next });
    for (const [next, sentence] of [
      ['short one', /at least 12 letters; this one has 9/],
      ['password1234', /guessed too easily/],
      ['qwertyuiopas', /guessed too easily/],
      ['adaquilladaq', /guessed too easily/],
      ['x'.repeat(129), /at most 128/],
      [OWN, /the password you have/],
    ] as const) {
      const response = await change(next);
      expect([403, 422], next).toContain(response.status);
      expect(await faultOf(response), next).toMatch(sentence);
    }
    expect(await faultOf(await change('brass lantern by the weir', 'wrong'))).toMatch(/not your present password/);
    const odd = 'ночной маяк 🕯 <script> " \' é';
    expect((await change(odd)).status).toBe(200);
    // The same letters, written with an accent of their own.
    expect((await ada().signIn(OWNER.email, odd.normalize('NFD'))).status).toBe(303);
    const { rows } = await db.query<{ password: string }>('select "password" from "account"');
    for (const { password } of rows) expect(password).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    await db.query('delete from "rate_limit"');
    expect((await change(OWN, odd)).status).toBe(200);
  });

  it('changed, every other device is signed out', async () => {
    const [one, other] = [await here(), await here()];
    await one.form('/you?/password', { present: OWN, next: 'brass lantern by the weir' });
    expect(await isIn(one)).toBe(true);
    expect(await isIn(other)).toBe(false);
    await one.form('/you?/password', { present: 'brass lantern by the weir', next: OWN });
  });

  it('handed over, let somebody in to choose their own, for three days, and do nothing else', async () => {
    const { password } = await people(app.databaseUrl, 'add', '--name', 'New', '--email', 'new@studio.example', '--role', 'designer');
    expect(password).toMatch(/^([a-z2-9]{5}-){3}[a-z2-9]{5}$/);
    const visitor = ada();
    expect((await visitor.signIn('new@studio.example', password)).status).toBe(303);
    expect((await visitor.ask('/')).headers.get('location')).toBe('/you');
    expect((await visitor.send('/api/brands', 'POST', { name: 'Early', palette })).status).toBe(401);
    await db.query(`update "person" set "password_until" = now() where "email" = 'new@studio.example'`);
    expect((await visitor.ask('/you')).headers.get('location')).toMatch(/^\/sign-in/);
    expect((await ada().signIn('new@studio.example', password)).status).toBe(401);
  });

  it('sessions are seen, and ended one by one; nobody ends somebody else’s', async () => {
    const [one, other] = [await here(), await here()];
    const page = await (await one.ask('/you')).text();
    const ids = [...page.matchAll(/name="id" value="([0-9a-f-]{36})"/g)].map(([, id]) => id ?? '');
    const { rows } = await db.query<{ id: string }>('select "id" from "session" order by "created_at" desc limit 1');
    expect(ids).toContain(rows[0]?.id);
    const worker = await takeIn('Curious', 'viewer');
    expect((await worker.form('/you?/end', { id: rows[0]?.id ?? '' })).status).toBe(404);
    expect(await isIn(other)).toBe(true);
    expect((await one.form('/you?/end', { id: rows[0]?.id ?? '' })).status).toBe(200);
    expect(await isIn(other)).toBe(false);
  });
});

describe('people of a studio', () => {
  it('a studio has an owner at all times', async () => {
    const owner = await here();
    const { rows } = await db.query<{ id: string }>('select "id" from "person" where "email" = $1', [OWNER.email]);
    const id = rows[0]?.id ?? '';
    for (const change of [{ role: 'viewer' }, { ended: 'yes' }] as readonly Readonly<Record<string, string>>[]) {
      const response = await owner.form('/people?/change', { id, ...change });
      expect(response.status).toBe(422);
      expect(await faultOf(response)).toContain('has an owner at all times');
    }
    expect((await people(app.databaseUrl, 'end', '--email', OWNER.email)).status).toBe(1);
    expect(await isIn(owner)).toBe(true);
  });

  it('two owners who take each other’s role away at once leave one', async () => {
    const other = await takeIn('Second', 'owner');
    const owner = await here();
    const { rows } = await db.query<{ id: string; email: string }>('select "id", "email" from "person"');
    const idOf = (email: string) => rows.find((row) => row.email === email)?.id ?? '';
    await Promise.all([
      owner.form('/people?/change', { id: idOf('second@studio.example'), role: 'viewer' }),
      other.form('/people?/change', { id: idOf(OWNER.email), role: 'viewer' }),
    ]);
    const left = await db.query(`select 1 from "person" where "role" = 'owner' and "ended_at" is null`);
    expect(left.rowCount).toBeGreaterThanOrEqual(1);
    await db.query(`update "person" set "role" = 'owner' where "email" = $1`, [OWNER.email]);
    await people(app.databaseUrl, 'end', '--email', 'second@studio.example');
  });

  it('are taken in, given passwords and ended in the room; what is odd is refused', async () => {
    const owner = await here();
    const added = await owner.form('/people?/add', { name: 'Noor ‹Ink›', email: 'Noor@Studio.example', role: 'designer' });
    const page = await added.text();
    expect(page).toContain('Noor ‹Ink›');
    const password = /<code[^>]*>([^<]+)<\/code>/.exec(page)?.[1] ?? '';
    const noor = await ada().arrive('noor@studio.example', password, `noor ${OWN}`);
    expect(await isIn(noor)).toBe(true);
    for (const fields of [
      { name: '', email: 'a@b.example', role: 'designer' },
      { name: 'A', email: 'no address', role: 'designer' },
      { name: 'A', email: 'a@b.example', role: 'god' },
      { name: 'A'.repeat(81), email: 'a@b.example', role: 'viewer' },
      { name: 'A', email: 'a@b.example', role: 'viewer', studioId: 'x' },
    ] as readonly Readonly<Record<string, string>>[])
      expect((await owner.form('/people?/add', fields)).status, JSON.stringify(fields)).toBe(422);
    expect((await owner.form('/people?/add', { name: 'Again', email: 'NOOR@studio.example', role: 'viewer' })).status).toBe(409);
    expect((await owner.form('/people?/change', { id: 'no', role: 'viewer' })).status).toBe(404);
    expect((await owner.form('/people?/add', { name: 'A', email: 'a@b.example', role: 'viewer', more: 'x'.repeat(100_000) })).status).toBe(
      413,
    );
    const { rows } = await db.query<{ id: string }>(`select "id" from "person" where "email" = 'noor@studio.example'`);
    await owner.form('/people?/change', { id: rows[0]?.id ?? '', ended: 'yes' });
    expect(await isIn(noor)).toBe(false);
    expect(await (await owner.ask('/people')).text()).toContain('access ended');
  });

  it('say who: every version, note and pack has the name of whoever was signed in, whatever a request says', async () => {
    const worker = await takeIn('Maker', 'designer');
    const brand = (await (await worker.send('/api/brands', 'POST', { name: 'Signed', palette })).json()) as { slug: string };
    const home = `/api/brands/${brand.slug}`;
    await worker.ask(`${home}/marks`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'lucky-name': 'Somebody else' },
      body: JSON.stringify({ name: 'First', role: 'primary', recipe: nameRecipe('First') }),
    });
    const { rows } = await db.query<{ made_by: string }>('select "made_by" from "revision"');
    expect(rows.map((row) => row.made_by)).toEqual(['Maker']);
  });

  it('the command says what is wrong in a sentence, and how it is used', async () => {
    const runs = (...lines: readonly (readonly string[])[]) => Promise.all(lines.map((args) => people(app.databaseUrl, ...args)));
    const [bare, unknown, king, address] = await runs(
      [],
      ['constructor'],
      ['add', '--name', 'X', '--email', 'x@y.example', '--role', 'king'],
      ['add', '--name', 'X', '--email', 'x', '--role', 'viewer'],
    );
    const [nobody, studio, list] = await runs(
      ['password', '--email', 'none@y.example'],
      ['add', '--name', 'X', '--email', 'x@y.example', '--role', 'viewer', '--studio', 'No'],
      ['list'],
    );
    expect(bare?.stderr).toContain('npm run people -- list');
    expect(unknown?.status).toBe(1);
    expect(king?.stderr).toContain('There is no role “king”');
    expect(address?.stderr).toContain('is no address');
    expect(nobody?.stderr).toContain('Nobody has the address');
    expect(studio?.stderr).toContain('There is no studio “No”');
    expect(list?.stdout).toContain(`${OWNER.name} <${OWNER.email}>, owner`);
  });
});

describe('how far the app is reached', () => {
  const SECRET = 'a secret of more than thirty-two letters';
  it('loopback needs no sign-in; anything else does, by whichever way it is reached', () => {
    for (const env of [
      {},
      { HOST: '127.0.0.1' },
      { HOST: '::1' },
      { HOST: 'localhost', ORIGIN: 'http://localhost:4173' },
      { HOST: '127.3.2.1' },
    ])
      expect(reachOf(env), JSON.stringify(env)).toEqual({ signIn: false, faults: [] });
    for (const env of [
      { HOST: '0.0.0.0' },
      { HOST: '::' },
      { HOST: '192.168.1.4' },
      { HOST: 'studio.example' },
      { HOST: '127.0.0.1.studio.example' },
      { ALLOWED_HOSTS: 'studio.example' },
      { ORIGIN: 'https://studio.example' },
    ])
      expect(reachOf(env).signIn, JSON.stringify(env)).toBe(true);
    expect(reachOf({ HOST: '0.0.0.0' }).faults).toHaveLength(2);
    expect(reachOf({ HOST: '0.0.0.0', SIGN_IN_SECRET: SECRET, ORIGIN: 'http://studio.example' }).faults).toEqual([
      'ORIGIN must begin with https: passwords do not travel in the clear.',
    ]);
    expect(reachOf({ HOST: '0.0.0.0', SIGN_IN_SECRET: SECRET, ORIGIN: 'https://studio.example' }).faults).toEqual([]);
    expect(reachOf({ SIGN_IN: '1', SIGN_IN_SECRET: SECRET, ORIGIN: 'http://127.0.0.1:4173' }).faults).toEqual([]);
  });

  it('a place that nobody thought of lets in nobody', () => {
    for (const route of ['/secrets', '/api/secrets', '/api/brandsx', '/people-list', ''])
      expect(neededFor(route, 'GET'), route).toBe('nobody');
    expect(neededFor('/', 'POST')).toBe('nobody');
  });

  it('it refuses to start where it would be open; told all it needs, it starts and asks to sign in', async () => {
    const databaseUrl = ensureDatabase(inject('cluster'), `reach_${Date.now()}`);
    const start = async (env: Readonly<Record<string, string>>) => {
      const port = await freePort();
      const child = spawn(process.execPath, ['scripts/serve.mjs'], {
        env: { ...process.env, NODE_ENV: 'production', DATABASE_URL: databaseUrl, PORT: String(port), ...env },
        stdio: ['ignore', 'pipe', 'pipe'],
      });
      let said = '';
      child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
      const listens = await new Promise<boolean>((resolve) => {
        child.stdout.on('data', (chunk: Buffer) => chunk.toString().includes('Listening') && resolve(true));
        child.on('close', () => resolve(false));
      });
      return { listens, port, said: () => said, stop: () => new Promise((resolve) => (child.on('close', resolve), child.kill('SIGTERM'))) };
    };
    const whole = { HOST: '0.0.0.0', SIGN_IN_SECRET: SECRET, ORIGIN: 'https://studio.example' };
    for (const [env, sentence] of [
      [{ HOST: '0.0.0.0' }, /SIGN_IN_SECRET must hold/],
      [{ ...whole, ORIGIN: 'http://studio.example' }, /must begin with https/],
      [{ ALLOWED_HOSTS: 'studio.example' }, /people have to sign in/],
      [whole, /No studio has an owner yet/],
    ] as const) {
      const refused = await start(env);
      expect(refused.listens, refused.said()).toBe(false);
      expect(refused.said()).toMatch(sentence);
      expect(refused.said().trim().split('\n'), 'one sentence, no stack').toHaveLength(1);
    }
    await people(databaseUrl, 'add', '--name', 'Ada', '--email', OWNER.email, '--role', 'owner');
    const started = await start(whole);
    expect(started.listens, started.said()).toBe(true);
    const ask = (path: string) => fetch(`http://127.0.0.1:${started.port}${path}`, { redirect: 'manual' });
    expect((await ask('/')).status).toBe(303);
    expect((await ask('/api/fonts')).status).toBe(401);
    expect((await ask('/api/health')).headers.get('strict-transport-security')).toContain('max-age=31536000');
    await started.stop();
  });

  it('over TLS the cookie is secure and bound to its host', async () => {
    const { password } = await people(app.databaseUrl, 'add', '--name', 'Far', '--email', 'far@studio.example', '--role', 'viewer');
    const far = await startTestApp({ demo: false, signIn: true, env: { ORIGIN: 'https://studio.example', DATABASE_URL: app.databaseUrl } });
    onTestFinished(() => far.stop());
    const response = await fetch(`${far.url}/sign-in`, {
      method: 'POST',
      redirect: 'manual',
      headers: { accept: 'text/html', 'content-type': 'application/x-www-form-urlencoded', origin: 'https://studio.example' },
      body: new URLSearchParams({ email: 'far@studio.example', password }),
    });
    expect(response.status).toBe(303);
    expect(response.headers.getSetCookie()[0]).toMatch(/^__Host-lucky=[^;]+;.*Path=\/;.*Secure/);
  });

  it('what another site’s page sends is refused, signed in or not', async () => {
    const owner = await here();
    for (const site of ['cross-site', 'same-site']) {
      const response = await owner.ask('/api/brands', {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'sec-fetch-site': site },
        body: JSON.stringify({ name: 'Forged', palette }),
      });
      expect(response.status, site).toBe(403);
    }
    const form = await owner.ask('/people?/rename', {
      method: 'POST',
      headers: { accept: 'text/html', 'content-type': 'application/x-www-form-urlencoded', origin: 'http://elsewhere.example' },
      body: 'name=Forged',
    });
    expect(form.status).toBe(403);
  });
});
