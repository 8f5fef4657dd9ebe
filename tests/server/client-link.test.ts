import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasSchema } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { startTestApp } from '../support/test-app';

interface Note {
  readonly id: string;
  readonly mark: string;
  readonly revision: number;
  readonly kind: string;
  readonly at: { readonly x: number; readonly y: number } | null;
  readonly name: string;
  readonly text: string;
  readonly answer: string | null;
  readonly closed: boolean;
}
interface View {
  readonly address?: string;
  readonly links: readonly { readonly id: string; readonly name: string; readonly state: string; readonly hasWord: boolean }[];
  readonly notes: readonly Note[];
}

let app: Awaited<ReturnType<typeof startTestApp>>;
let home = '';
let shown = { id: '', slug: '' };
let hidden = { id: '', slug: '' };
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  home = `${app.url}/api/brands/${(await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Linked', palette })).value.slug}`;
  const mark = async (name: string, role: string) =>
    (await send<{ id: string; slug: string }>(`${home}/marks`, 'POST', { name, role, recipe: nameRecipe(name) })).value;
  shown = await mark('Shown', 'primary');
  hidden = await mark('Hidden', 'secondary');
});
afterAll(() => app.stop());

const make = (more: object = {}) =>
  send<View>(`${home}/links`, 'POST', { name: 'For Ada', marks: [shown.id], word: '', endsAt: null, ...more });
async function opened(more: object = {}): Promise<{ readonly address: string; readonly id: string }> {
  const { status, value } = await make(more);
  expect(status, JSON.stringify(value)).toBe(201);
  return { address: value.address ?? '', id: value.links[0]?.id ?? '' };
}
const planOf = (mark: string) => ({
  pattern: '{brand}-{mark}-{colorway}-{size}',
  packs: [
    {
      ...{ id: 'profiles', kind: 'profiles', marks: [mark], dressings: ['full'], formats: ['png'] },
      sizes: [{ label: '200 wide', canvas: canvasSchema.parse({ width: 200, airPercent: 4 }) }],
    },
  ],
});
const view = () => read<View>(`${home}/links`);
const status = async (address: string, init: RequestInit = {}) => (await fetch(address, { redirect: 'manual', ...init })).status;
/** Sends a form of the client's page, as a browser without scripts does. */
const post = (address: string, action: string, fields: Readonly<Record<string, string>>, cookie = '') =>
  fetch(`${address}?/${action}`, {
    method: 'POST',
    redirect: 'manual',
    headers: {
      accept: 'text/html',
      'content-type': 'application/x-www-form-urlencoded',
      origin: new URL(address).origin,
      ...(cookie ? { cookie } : {}),
    },
    body: new URLSearchParams(fields),
  });

/** Everything that stands under an address. */
const PLACES = ['', '/files/shown.png?width=64', '/files/shown.svg', '/files/shown.svg?dressing=reversed', '/sheet.pdf'] as const;

describe('a client’s link', () => {
  it('opens what it shows, and nothing else; every place of every state, by a table', async () => {
    const open = await opened();
    const ended = await opened();
    await send(`${home}/links/${ended.id}`, 'PATCH', { do: 'end' });
    const worded = await opened({ word: 'low tide' });
    const guessed = `${app.url}/c/${'A'.repeat(32)}`;
    const short = `${app.url}/c/abc`;
    const table: readonly (readonly [string, string, (place: string) => number])[] = [
      ['open', open.address, () => 200],
      ['ended', ended.address, () => 404],
      ['worded', worded.address, (place) => (place === '' ? 200 : 401)],
      ['guessed', guessed, () => 404],
      ['short', short, () => 404],
    ];
    for (const [state, address, wanted] of table)
      for (const place of PLACES) expect(await status(address + place), `${state} ${place}`).toBe(wanted(place));
    for (const place of [
      '/files/hidden.svg',
      '/files/shown.tif',
      '/files/shown.ico',
      '/files/..%2Fshown.svg',
      '/files/shown',
      '/files/constructor.svg',
    ])
      expect(await status(open.address + place), place).toBe(404);
    for (const query of ['width=7000', 'width=1', 'dressing=loud', 'ground=lead', 'width=x'])
      expect(await status(`${open.address}/files/shown.png?${query}`), query).toBe(422);
  });

  it('is never indexed, kept or told to others, and sends no script', async () => {
    const { address } = await opened();
    const response = await fetch(address);
    const page = await response.text();
    expect(response.headers.get('x-robots-tag')).toBe('noindex, nofollow');
    expect(response.headers.get('cache-control')).toContain('no-store');
    expect(response.headers.get('referrer-policy')).toBe('same-origin');
    expect(page).not.toMatch(/<script(?! type="application\/json")/);
    expect(page).toContain('Shown');
    expect(page).not.toContain('Hidden');
    const file = await fetch(`${address}/files/shown.svg`);
    expect(file.headers.get('x-robots-tag')).toBe('noindex, nofollow');
    expect(file.headers.get('content-security-policy')).toContain("default-src 'none'");
  });

  it('its address is said once and stored nowhere', async () => {
    const { address } = await opened();
    const token = address.split('/').at(-1) ?? '';
    expect(token).toMatch(/^[A-Za-z0-9_-]{32}$/);
    expect(JSON.stringify(await view())).not.toContain(token);
  });

  it('wants its word: a wrong one opens nothing, the right one opens this address alone, another link’s pass is none', async () => {
    const one = await opened({ word: 'low tide' });
    const other = await opened({ word: 'high tide' });
    const wrong = await post(one.address, 'word', { word: 'LOW TIDE' });
    expect(wrong.status).toBe(403);
    expect(wrong.headers.get('set-cookie')).toBeNull();
    const right = await post(one.address, 'word', { word: ' low tide ' });
    expect(right.status).toBe(303);
    const set = right.headers.get('set-cookie') ?? '';
    expect(set).toMatch(/HttpOnly/i);
    expect(set).toMatch(/SameSite=Strict/i);
    expect(set).toContain(`Path=/c/${one.address.split('/').at(-1)}`);
    const cookie = set.split(';')[0] ?? '';
    expect(await status(`${one.address}/files/shown.svg`, { headers: { cookie } })).toBe(200);
    expect(await status(`${other.address}/files/shown.svg`, { headers: { cookie } })).toBe(401);
    // Ended, the pass is dead at once, in another process too.
    const second = await app.another();
    await send(`${home}/links/${one.id}`, 'PATCH', { do: 'end' });
    expect(await status(`${one.address}/files/shown.svg`, { headers: { cookie } })).toBe(404);
    expect(await status(one.address.replace(app.url, second.url), { headers: { cookie } })).toBe(404);
    await second.stop();
  });

  it('takes notes at a place and a yes with its version; they are answered and closed in the studio', async () => {
    const { address } = await opened();
    expect(
      (await post(address, 'say', { mark: shown.id, name: 'أليف', text: 'Could the W be wider?', x: '0.25', y: '0.5', kind: 'note' }))
        .status,
    ).toBe(303);
    expect((await post(address, 'say', { mark: shown.id, name: 'Ada', kind: 'yes' })).status).toBe(303);
    const [yes, note] = (await view()).notes;
    expect(note).toMatchObject({
      mark: shown.id,
      kind: 'note',
      name: 'أليف',
      text: 'Could the W be wider?',
      at: { x: 0.25, y: 0.5 },
      closed: false,
    });
    expect(yes).toMatchObject({ kind: 'yes', name: 'Ada', revision: 1, at: null });
    await send(`${home}/notes/${note?.id}`, 'PATCH', { answer: 'Done.', closed: true });
    const page = await (await fetch(address)).text();
    expect(page).toContain('Done.');
    expect(page).toContain('أليف');
    expect((await view()).notes[1]).toMatchObject({ answer: 'Done.', closed: true });
  });

  it('what cannot be said is refused, and markup is words', async () => {
    const { address } = await opened();
    const before = (await view()).notes.length;
    const odd: readonly Readonly<Record<string, string>>[] = [
      { mark: shown.id, name: 'Ada', text: '', kind: 'note' },
      { mark: shown.id, name: '', text: 'x', kind: 'note' },
      { mark: shown.id, name: 'A'.repeat(81), text: 'x', kind: 'note' },
      { mark: shown.id, name: 'Ada', text: 'x'.repeat(100_000), kind: 'note' },
      { mark: shown.id, name: 'Ada', text: 'x', x: '7', y: '0', kind: 'note' },
      { mark: 'no', name: 'Ada', text: 'x', kind: 'note' },
    ];
    for (const fields of odd) expect((await post(address, 'say', fields)).status, JSON.stringify(fields).slice(0, 80)).toBe(422);
    expect((await post(address, 'say', { mark: hidden.id, name: 'Ada', text: 'x', kind: 'note' })).status).toBe(404);
    // From another site, a form is refused.
    const foreign = await fetch(`${address}?/say`, {
      method: 'POST',
      headers: { accept: 'text/html', 'content-type': 'application/x-www-form-urlencoded', origin: 'http://elsewhere.example' },
      body: 'name=x',
    });
    expect(foreign.status).toBe(403);
    expect((await view()).notes).toHaveLength(before);
    expect(
      (await post(address, 'say', { mark: shown.id, name: '<b>Ada</b>', text: '<script>alert(1)</script>', kind: 'note' })).status,
    ).toBe(303);
    const page = await (await fetch(address)).text();
    expect(page).not.toContain('<script>alert');
    expect(page).toContain('&lt;script>alert(1)');
  });

  it('is made only of what the brand has, and for days to come', async () => {
    for (const more of [{ marks: [] }, { marks: ['no'] }, { name: '' }, { endsAt: 'tomorrow' }, { extra: 1 }])
      expect((await make(more)).status, JSON.stringify(more)).toBe(422);
    expect((await make({ marks: ['00000000-0000-4000-8000-000000000000'] })).status).toBe(404);
    expect((await make({ endsAt: '2020-01-01T00:00:00Z' })).status).toBe(422);
    expect((await send(`${home}/links/00000000-0000-4000-8000-000000000000`, 'PATCH', { do: 'end' })).status).toBe(404);
    expect((await send(`${home}/notes/00000000-0000-4000-8000-000000000000`, 'PATCH', { closed: true })).status).toBe(404);
  });

  it('shows tries to compare and packs to fetch, those that were chosen and no others; a note says which part and which try', async () => {
    const keep = async (name: string) =>
      (await send<{ id: string }>(`${home}/marks/shown/tries`, 'POST', { name, recipe: nameRecipe(name) })).value.id;
    const [bold, slim] = [await keep('Bold'), await keep('Slim')];
    const { address } = await opened({ tries: [bold] });
    expect(await status(`${address}/files/${bold}.svg`)).toBe(200);
    expect(await status(`${address}/files/${slim}.svg`)).toBe(404);
    const page = await (await fetch(address)).text();
    expect(page).toContain('Bold');
    expect(page).not.toContain('Slim');
    const fields = { mark: shown.id, name: 'Ada', kind: 'yes' };
    expect((await post(address, 'say', { ...fields, try: slim })).status).toBe(404);
    expect((await post(address, 'say', { ...fields, try: bold })).status).toBe(303);
    expect((await post(address, 'say', { ...fields, kind: 'note', text: 'Here', x: '0.5', y: '0.5' })).status).toBe(303);
    const [note, yes] = (await view()).notes as unknown as readonly {
      readonly part: string | null;
      readonly try: { name: string } | null;
    }[];
    expect(yes?.try?.name).toBe('Bold');
    expect(note).toMatchObject({ part: 'name', try: null });
    // Outside of the ink, there is no part.
    expect((await post(address, 'say', { ...fields, kind: 'note', text: 'There', x: '0.02', y: '0.02' })).status).toBe(303);
    expect((await view()).notes[0]).toMatchObject({ part: null });
    expect((await make({ tries: ['00000000-0000-4000-8000-000000000000'] })).status).toBe(404);
    expect((await make({ packs: ['00000000-0000-4000-8000-000000000000'] })).status).toBe(404);

    const worker = await app.worker();
    const ordered = await send<{ id: string }>(`${home}/handovers`, 'POST', {
      id: '11111111-2222-4333-8444-555555555555',
      name: 'For the sign',
      plan: planOf(shown.id),
    });
    expect(ordered.status, JSON.stringify(ordered.value)).toBeLessThan(300);
    const withPack = await opened({ packs: [ordered.value.id] });
    // The studio is asked whether it is made: a client who asks too often is slowed down.
    const made = async () =>
      (await read<{ files: readonly { state: string }[] }>(`${home}/handovers/${ordered.value.id}`)).files.every(
        ({ state }) => state === 'done',
      );
    await expect.poll(made, { timeout: 120_000, interval: 500 }).toBe(true);
    expect(await status(`${withPack.address}/packs/${ordered.value.id}.zip`)).toBe(200);
    expect(await (await fetch(withPack.address)).text()).toContain('For the sign');
    expect(await status(`${address}/packs/${ordered.value.id}.zip`)).toBe(404);
    expect(await status(`${withPack.address}/packs/${ordered.value.id}`)).toBe(404);
    const zip = Buffer.from(await (await fetch(`${withPack.address}/packs/${ordered.value.id}.zip`)).arrayBuffer());
    expect(zip.subarray(0, 2).toString()).toBe('PK');
    await send(`${home}/handovers/${ordered.value.id}`, 'PATCH', { do: 'remove' });
    expect(await status(`${withPack.address}/packs/${ordered.value.id}.zip`)).toBe(404);
    await worker.stop();
  });

  it('pictures of a page are kept by the phone until a mark is changed; an older page gets what is true now', async () => {
    const { address } = await opened();
    const picturesOf = async () => [
      ...new Set(
        [...(await (await fetch(address)).text()).matchAll(/src="([^"]*\/files\/[^"]*)"/g)].map(([, src]) => src?.replaceAll('&amp;', '&')),
      ),
    ];
    const keeping = async (path = '') => (await fetch(app.url + path)).headers.get('cache-control');
    const before = await picturesOf();
    expect(before.length).toBeGreaterThan(5);
    for (const path of before) expect(await keeping(path), path).toBe('private, max-age=31536000, immutable');
    expect(await keeping(`${new URL(address).pathname}/files/shown.svg`)).toContain('no-store');
    expect(await picturesOf()).toEqual(before);
    // Made once for all who look: the same to the byte however often, and never the picture of another state.
    const drawn = async (path = '') => (await fetch(app.url + path)).text();
    const old = await drawn(before[0]);
    expect(await drawn(before[0])).toBe(old);
    expect(new Set(await Promise.all(before.map(drawn))).size).toBeGreaterThan(3);
    const { revision } = await read<{ revision: number }>(`${home}/marks/shown`);
    const saved = await send(`${home}/marks/shown/revisions`, 'POST', {
      base: revision,
      gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Type', recipe: nameRecipe('Showing') }],
    });
    expect(saved.status).toBe(201);
    const after = await picturesOf();
    expect(after.filter((path) => before.includes(path))).toEqual([]);
    expect(await keeping(after[0])).toContain('immutable');
    expect(await keeping(before[0])).toContain('no-store');
    expect(await drawn(after[0])).not.toBe(old);
    expect(await drawn(before[0])).toBe(await drawn(after[0]));
    expect(await status(`${address}/files/shown.svg?from=..`)).toBe(422);
  });

  it('over, it is as if it had never been', async () => {
    const { address } = await opened({ endsAt: new Date(Date.now() + 1500).toISOString() });
    expect(await status(address)).toBe(200);
    await expect.poll(() => status(address), { timeout: 10_000 }).toBe(404);
  });

  it('guessing and hurrying are slowed down, counted by all processes together', async () => {
    const { address } = await opened();
    const codes = new Map<number, number>();
    const ask = async (url: string) => {
      const code = await status(url);
      codes.set(code, (codes.get(code) ?? 0) + 1);
    };
    for (let n = 0; n < 40; n++) await ask(`${app.url}/c/${String(n).padStart(32, 'x')}`);
    expect(codes.get(429) ?? 0).toBeGreaterThan(0);
    codes.clear();
    // A page's own pictures are many; files that are fetched are not.
    for (let batch = 0; batch < 8; batch++) await Promise.all(Array.from({ length: 10 }, () => ask(`${address}/files/shown.svg`)));
    expect([...codes.keys()]).toEqual([200]);
    for (let batch = 0; batch < 8; batch++)
      await Promise.all(Array.from({ length: 10 }, () => ask(`${address}/files/shown.svg?download=1`)));
    expect(codes.get(429) ?? 0).toBeGreaterThan(0);
    codes.clear();
    for (let batch = 0; batch < 45; batch++) await Promise.all(Array.from({ length: 10 }, () => ask(address)));
    expect(codes.get(429) ?? 0).toBeGreaterThan(0);
    expect(codes.get(200) ?? 0).toBeGreaterThan(0);
    expect([...codes.keys()].filter((code) => code >= 500)).toEqual([]);
  });
});
