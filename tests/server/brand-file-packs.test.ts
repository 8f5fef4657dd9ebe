import { createHash, randomUUID } from 'node:crypto';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasSchema } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { brandJson, bring, census, fileOf } from '../support/brand-file';
import { startTestApp } from '../support/test-app';

let here: Awaited<ReturnType<typeof startTestApp>>;
let there: Awaited<ReturnType<typeof startTestApp>>;
beforeAll(async () => {
  [here, there] = [await startTestApp({ demo: false }), await startTestApp({ demo: false })];
});
afterAll(async () => {
  await here.stop();
  await there.stop();
});

describe('the packs in a brand file', () => {
  it('go along with their files, what the desk answered and what clients said; in a second copy they know what they show', async () => {
    const slug = (await send<{ slug: string }>(`${here.url}/api/brands`, 'POST', { name: 'Packed', palette })).value.slug;
    const home = (app: string, of = slug) => `${app}/api/brands/${of}`;
    const brand = home(here.url);
    const newMark = async (name: string) =>
      (await send<{ id: string; slug: string }>(`${brand}/marks`, 'POST', { name, role: 'primary', recipe: nameRecipe(name) })).value;
    const [kept, changed] = [await newMark('Kept'), await newMark('Changed')];
    const kept2 = (await send<{ id: string }>(`${brand}/marks/${kept.slug}/tries`, 'POST', { name: 'Bold', recipe: nameRecipe('Bold') }))
      .value;
    interface Pack {
      readonly id: string;
      readonly number: number;
      readonly files: readonly { readonly id: string; readonly name: string; readonly state: string; readonly outdated: boolean }[];
    }
    const packs = (app: string, of?: string) => read<readonly Pack[]>(`${home(app, of)}/handovers`);
    const sizes = [{ label: 'small', canvas: canvasSchema.parse({ width: 300, height: 300, dpi: 300 }) }];
    const pack = { id: 'profiles', kind: 'profiles', marks: [kept.id, changed.id], dressings: ['full'], formats: ['png', 'svg'], sizes };
    const plan = { pattern: '{mark}-{size}', packs: [pack] };
    const order = async () => (await send<Pack>(`${brand}/handovers`, 'POST', { id: randomUUID(), name: 'First', plan })).value;
    const states = async (app: string, of?: string) => (await packs(app, of)).flatMap(({ files }) => files.map(({ state }) => state));
    const worker = await here.worker();
    const first = await order();
    await expect.poll(() => states(here.url), { timeout: 100_000 }).toEqual(['done', 'done', 'done', 'done']);
    const letter = `${randomUUID().slice(0, -2)}00`;
    const png = first.files.find(({ name }) => name.endsWith('.png'));
    await send(`${brand}/print-orders`, 'POST', { id: letter, file: png?.id, process: 'shirt' });
    const answers = async (app: string, of?: string) =>
      (await read<readonly { answer: unknown }[]>(`${home(app, of)}/print-orders`)).map(({ answer }) => answer);
    await expect.poll(() => answers(here.url), { timeout: 60_000 }).toEqual([expect.objectContaining({ accepted: false })]);
    await worker.stop();
    await send(`${brand}/marks/${changed.slug}/revisions`, 'POST', {
      base: 1,
      gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Type', recipe: nameRecipe('Otherwise') }],
    });
    // Nobody makes the second one: it waits, but for one that could not be made, as is said with all its reasons.
    const waits = await order();
    const reason = [{ code: 'no-such-mark', message: 'It could not be made.', fix: 'Try again.', path: ['canvas', 0] }];
    const database = new pg.Client({ connectionString: here.databaseUrl });
    await database.connect();
    await database.query(`update "handover_file" set "state" = 'failed', "reason" = $2 where "id" = $1`, [
      waits.files[0]?.id,
      JSON.stringify(reason),
    ]);
    await database.end();
    const link = { name: 'For Ada', marks: [kept.id], tries: [kept2.id], packs: [first.id], word: '', endsAt: null };
    const { address = '' } = (await send<{ address?: string }>(`${brand}/links`, 'POST', link)).value;
    const said = await fetch(`${address}?/say`, {
      method: 'POST',
      redirect: 'manual',
      headers: { accept: 'text/html', 'content-type': 'application/x-www-form-urlencoded', origin: new URL(address).origin },
      body: new URLSearchParams({ mark: kept.id, try: kept2.id, name: 'Ada', kind: 'yes' }),
    });
    expect(said.status).toBe(303);
    const notesOf = async (app: string, of?: string) =>
      (await read<{ notes: readonly { try: { name: string } | null; name: string; kind: string }[] }>(`${home(app, of)}/links`)).notes.map(
        ({ name, kind, try: about }) => [name, kind, about?.name],
      );
    expect(await notesOf(here.url)).toEqual([['Ada', 'yes', 'Bold']]);

    const file = await fileOf(here.url, slug);
    const taken = await bring(there.url, file);
    expect(taken.status, JSON.stringify(taken.value)).toBe(201);
    expect(brandJson(await fileOf(there.url, slug))).toBe(brandJson(file));
    expect(brandJson(file)).not.toContain(new URL(address).pathname.split('/').at(-1));
    // A second copy beside the first, with ids of its own: the files are the same, what is out of date stays so, and nothing else becomes it.
    const second = (await bring(here.url, file)).value.slug ?? '';
    const outdated = async (app: string, of?: string) =>
      (await packs(app, of)).map(({ number, files }) => [number, ...files.map((each) => [each.name, each.state, each.outdated])]);
    const known = await outdated(there.url);
    const named = (state: string, isOutdated: (mark: string) => boolean) =>
      ['kept', 'changed'].flatMap((mark) => ['png', 'svg'].map((type) => [`profiles/${mark}-300x300.${type}`, state, isOutdated(mark)]));
    expect(known).toEqual([
      [2, ...named('stopped', () => false).map(([name, state, is], at) => [name, at === 0 ? 'failed' : state, is])],
      [1, ...named('done', (mark) => mark === 'changed')],
    ]);
    expect(await outdated(here.url, second)).toEqual(known);
    for (const [app, of] of [
      [there.url, slug],
      [here.url, second],
    ] as const) {
      expect(await answers(app, of)).toEqual(await answers(here.url));
      expect(await notesOf(app, of)).toEqual([['Ada', 'yes', 'Bold']]);
      const [, done] = await packs(app, of);
      const [one, other] = await Promise.all(
        [`${home(app, of)}/handovers/${done?.id}`, `${brand}/handovers/${first.id}`].map(async (at) =>
          unzipSync(new Uint8Array(await (await fetch(`${at}/pack.zip`)).arrayBuffer())),
        ),
      );
      expect(Object.keys(one ?? {})).toEqual(Object.keys(other ?? {}));
      for (const [name, bytes] of Object.entries(other ?? {}))
        if (/png|svg/.test(name)) expect(Buffer.compare(Buffer.from(one?.[name] ?? []), Buffer.from(bytes)), name).toBe(0);
    }
    // What did not go along is made where it came to, from the revisions it was ordered from.
    const elsewhere = await there.worker();
    const [waiting] = await packs(there.url);
    await send(`${home(there.url)}/handovers/${waiting?.id}`, 'PATCH', { do: 'resume' });
    await expect.poll(() => states(there.url), { timeout: 100_000 }).toEqual(Array.from({ length: 8 }, () => 'done'));
    await elsewhere.stop();

    const entries = unzipSync(file);
    type Json = {
      packs: { id: string; basis: { palette: number }; files: { name: string; sha256: string | null }[] }[];
      clientLinks: { notes: { mark: string }[] }[];
    };
    const changedTo = (change: (data: Json) => void) => {
      const data = JSON.parse(brandJson(file)) as Json;
      change(data);
      const bytes = strToU8(JSON.stringify(data));
      const brandSha256 = createHash('sha256').update(bytes).digest('hex');
      const cover = JSON.parse(strFromU8(entries['cover.json'] as Uint8Array)) as object;
      return zipSync({ ...entries, 'cover.json': strToU8(JSON.stringify({ ...cover, brandSha256 })), 'brand.json': bytes });
    };
    const before = await census(there.databaseUrl);
    const [firstFile] = (JSON.parse(brandJson(file)) as Json).packs[0]?.files ?? [];
    for (const [what, bad] of [
      ['a file that climbs out of its pack', changedTo(({ packs: [each] }) => each?.files.forEach((one) => (one.name = '../../evil.svg')))],
      ['a pack of a palette that is not there', changedTo(({ packs: [each] }) => each && (each.basis.palette = 40))],
      ['a pack twice', changedTo((data) => data.packs.push(data.packs[0] as Json['packs'][number]))],
      ['a done file without its bytes', changedTo(({ packs: [each] }) => each?.files.forEach((one) => (one.sha256 = null)))],
      ['a packed file that is another', zipSync({ ...entries, [`files/${firstFile?.sha256}`]: strToU8('<svg onload="alert(1)"/>') })],
      ['a note on a strange mark', changedTo(({ clientLinks }) => clientLinks[0]?.notes.forEach((each) => (each.mark = randomUUID())))],
    ] as const) {
      const { status, value } = await bring(there.url, bad);
      expect([what, status]).toEqual([what, 422]);
      expect(value.problems?.[0]?.message, what).toMatch(/\w{3}/);
    }
    expect(await census(there.databaseUrl)).toEqual(before);
  });

  it('take the newest files along up to 96 MB, one that lies in several packs counted once; what stays behind is said to wait', async () => {
    const { slug } = (await send<{ slug: string }>(`${here.url}/api/brands`, 'POST', { name: 'Heavy', palette })).value;
    const brand = `${here.url}/api/brands/${slug}`;
    const mark = { name: 'Kept', role: 'primary', recipe: nameRecipe('Kept') };
    const { id } = (await send<{ id: string }>(`${brand}/marks`, 'POST', mark)).value;
    const sizes = [{ label: 'small', canvas: canvasSchema.parse({ width: 200, height: 200 }) }];
    const pack = { id: 'profiles', kind: 'profiles', marks: [id], dressings: ['full'], formats: ['png', 'svg'], sizes };
    const worker = await here.worker();
    for (const name of ['First', 'Second']) {
      const order = { id: randomUUID(), name, plan: { pattern: '{mark}', packs: [pack] } };
      await send(`${brand}/handovers`, 'POST', order);
      const states = async () =>
        (await read<{ files: readonly { state: string }[] }>(`${brand}/handovers/${order.id}`)).files.map(({ state }) => state);
      await expect.poll(states, { timeout: 100_000 }).toEqual(['done', 'done']);
    }
    await worker.stop();
    // Both packs hold the same two files. They are small; what they are said to weigh is what is counted.
    const weighing = async (pngMb: number, svgMb: number) => {
      const database = new pg.Client({ connectionString: here.databaseUrl });
      await database.connect();
      for (const [type, mb] of [
        ['png', pngMb],
        ['svg', svgMb],
      ] as const)
        await database.query(
          `update "handover_file" as "file" set "size_bytes" = $1 from "handover" as "pack", "brand"
           where "pack"."id" = "file"."handover_id" and "brand"."id" = "pack"."brand_id" and "brand"."slug" = $2 and "file"."name" like $3`,
          [mb * 1024 * 1024, slug, `%.${type}`],
        );
      await database.end();
      const { packs } = JSON.parse(brandJson(await fileOf(here.url, slug))) as { packs: { files: { name: string; state: string }[] }[] };
      return packs.flatMap(({ files }) => files.map(({ name, state }) => [name.slice(-3), state]));
    };
    const twice = (png: string, svg: string) =>
      [0, 1].flatMap(() => [
        ['png', png],
        ['svg', svg],
      ]);
    expect(await weighing(60, 36)).toEqual(twice('done', 'done'));
    expect(await weighing(60, 37)).toEqual(twice('done', 'stopped'));
    expect(await weighing(97, 96)).toEqual(twice('stopped', 'done'));
  });
});
