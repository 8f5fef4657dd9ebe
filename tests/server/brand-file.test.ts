import { execFileSync } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import pg from 'pg';
import sharp from 'sharp';
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { photoDeskSchema, startStamp, writeRecipe } from '$core/index';
import { ensureDatabase } from '../../scripts/setup/cluster.mjs';
import { PROJECT } from '../../scripts/setup/project.mjs';
import { nameRecipe, palette, read, recipeOf, send } from '../support/api';
import { brandJson, bring, census, fileOf, sayingSize } from '../support/brand-file';
import { casesOf } from '../support/deep';
import { randomMark } from '../support/random-marks';
import { startTestApp } from '../support/test-app';

let here: Awaited<ReturnType<typeof startTestApp>>;
let there: Awaited<ReturnType<typeof startTestApp>>;
beforeAll(async () => {
  [here, there] = [await startTestApp({ demo: true }), await startTestApp({ demo: false })];
});
afterAll(async () => {
  await here.stop();
  await there.stop();
});

describe('a brand file', () => {
  it('holds the demo brands whole: read into another installation they are the same to the byte, recipes, revisions, tries, documents, pictures', async () => {
    const brands = await read<{ slug: string }[]>(`${here.url}/api/brands`);
    expect(brands.length).toBeGreaterThan(2);
    for (const { slug } of brands) {
      const file = await fileOf(here.url, slug);
      const taken = await bring(there.url, file);
      expect([taken.status, taken.value.slug]).toEqual([201, slug]);
      const again = await fileOf(there.url, slug);
      expect(brandJson(again)).toBe(brandJson(file));
      const [one, other] = [unzipSync(file), unzipSync(again)];
      expect(Object.keys(other)).toEqual(Object.keys(one));
      for (const [name, bytes] of Object.entries(one))
        expect(Buffer.compare(Buffer.from(other[name] as Uint8Array), Buffer.from(bytes)), name).toBe(0);
      const marks = await read<{ slug: string }[]>(`${there.url}/api/brands/${slug}/marks`);
      const picture = await fetch(`${there.url}/api/brands/${slug}/marks/${marks[0]?.slug}/picture.png?width=200`);
      expect(picture.status).toBe(200);
    }
  });

  it('round-trips random brands with pictures, fonts, tries, undone steps and marks that follow each other', async () => {
    const COUNT = casesOf({ inFull: 100, sample: 3 });
    for (let seed = 0; seed < COUNT; seed++) {
      const { slug } = (
        await send<{ slug: string }>(`${here.url}/api/brands`, 'POST', {
          name: `Random ${seed} ${['é/..', '東京', '🦊', 'plain'][seed % 4]}`,
          palette,
        })
      ).value;
      const brand = `${here.url}/api/brands/${slug}`;
      const first = (
        await send<{ id: string; slug: string }>(`${brand}/marks`, 'POST', { name: 'First', role: 'primary', recipe: nameRecipe('Salt') })
      ).value;
      for (let revision = 1; revision < 4; revision++)
        await send(`${brand}/marks/${first.slug}/revisions`, 'POST', {
          base: revision,
          gestures: [
            {
              id: randomUUID(),
              kind: revision === 3 ? 'undo' : 'edit',
              gesture: 'Change',
              recipe: writeRecipe(randomMark(seed * 7 + revision)),
            },
          ],
        });
      await send(`${brand}/marks`, 'POST', {
        name: 'Follows',
        role: 'icon',
        recipe: recipeOf({ kind: 'linked', id: 'l', from: { mark: first.id, part: 'name' } }),
      });
      await send(`${brand}/marks/${first.slug}/tries`, 'POST', { name: 'Other', recipe: writeRecipe(randomMark(seed)) });
      const png = PNG.sync.write(
        Object.assign(new PNG({ width: 20 + seed, height: 20 }), { data: Buffer.alloc((20 + seed) * 80, 90 + seed) }),
      );
      await fetch(`${brand}/pictures?name=p.png`, { method: 'POST', headers: { 'content-type': 'image/png' }, body: new Uint8Array(png) });
      if (seed % 3 === 0)
        expect(
          (
            await fetch(`${brand}/fonts?rights=paid`, {
              method: 'POST',
              headers: { 'content-type': 'font/woff2' },
              body: new Uint8Array(readFileSync(join(PROJECT, FONT))),
            })
          ).status,
        ).toBe(201);
      const file = await fileOf(here.url, slug);
      const taken = await bring(there.url, file);
      expect(taken.status, JSON.stringify(taken.value)).toBe(201);
      expect(brandJson(await fileOf(there.url, taken.value.slug ?? ''))).toBe(brandJson(file));
    }
  });

  it('has the photos in it, with what is laid over one of them otherwise; one that was changed, or is no photo, is refused', async () => {
    const brand = async (name: string) => (await send<{ slug: string }>(`${here.url}/api/brands`, 'POST', { name, palette })).value.slug;
    const slug = await brand('With photos');
    const home = (app: string, of: string) => `${app}/api/brands/${of}`;
    const photo = (shade: number, width: number) =>
      sharp({ create: { width, height: 40, channels: 3, background: { r: shade, g: 90, b: 40 } } })
        .jpeg({ quality: 92 })
        .withExifMerge({ IFD0: { Copyright: 'Kept as it came' } })
        .toBuffer();
    const bytes = [await photo(20, 60), await photo(200, 80)];
    for (const [at, each] of bytes.entries())
      await fetch(`${home(here.url, slug)}/photos?name=shore-${at}.jpg`, {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: new Uint8Array(each),
      });
    interface Shown {
      readonly id: string;
      readonly name: string;
      readonly tones: unknown;
    }
    const photosOf = (app: string, of: string) => read<readonly Shown[]>(`${home(app, of)}/photos`);
    const shown = await photosOf(here.url, slug);
    expect(shown.map(({ name }) => name)).toEqual(['shore-0.jpg', 'shore-1.jpg']);
    const laid = { ...startStamp('one', randomUUID()), opacityPercent: 35 };
    const content = photoDeskSchema.parse({ stamps: [laid], exceptions: { [shown[1]?.id ?? '']: { without: ['one'] } } });
    const saved = await send(`${home(here.url, slug)}/documents/photos`, 'PUT', { base: 0, content });
    expect(saved.status, JSON.stringify(saved.value)).toBeLessThan(300);
    const file = await fileOf(here.url, slug);
    const entries = unzipSync(file);
    for (const each of bytes) expect(Object.values(entries).some((entry) => Buffer.compare(Buffer.from(entry), each) === 0)).toBe(true);

    // Into another installation: the same photos, the same to the byte, and measured alike.
    const taken = await bring(there.url, file);
    expect(taken.status, JSON.stringify(taken.value)).toBe(201);
    expect(await photosOf(there.url, taken.value.slug ?? '')).toEqual(shown);
    expect(brandJson(await fileOf(there.url, taken.value.slug ?? ''))).toBe(brandJson(file));
    // Where they are already they get ids of their own.
    const second = await bring(here.url, file);
    const again = await photosOf(here.url, second.value.slug ?? '');
    expect(again.map(({ name, tones }) => [name, tones])).toEqual(shown.map(({ name, tones }) => [name, tones]));
    expect(again.some(({ id }) => shown.some((each) => each.id === id))).toBe(false);
    const { content: laidAgain } = await read<{ content: { exceptions: object } }>(
      `${home(here.url, second.value.slug ?? '')}/documents/photos`,
    );
    expect(Object.keys(laidAgain.exceptions)).toEqual([again[1]?.id]);

    const data = JSON.parse(brandJson(file)) as { photos: { sha256: string }[]; photosLeftOut?: number };
    const cover = JSON.parse(strFromU8(entries['cover.json'] as Uint8Array)) as object;
    const written = (json: object, more: Record<string, Uint8Array> = {}, version = 2) => {
      const brandBytes = strToU8(JSON.stringify(json));
      const brandSha256 = createHash('sha256').update(brandBytes).digest('hex');
      const first = strToU8(JSON.stringify({ ...cover, version, brandSha256 }));
      return zipSync({ ...entries, 'cover.json': first, 'brand.json': brandBytes, ...more });
    };
    const words = strToU8('no photo at all');
    const digest = createHash('sha256').update(words).digest('hex');
    const before = await census(there.databaseUrl);
    const [first = { sha256: '' }, other = { sha256: '' }] = data.photos;
    for (const [what, bad] of [
      ['changed', written(data, { [`files/${first.sha256}`]: words })],
      ['no photo', written({ ...data, photos: [{ ...first, sha256: digest }] }, { [`files/${digest}`]: words })],
      ['twice', written({ ...data, photos: [first, { ...other, sha256: first.sha256 }] })],
    ] as const) {
      const { status, value } = await bring(there.url, bad);
      expect([what, status]).toEqual([what, 422]);
      expect(value.problems?.[0]?.message, what).toMatch(/\w{3}/);
    }
    expect(await census(there.databaseUrl)).toEqual(before);
    // A file of the form before, which knows no photos.
    const { photos: _photos, photosLeftOut: _left, ...older } = data;
    expect((await bring(there.url, written(older, {}, 1))).status).toBe(201);
  });

  it('brought in where it is already, stands beside it with ids of its own, and marks follow those of the copy', async () => {
    const file = await fileOf(here.url, 'windrow-kites');
    const taken = await bring(here.url, file);
    expect([taken.status, taken.value.slug]).toEqual([201, 'windrow-kites-2']);
    const [old, fresh] = [
      await read<{ id: string }[]>(`${here.url}/api/brands/windrow-kites/marks`),
      await read<{ id: string }[]>(`${here.url}/api/brands/windrow-kites-2/marks`),
    ];
    expect(fresh).toHaveLength(old.length);
    const ids = new Set(old.map(({ id }) => id));
    const again = brandJson(await fileOf(here.url, 'windrow-kites-2'));
    for (const id of ids) expect(again.includes(id)).toBe(false);
  });

  it('that is cut off, changed, newer, foreign, a bomb or climbs out of its folder is refused with a sentence, and the studio stays as it was', async () => {
    const file = await fileOf(here.url, 'windrow-kites');
    const entries = unzipSync(file);
    const json = brandJson(file);
    const cover = JSON.parse(strFromU8(entries['cover.json'] as Uint8Array)) as Record<string, unknown>;
    const digest = async (bytes: Uint8Array) => Buffer.from(await crypto.subtle.digest('SHA-256', new Uint8Array(bytes))).toString('hex');
    const withJson = async (text: string) => {
      const bytes = strToU8(text);
      return zipSync({
        ...entries,
        'brand.json': bytes,
        'cover.json': strToU8(JSON.stringify({ ...cover, brandSha256: await digest(bytes) })),
      });
    };
    const changed = (change: (data: Record<string, never[]>) => void) => {
      const data = JSON.parse(json) as Record<string, never[]>;
      change(data);
      return withJson(JSON.stringify(data));
    };
    const [picture = ''] = Object.keys(entries).filter((name) => name.startsWith('files/'));
    const packed = zipSync({ 'cover.json': entries['cover.json'] as Uint8Array, 'brand.json': new Uint8Array(20 * 1024 * 1024) });
    const bomb = sayingSize(packed, 20 * 1024 * 1024, 600 * 1024 * 1024);
    const hidden = sayingSize(packed, 20 * 1024 * 1024, 2000);
    const cases: readonly (readonly [what: string, bytes: Uint8Array, code: string | RegExp])[] = [
      ['cut off', file.subarray(0, Math.floor(file.length * 0.7)), 'brand-file-damaged'],
      ['empty', new Uint8Array(0), /damaged|empty|no-/],
      ['no ZIP', strToU8('hello there, this is no archive at all'), 'brand-file-damaged'],
      ['another ZIP', zipSync({ 'cover.json': strToU8('{"format":"other"}'), 'brand.json': strToU8('{}') }), 'no-brand-file'],
      ['a text changed in it', zipSync({ ...entries, 'brand.json': strToU8(json.replace('Windrow', 'Windroe')) }), 'brand-file-damaged'],
      ['a newer form', zipSync({ ...entries, 'cover.json': strToU8(JSON.stringify({ ...cover, version: 99 })) }), 'newer-brand-file'],
      ['a path that climbs', zipSync({ ...entries, '../../evil.txt': strToU8('x') }), 'brand-file-damaged'],
      ['a path from the root', zipSync({ ...entries, '/etc/passwd': strToU8('x') }), 'brand-file-damaged'],
      [
        'a picture that is missing',
        zipSync(Object.fromEntries(Object.entries(entries).filter(([name]) => name !== picture))),
        'brand-file-damaged',
      ],
      ['a picture that is another', zipSync({ ...entries, [picture]: strToU8('not it') }), 'brand-file-damaged'],
      ['a bomb', bomb, 'brand-file-too-large'],
      ['a bomb that says it is small', hidden, 'brand-file-damaged'],
      ['a mark twice', await changed((data) => data['marks']?.push(data['marks'][0] as never)), 'brand-file-damaged'],
      [
        'a revision missing',
        await changed((data) =>
          (data['marks'] as unknown as { revisions: { number: number }[] }[])[0]?.revisions.forEach((each) => (each.number += 1)),
        ),
        'brand-file-damaged',
      ],
      [
        'a recipe that is none',
        await changed((data) =>
          (data['marks'] as unknown as { revisions: { recipe: unknown }[] }[])[0]?.revisions.forEach(
            (each) => (each.recipe = { parts: 7 }),
          ),
        ),
        'brand-file-damaged',
      ],
      ['a name that is a number', await changed((data) => ((data as unknown as { brand: { name: unknown } }).brand.name = 7)), /.+/],
    ];
    const before = await census(here.databaseUrl);
    for (const [what, bytes, code] of cases) {
      const { status, value } = await bring(here.url, bytes);
      expect(status, what).toBeGreaterThanOrEqual(400);
      expect(status, what).toBeLessThan(500);
      expect(value.problems?.[0]?.code, what).toMatch(code);
      expect(value.problems?.[0]?.message, what).toMatch(/\w/);
    }
    expect(await census(here.databaseUrl)).toEqual(before);
    // It still takes one that is right.
    expect((await bring(there.url, await changed(() => undefined))).status).toBe(201);
  });
});

/** A font that ships with the app; brought in as a client would bring theirs. */
const FONT = 'fonts/jost/jost-latin-wght-normal.woff2';

describe('backup and restore', () => {
  it('bring back everything into an empty database, and leave one that holds a studio alone', async () => {
    const target = join(mkdtempSync('/tmp/lucky-backup-'), 'all.backup');
    const run = (script: string, databaseUrl: string) =>
      execFileSync(process.execPath, [join(PROJECT, `scripts/${script}.mjs`), target], {
        env: { ...process.env, DATABASE_URL: databaseUrl },
        encoding: 'utf8',
        stdio: 'pipe',
      });
    expect(run('backup', here.databaseUrl)).toContain(target);
    const empty = ensureDatabase(inject('cluster'), `restored_${randomUUID().slice(0, 8)}`);
    expect(run('restore', empty)).toContain('Everything is back');
    expect(await census(empty)).toEqual(await census(here.databaseUrl));
    const files = async (databaseUrl: string) => {
      const client = new pg.Client({ connectionString: databaseUrl });
      await client.connect();
      const { rows } = await client.query(
        'select sha256, md5(string_agg(bytes, null order by position)) as sum from stored_piece group by sha256 order by sha256',
      );
      await client.end();
      return rows;
    };
    expect(await files(empty)).toEqual(await files(here.databaseUrl));
    expect(() => run('restore', empty)).toThrow(/holds a studio already/);
  });
});
