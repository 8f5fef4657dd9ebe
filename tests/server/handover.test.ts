import { randomUUID } from 'node:crypto';
import { strFromU8, unzipSync } from 'fflate';
import pg from 'pg';
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasSchema, type HandoverPlan, type PlannedPack } from '$core/index';
import { nameRecipe, palette, read, recipeOf, send } from '../support/api';
import { casesOf } from '../support/deep';
import { startTestApp } from '../support/test-app';

interface FileView {
  readonly id: string;
  readonly name: string;
  readonly state: string;
  readonly outdated: boolean;
  readonly revision: number;
  readonly sizeBytes: number | null;
  readonly reason: readonly { readonly code: string; readonly message: string }[] | null;
  readonly verdict: { readonly passes: boolean; readonly checks: readonly { readonly message: string }[] } | null;
}
interface View {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly files: readonly FileView[];
  readonly problems?: readonly { readonly code: string; readonly message: string }[];
}

let app: Awaited<ReturnType<typeof startTestApp>>;
let worker: Awaited<ReturnType<typeof app.worker>>;
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  worker = await app.worker();
});
afterAll(async () => {
  await worker.stop();
  await app.stop();
});

const newBrand = async (name: string, home = app.url) =>
  `${home}/api/brands/${(await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name, palette })).value.slug}`;
const newMark = async (brand: string, name: string, recipe: unknown = nameRecipe(name)) =>
  (await send<{ id: string; slug: string }>(`${brand}/marks`, 'POST', { name, role: 'primary', recipe })).value;
const size = (width: number, height?: number) => ({
  label: height ? `${width} × ${height}` : `${width} wide`,
  canvas: canvasSchema.parse({ width, ...(height ? { height } : {}), airPercent: 4 }),
});
const plan = (marks: readonly string[], more: Partial<PlannedPack> = {}): HandoverPlan => ({
  pattern: '{brand}-{mark}-{colorway}-{size}',
  packs: [{ id: 'profiles', kind: 'profiles', marks: [...marks], dressings: ['full'], formats: ['png'], sizes: [size(200, 200)], ...more }],
});
const order = (brand: string, of: HandoverPlan, id: string = randomUUID()) =>
  send<View>(`${brand}/handovers`, 'POST', { id, name: 'First pack', plan: of });
const view = (brand: string, id: string) => read<View>(`${brand}/handovers/${id}`);
async function settled(brand: string, id: string, wanted: readonly string[] = ['done', 'failed', 'stopped']): Promise<View> {
  await expect
    .poll(async () => (await view(brand, id)).files.map(({ state }) => state), { timeout: 100_000, interval: 150 })
    .toSatisfy((states: string[]) => states.every((state) => wanted.includes(state)));
  return view(brand, id);
}
const zipOf = async (brand: string, id: string) =>
  unzipSync(new Uint8Array(await (await fetch(`${brand}/handovers/${id}/pack.zip`)).arrayBuffer()));

describe('a pack', () => {
  it('is made, verified, zipped with its guide, and read back: sizes, alpha, names, manifest', async () => {
    const brand = await newBrand('Пекарня & Co.');
    const mark = await newMark(brand, 'Primary');
    const pack = plan([mark.id], { dressings: ['full', 'reversed'], formats: ['png', 'svg', 'pdf'], sizes: [size(200, 200), size(300)] });
    const web = {
      id: 'web',
      kind: 'web' as const,
      marks: [mark.id],
      dressings: ['full' as const],
      formats: ['png' as const, 'ico' as const],
      sizes: [size(180, 180), size(512, 512)],
    };
    const made = await order(brand, { ...pack, packs: [...pack.packs, web] });
    expect([made.status, made.value.files.length]).toEqual([201, 2 * (2 + 2 + 2) + 3]);
    const done = await settled(brand, made.value.id);
    expect(done.files.filter(({ state }) => state !== 'done').map(({ name, reason }) => [name, reason])).toEqual([]);
    const zip = await zipOf(brand, made.value.id);
    const extra = ['checked.json', 'read-me.txt', 'which-file-is-for-what.html', 'web/site.webmanifest', 'web/head.html'];
    expect(Object.keys(zip).sort()).toEqual([...done.files.map(({ name }) => name), ...extra].sort());
    const png = PNG.sync.read(Buffer.from(zip['profiles/pekarnya-co-primary-reversed-200x200.png'] as Uint8Array));
    expect([png.width, png.height, png.data[3]]).toEqual([200, 200, 0]);
    expect(strFromU8(zip['read-me.txt'] as Uint8Array)).toContain('Пекарня & Co.: First pack');
    const checked = JSON.parse(strFromU8(zip['checked.json'] as Uint8Array)) as { passes: boolean; revisions: Record<string, number> }[];
    expect(checked.every(({ passes, revisions }) => passes && revisions[mark.id] === 1)).toBe(true);
    const { icons } = JSON.parse(strFromU8(zip['web/site.webmanifest'] as Uint8Array)) as { icons: { src: string }[] };
    for (const { src } of icons) expect(Object.keys(zip)).toContain(`web/${src}`);
    const [first] = done.files;
    const one = await fetch(`${brand}/handovers/${made.value.id}/files/${first?.id}`);
    expect([one.status, one.headers.get('content-type'), (await one.arrayBuffer()).byteLength]).toEqual([
      200,
      'image/png',
      first?.sizeBytes,
    ]);
  });

  it('says what has changed since, and makes again just that: the rest is the same file', async () => {
    const brand = await newBrand('Again');
    const [one, other] = [await newMark(brand, 'One'), await newMark(brand, 'Other')];
    const made = await order(brand, plan([one.id, other.id]));
    const before = await settled(brand, made.value.id);
    expect(before.files.map(({ outdated }) => outdated)).toEqual([false, false]);
    await send(`${brand}/marks/${one.slug}/revisions`, 'POST', {
      base: 1,
      gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Type', recipe: nameRecipe('Changed') }],
    });
    expect((await view(brand, made.value.id)).files.map(({ outdated }) => outdated)).toEqual([true, false]);
    const again = await send<View>(`${brand}/handovers`, 'POST', { id: randomUUID(), again: made.value.id });
    expect([again.value.number, again.value.files.map(({ state }) => state === 'done')]).toEqual([2, [false, true]]);
    const after = await settled(brand, again.value.id);
    expect(after.files.map(({ outdated, revision }) => [outdated, revision])).toEqual([
      [false, 2],
      [false, 1],
    ]);
    // The pack before it still holds what it held.
    const [old, fresh] = [await zipOf(brand, made.value.id), await zipOf(brand, again.value.id)];
    const [changed = '', same = ''] = after.files.map(({ name }) => name);
    expect(Buffer.compare(Buffer.from(old[same] as Uint8Array), Buffer.from(fresh[same] as Uint8Array))).toBe(0);
    expect(Buffer.compare(Buffer.from(old[changed] as Uint8Array), Buffer.from(fresh[changed] as Uint8Array))).not.toBe(0);
  });

  it('is out of date where a mark that its mark follows has changed, and where a color has', async () => {
    const brand = await newBrand('Followed');
    const primary = await newMark(brand, 'Primary');
    const linked = await newMark(
      brand,
      'Linked',
      recipeOf({ kind: 'linked', id: 'link', from: { mark: primary.id, part: 'name' } } as never),
    );
    const made = await order(brand, plan([linked.id]));
    const done = await settled(brand, made.value.id);
    expect(done.files.map(({ state, outdated }) => [state, outdated])).toEqual([['done', false]]);
    await send(`${brand}/marks/${primary.slug}/revisions`, 'POST', {
      base: 1,
      gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Type', recipe: nameRecipe('Other') }],
    });
    expect((await view(brand, made.value.id)).files[0]?.outdated).toBe(true);
    const again = await send<View>(`${brand}/handovers`, 'POST', { id: randomUUID(), again: made.value.id });
    expect((await settled(brand, again.value.id)).files.map(({ state, outdated }) => [state, outdated])).toEqual([['done', false]]);
    const colors = {
      base: 1,
      gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Color', content: { version: 3, ...palette, ink: '#112233' } }],
    };
    expect((await send(`${brand}/palette/revisions`, 'POST', colors)).status).toBe(201);
    expect((await view(brand, again.value.id)).files[0]?.outdated).toBe(true);
  });

  it('holds several marks in one PDF, a page each, and is out of date when any of them changes', async () => {
    const brand = await newBrand('Pages');
    const [one, other] = [await newMark(brand, 'One'), await newMark(brand, 'Other')];
    const made = await order(brand, plan([one.id, other.id], { kind: 'print', formats: ['pdf'], together: true }));
    const done = await settled(brand, made.value.id);
    expect(done.files.map(({ state, name }) => [state, name])).toEqual([['done', 'profiles/pages-all-marks-full-color-200x200.pdf']]);
    expect(done.files[0]?.verdict?.checks.map(({ message }) => message).join()).toContain('2 pages');
    await send(`${brand}/marks/${other.slug}/revisions`, 'POST', {
      base: 1,
      gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Type', recipe: nameRecipe('Changed') }],
    });
    expect((await view(brand, made.value.id)).files[0]?.outdated).toBe(true);
  });

  it('is stopped, goes on, and is tried again; a download waits until all of it is there', async () => {
    const brand = await newBrand('Stopped');
    const mark = await newMark(brand, 'Primary');
    const many = plan([mark.id], { sizes: Array.from({ length: 20 }, (_, at) => size(1500 + at, 1500)) });
    const made = await order(brand, many);
    const early = await fetch(`${brand}/handovers/${made.value.id}/pack.zip`);
    expect([early.status, ((await early.json()) as { problems: { code: string }[] }).problems[0]?.code]).toEqual([409, 'not-done']);
    await send(`${brand}/handovers/${made.value.id}`, 'PATCH', { do: 'stop' });
    const stopped = await settled(brand, made.value.id, ['done', 'stopped']);
    expect(stopped.files.some(({ state }) => state === 'stopped')).toBe(true);
    await send(`${brand}/handovers/${made.value.id}`, 'PATCH', { do: 'resume' });
    const done = await settled(brand, made.value.id);
    expect(done.files.every(({ state }) => state === 'done')).toBe(true);
    expect(Object.keys(await zipOf(brand, made.value.id))).toHaveLength(23);
    await send(`${brand}/handovers/${made.value.id}`, 'PATCH', { do: 'remove' });
    expect(await read<View[]>(`${brand}/handovers`)).toEqual([]);
    await send(`${brand}/handovers/${made.value.id}`, 'PATCH', { do: 'restore' });
    expect(await read<View[]>(`${brand}/handovers`)).toHaveLength(1);
  });
});

describe('what cannot be made', () => {
  it('is refused with a sentence before anything is begun: too large, too many, nothing chosen, a word that files do not have', async () => {
    const brand = await newBrand('Refused');
    const mark = await newMark(brand, 'Primary');
    const codeOf = async (of: HandoverPlan) => (await order(brand, of)).value.problems?.[0]?.code;
    expect(await codeOf(plan([mark.id], { sizes: [size(20_000, 20_000)] }))).toBe('width-out-of-range');
    expect(await codeOf(plan([mark.id], { sizes: [size(11_000, 11_000)] }))).toBe('too-many-pixels');
    expect(await codeOf(plan([]))).toBe('nothing-planned');
    expect(await codeOf({ ...plan([mark.id]), pattern: '{brand}-{client}' })).toBe('strange-word');
    const packs = Array.from({ length: 24 }, (_, at) => ({
      ...(plan([mark.id]).packs[0] as PlannedPack),
      id: `p${at}`,
      sizes: Array.from({ length: 24 }, (__, n) => size(100 + n, 100)),
    }));
    expect(await codeOf({ ...plan([mark.id]), packs })).toBe('too-many-files');
    expect(await read<View[]>(`${brand}/handovers`)).toEqual([]);
    expect((await send(`${brand}/handovers`, 'POST', { id: randomUUID(), name: '', plan: {} })).status).toBe(422);
    expect((await fetch(`${brand}/handovers/${randomUUID()}`)).status).toBe(404);
    expect((await fetch(`${brand}/handovers/x`)).status).toBe(404);
  });

  it('is said of the file, and the others are made: a mark with nothing in it, one that is too wide at that height', async () => {
    const brand = await newBrand('Empty');
    const [empty, wide, good] = [
      await newMark(brand, 'Empty', recipeOf()),
      await newMark(
        brand,
        'Wide',
        recipeOf({ kind: 'shape', id: 'bar', form: { form: 'panel', widthPx: 4000, heightPx: 10, cornerPx: 0 } }),
      ),
      await newMark(brand, 'Good'),
    ];
    const made = await order(
      brand,
      plan([empty.id, wide.id, good.id], { sizes: [{ label: 'high', canvas: canvasSchema.parse({ height: 400 }) }] }),
    );
    const done = await settled(brand, made.value.id);
    expect(done.files.map(({ state, reason }) => [state, reason?.[0]?.code])).toEqual([
      ['failed', 'nothing-drawn'],
      ['failed', 'width-out-of-range'],
      ['done', undefined],
    ]);
    // Mended and tried again, it is made from what it was ordered from: the revision does not change under a pack.
    await send(`${brand}/handovers/${made.value.id}`, 'PATCH', { do: 'resume', file: done.files[0]?.id });
    expect((await settled(brand, made.value.id)).files[0]?.state).toBe('failed');
  });

  it('never makes two files of one name, however marks are called', async () => {
    const brand = await newBrand('../🦊/..');
    const marks = [await newMark(brand, 'Same/name'), await newMark(brand, 'Same name'), await newMark(brand, '🦊🦊🦊', nameRecipe('Fox'))];
    const made = await order(brand, plan(marks.map(({ id }) => id)));
    const names = (await settled(brand, made.value.id)).files.map(({ name }) => name);
    expect(new Set(names).size).toBe(3);
    for (const name of names) expect(name).toMatch(/^profiles\/[a-z0-9-]+\.png$/);
    expect(Object.keys(await zipOf(brand, made.value.id))).toEqual(expect.arrayContaining(names));
  });
});

describe('several processes on one database', () => {
  it('make every pack once: two web processes, three workers, packs from many clients; the same request twice is one pack', async () => {
    const second = await app.another();
    const workers = [await app.worker(), await app.worker()];
    try {
      const brand = await newBrand('Together');
      const mark = await newMark(brand, 'Primary');
      const there = brand.replace(app.url, second.url);
      const PACKS = casesOf({ inFull: 200, sample: 6 });
      const ids = Array.from({ length: PACKS }, () => randomUUID() as string);
      // Twenty clients, each one pack after the other, half of them at the other process; every request is sent twice.
      const CLIENTS = 20;
      const answers = await Promise.all(
        Array.from({ length: CLIENTS }, async (_, client) => {
          const statuses: number[] = [];
          for (let at = client; at < PACKS; at += CLIENTS) {
            const from = at % 2 === 0 ? brand : there;
            const ask = () => order(from, plan([mark.id], { sizes: [size(120 + at, 120)] }), ids[at]);
            for (const { status } of await Promise.all([ask(), ask()])) statuses.push(status);
          }
          return statuses;
        }),
      );
      expect(answers.flat().every((status) => status === 201)).toBe(true);
      for (const id of ids) expect((await settled(there, id)).files.map(({ state }) => state)).toEqual(['done']);
      const client = new pg.Client({ connectionString: app.databaseUrl });
      await client.connect();
      const { rows } = await client.query<{ packs: number; files: number; numbers: number; workers: number }>(
        `select count(distinct h.id)::int as packs, count(f.id)::int as files, count(distinct h.number)::int as numbers, count(distinct f.worker)::int as workers
         from handover h join handover_file f on f.handover_id = h.id where h.id = any($1)`,
        [ids],
      );
      await client.end();
      expect(rows[0]).toMatchObject({ packs: PACKS, files: PACKS, numbers: PACKS });
      expect(rows[0]?.workers).toBeGreaterThan(1);
    } finally {
      await Promise.all([second.stop(), ...workers.map((each) => each.stop())]);
    }
  });

  it('show a picture that was uploaded through one of them through the other at once, whatever lies on their disks', async () => {
    const second = await app.another({ ownDisk: true });
    try {
      const brand = await newBrand('Pictures');
      const png = PNG.sync.write(Object.assign(new PNG({ width: 40, height: 30 }), { data: Buffer.alloc(40 * 30 * 4, 200) }));
      const response = await fetch(`${brand}/pictures?name=gray.png`, {
        method: 'POST',
        headers: { 'content-type': 'image/png' },
        body: new Uint8Array(png),
      });
      const { sha256 } = (await response.json()) as { sha256: string };
      const there = await fetch(`${brand.replace(app.url, second.url)}/pictures/${sha256}`);
      expect([response.status, there.status]).toEqual([201, 200]);
    } finally {
      await second.stop();
    }
  });
});
