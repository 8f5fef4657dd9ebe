import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { photoDeskSchema, startStamp, type PhotoDesk } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { bomb, catalog, PRIVATE_WORDS } from '../support/catalog';
import { startTestApp } from '../support/test-app';

interface Page {
  readonly id: string;
  readonly name: string;
  readonly format: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly sizeBytes: number;
  readonly page?: { readonly number: number; readonly of: number; readonly widthMm: number; readonly heightMm: number };
}
interface Run {
  readonly id: string;
  readonly files: readonly {
    readonly id: string;
    readonly name: string;
    readonly state: string;
    readonly pages: readonly string[] | null;
    readonly report: { readonly notes: readonly string[]; readonly pages?: readonly number[] } | null;
    readonly reason: readonly { readonly message: string }[] | null;
  }[];
}

let app: Awaited<ReturnType<typeof startTestApp>>;
let worker: Awaited<ReturnType<typeof app.worker>>;
let home = '';
let mark = '';
let folder = '';
let pages: readonly Page[] = [];
let original: Buffer;

const bring = async (bytes: Uint8Array, name: string, at = home) => {
  const response = await fetch(`${at}/photos?name=${encodeURIComponent(name)}`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: new Uint8Array(bytes),
  });
  const value = (await response.json()) as readonly Page[] | { readonly problems: readonly { readonly message: string }[] };
  return 'length' in value
    ? { status: response.status, pages: value, said: '' }
    : { status: response.status, pages: [], said: value.problems.map(({ message }) => message).join(' ') };
};
const newBrand = async (name: string) => {
  const made = await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name, palette });
  return `${app.url}/api/brands/${made.value.slug}`;
};
/** A dark stamp, larger than usual, so that a wrong place shows. */
const deskOf = (change: object = {}): PhotoDesk =>
  photoDeskSchema.parse({
    stamps: [{ ...startStamp('one', mark), tone: 'dark', sizePercent: 40 }],
    output: { format: 'png', pattern: '{name}-{brand}' },
    ...change,
  });
async function run(photos: readonly string[], desk: PhotoDesk): Promise<Run> {
  const order = await send<Run>(`${home}/photo-runs`, 'POST', { id: randomUUID(), name: 'Run', photos, desk });
  expect(order.status, JSON.stringify(order.value)).toBe(201);
  await expect
    .poll(async () => (await read<Run>(`${home}/photo-runs/${order.value.id}`)).files.map(({ state }) => state).join(), {
      timeout: 120_000,
    })
    .toMatch(/^((done|failed),?)+$/);
  const made = await read<Run>(`${home}/photo-runs/${order.value.id}`);
  for (const file of made.files) expect(file.reason).toBeNull();
  return made;
}
const fileOf = async (made: Run, at = 0): Promise<Buffer> =>
  Buffer.from(await (await fetch(`${home}/photo-runs/${made.id}/files/${made.files[at]?.id}`)).arrayBuffer());

let count = 0;
/** Writes a file where tools find it. */
const kept = (bytes: Uint8Array): string => {
  const path = join(folder, `${count++}.pdf`);
  writeFileSync(path, bytes);
  return path;
};
/** Pages as poppler paints them, which the app does not use, in the pixels that the tray counts (poppler knows no UserUnit). */
const painted = (pdf: Uint8Array): readonly Buffer[] => {
  const path = kept(pdf);
  return pages.map(({ widthPx, heightPx }, at) => {
    const [size, page] = [
      ['-scale-to-x', String(widthPx), '-scale-to-y', String(heightPx)],
      ['-f', String(at + 1), '-l', String(at + 1)],
    ];
    execFileSync('pdftocairo', ['-png', '-cropbox', '-singlefile', ...size, ...page, path, `${path}-${at}`]);
    return readFileSync(`${path}-${at}.png`);
  });
};
/** A picture at a size of its own, to be compared. */
const small = (bytes: Uint8Array, { widthPx, heightPx }: Page): Promise<Buffer> =>
  sharp(bytes)
    .resize({ width: 500, height: Math.round((500 * heightPx) / widthPx), fit: 'fill' })
    .png()
    .toBuffer();
const pixels = (png: Uint8Array) => sharp(png).flatten({ background: '#ffffff' }).removeAlpha().raw().toBuffer({ resolveWithObject: true });
/** Mean difference of two pictures of one size, and where they differ clearly. */
async function difference(one: Uint8Array, other: Uint8Array) {
  const [a, b] = [await pixels(one), await pixels(other)];
  expect([b.info.width, b.info.height]).toEqual([a.info.width, a.info.height]);
  let sum = 0;
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (let at = 0; at < a.data.length; at++) {
    const by = Math.abs((a.data[at] as number) - (b.data[at] as number));
    sum += by;
    if (by < 24) continue;
    const [x, y] = [Math.floor(at / 3) % a.info.width, Math.floor(at / 3 / a.info.width)];
    box.left = Math.min(box.left, x);
    box.right = Math.max(box.right, x);
    box.top = Math.min(box.top, y);
    box.bottom = Math.max(box.bottom, y);
  }
  return { mean: sum / a.data.length, box, size: a.info };
}

beforeAll(async () => {
  app = await startTestApp({ demo: false });
  worker = await app.worker();
  folder = mkdtempSync('/tmp/lucky-test-pages-');
  home = await newBrand('Windrow');
  mark = (await send<{ id: string }>(`${home}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Windrow') })).value
    .id;
  original = await catalog();
  pages = (await bring(original, 'Kites 2027.pdf')).pages;
});
afterAll(async () => {
  await worker.stop();
  await app.stop();
});

describe('a PDF', () => {
  it('comes in page by page, each as it is seen: turned, cropped, in its units', async () => {
    expect(pages.map(({ page, widthPx, heightPx }) => [page?.number, page?.of, widthPx, heightPx])).toEqual([
      [1, 4, 840, 1190],
      [2, 4, 1190, 840],
      [3, 4, 720, 1040],
      [4, 4, 1260, 1785],
    ]);
    expect(pages[0]?.page).toMatchObject({ widthMm: 148.2, heightMm: 209.9 });
    const seen = painted(original);
    for (const [at, page] of pages.entries()) {
      const preview = Buffer.from(await (await fetch(`${home}/photos/${page.id}/preview.webp`)).arrayBuffer());
      const { mean } = await difference(await small(preview, page), await small(seen[at] as Buffer, page));
      expect(mean, `page ${at + 1}`).toBeLessThan(4);
    }
  });

  it('is the same again when it comes again; a page that was taken away comes back', async () => {
    expect((await bring(original, 'Kites 2027.pdf')).pages.map(({ id }) => id)).toEqual(pages.map(({ id }) => id));
    const third = pages[2]?.id ?? '';
    await send(`${home}/photos`, 'PATCH', { photos: [third], removed: true });
    expect(await read<readonly Page[]>(`${home}/photos`)).toHaveLength(3);
    await send(`${home}/photos`, 'PATCH', { photos: [third], removed: false });
    expect((await read<readonly Page[]>(`${home}/photos`)).map(({ id }) => id)).toEqual(pages.map(({ id }) => id));
  });

  it('is marked in one file, where the tray shows it on every page, as vectors; text, links and other pages stay', async () => {
    const exceptions = { [pages[1]?.id ?? '']: { stamps: { one: { anchor: 'top-left' } } } };
    const marked = [pages[3], pages[0], pages[1], pages[2]].flatMap((page) => page?.id ?? []);
    const made = await run(marked, deskOf({ exceptions, output: { creator: 'Kite Works', copyright: '© Kite Works' } }));
    expect(made.files.map(({ name, pages: of }) => [name, of])).toEqual([['kites-2027-windrow.pdf', pages.map(({ id }) => id)]]);
    expect(made.files[0]?.report).toMatchObject({ pages: [1, 2, 3, 4], notes: ['All 4 pages are marked.'] });
    const file = await fileOf(made);
    const [before, after] = [kept(original), kept(file)];
    const tool = (name: string, ...args: string[]) => execFileSync(name, args).toString();
    expect(tool('pdftotext', '-layout', after, '-')).toBe(tool('pdftotext', '-layout', before, '-'));
    expect(tool('pdfinfo', '-url', after)).toBe(tool('pdfinfo', '-url', before));
    // No pixels came along: the pictures are those that were there.
    const pictures = (path: string) => tool('pdfimages', '-list', path).trim().split('\n').length;
    expect(pictures(after)).toBe(pictures(before));

    // The same pages as photos, marked by the other way: painted pixels under the same stamp.
    const plain = painted(original);
    const twins: string[] = [];
    for (const [at, png] of plain.entries()) {
      twins.push((await bring(png, `twin-${at}.png`)).pages[0]?.id ?? '');
    }
    const asPhotos = await run(twins, deskOf({ exceptions: { [twins[1] ?? '']: { stamps: { one: { anchor: 'top-left' } } } } }));
    for (const [at, png] of painted(file).entries()) {
      const photo = await fileOf(asPhotos, at);
      const { mean } = await difference(photo, png);
      expect(mean, `page ${at + 1}`).toBeLessThan(2);
      const { box, size } = await difference(plain[at] as Buffer, png);
      // In the corner that it was put in, and there alone.
      if (at === 1) expect(box.right < size.width / 2 && box.bottom < size.height / 2, JSON.stringify(box)).toBe(true);
      else expect(box.left > size.width / 2 && box.top > size.height / 2, JSON.stringify(box)).toBe(true);
    }
  });

  it('under a veil is so on the chosen pages alone, and can be looked at page by page', async () => {
    const chosen = [pages[0], pages[3]].flatMap((page) => page?.id ?? []);
    const made = await run(chosen, deskOf({ stamps: [], veil: { on: true, text: 'Windrow', opacityPercent: 30 } }));
    expect(made.files[0]?.report).toMatchObject({ pages: [1, 4], notes: ['2 of 4 pages are marked; the others are as they were.'] });
    const [plain, veiled] = [painted(original), painted(await fileOf(made))];
    for (const at of [1, 2]) expect((await difference(plain[at] as Buffer, veiled[at] as Buffer)).mean).toBe(0);
    for (const at of [0, 3]) {
      const { mean, box, size } = await difference(plain[at] as Buffer, veiled[at] as Buffer);
      expect(mean).toBeGreaterThan(0.5);
      expect((box.right - box.left) / size.width).toBeGreaterThan(0.9);
      expect((box.bottom - box.top) / size.height).toBeGreaterThan(0.9);
      const look = await fetch(`${home}/photo-runs/${made.id}/files/${made.files[0]?.id}/look.webp?page=${at + 1}`);
      expect(look.headers.get('content-type')).toBe('image/webp');
      const page = pages[at] as Page;
      const shown = await small(Buffer.from(await look.arrayBuffer()), page);
      expect((await difference(shown, await small(veiled[at] as Buffer, page))).mean).toBeLessThan(4);
    }
  });

  it('tells nothing of people, places and cameras, and what it is asked to tell', async () => {
    const made = await run([pages[0]?.id ?? ''], deskOf({ output: { creator: 'Kite Works', copyright: '© Kite Works' } }));
    const path = kept(await fileOf(made));
    const told = execFileSync('exiftool', ['-a', '-u', '-g1', path]).toString();
    expect(told).toMatch(/Title\s*: Kites/);
    expect(told).toMatch(/Author\s*: Kite Works/);
    expect(told).toContain('© Kite Works');
    for (const word of PRIVATE_WORDS) expect(told).not.toContain(word);
    // The photo in it, as it lies there.
    const where = mkdtempSync(join(folder, 'photo-'));
    execFileSync('pdfimages', ['-j', '-f', '1', '-l', '1', path, join(where, 'photo')]);
    const [photo = ''] = readdirSync(where);
    const inside = execFileSync('exiftool', ['-a', '-u', '-g1', join(where, photo)]).toString();
    expect(inside).toMatch(/Image Width\s*: 240/);
    expect(inside).not.toMatch(/GPS|Camera of nobody|Ada Private/);
    // The same made as the catalog came, so that the test would see it.
    const first = mkdtempSync(join(folder, 'photo-'));
    execFileSync('pdfimages', ['-j', '-f', '1', '-l', '1', kept(original), join(first, 'photo')]);
    expect(execFileSync('exiftool', ['-a', '-u', '-g1', join(first, readdirSync(first)[0] ?? '')]).toString()).toMatch(/GPS/);
  });

  it('that is locked, cut off, too long or none is refused in a sentence, and leaves nothing', async () => {
    const before = await read<readonly Page[]>(`${home}/photos`);
    const refusals: readonly (readonly [string, Uint8Array, RegExp])[] = [
      ['opened.pdf', await catalog({ passwords: { userPassword: 'open' } }), /opened\.pdf is locked/],
      ['written.pdf', await catalog({ passwords: { ownerPassword: 'write' } }), /written\.pdf is locked/],
      ['cut.pdf', original.subarray(0, 600), /cut\.pdf could not be read to its end as a PDF/],
      ['words.pdf', Buffer.from('%PDF-1.7 and then only words'), /words\.pdf could not be read/],
      ['packed.pdf', bomb(), /Something in packed\.pdf unpacks to more than 256 MB/],
      ['twice.pdf', bomb(true), /Something in twice\.pdf unpacks to more than 256 MB/],
      ['long.pdf', await catalog({ pages: 301 }), /long\.pdf has 301 pages; the limit is 300/],
    ];
    for (const [name, bytes, says] of refusals) {
      const refused = await bring(bytes, name);
      expect([refused.status, refused.said]).toEqual([422, expect.stringMatching(says)]);
    }
    expect(await read<readonly Page[]>(`${home}/photos`)).toEqual(before);
  });

  it('goes along in a brand file and in a copy of its brand: one file, the same pages', async () => {
    const other = await newBrand('Copied');
    await bring(original, 'Kites 2027.pdf', other);
    const shown = await read<readonly Page[]>(`${other}/photos`);
    const file = Buffer.from(await (await fetch(`${other}/brand-file`)).arrayBuffer());
    const taken = await fetch(`${app.url}/api/brand-files`, {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: new Uint8Array(file),
    });
    const { slug } = (await taken.json()) as { slug: string };
    expect(taken.status).toBe(201);
    const bare = (list: readonly Page[]) => list.map(({ id: _, ...page }) => page);
    expect(bare(await read<readonly Page[]>(`${app.url}/api/brands/${slug}/photos`))).toEqual(bare(shown));
  });
});
