import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasSchema, pieceCanvasSchema, pieceLayout, pouredPiece, writeRecipe } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let home = '';
let primary = { id: '', slug: '' };
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  home = `${app.url}/api/brands/${(await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Pieced', palette })).value.slug}`;
  const made = await send<{ id: string; slug: string }>(`${home}/marks`, 'POST', {
    name: 'Primary',
    role: 'primary',
    recipe: nameRecipe('Heron'),
  });
  primary = made.value;
});
afterAll(() => app.stop());

const font = { family: 'jost', style: 'normal' as const, axes: {} };
async function piece(name: string, canvas: object, id = 'halves-lead'): Promise<string> {
  const layout = pieceLayout(id);
  if (!layout) throw new Error('A layout is gone.');
  const content = {
    mark: primary.id,
    submark: primary.id,
    faces: { heading: font, text: font },
    words: { heading: 'Every tide', text: 'Words that stand in a column of their own.', small: 'Small' },
  };
  const recipe = writeRecipe(pouredPiece(pieceCanvasSchema.parse(canvas), layout, content, palette));
  const made = await send<{ slug: string }>(`${home}/marks`, 'POST', { name, role: 'piece', gesture: 'Pour a layout', recipe });
  expect(made.status, JSON.stringify(made.value)).toBe(201);
  return made.value.slug;
}
const file = async (slug: string, format: string, query = '') => {
  const response = await fetch(`${home}/marks/${slug}/picture.${format}${query}`);
  expect(response.status).toBe(200);
  return Buffer.from(await response.arrayBuffer());
};

describe('files of pieces', () => {
  it('have the canvas’s own size in pixels, ground and all, and any other that is asked for', async () => {
    const slug = await piece('Post', { width: 1080, height: 1350 });
    const whole = await sharp(await file(slug, 'png'))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([whole.info.width, whole.info.height]).toEqual([1080, 1350]);
    // The lower half stands on the lead color of the palette, to its last pixel.
    const corner = (whole.info.width * whole.info.height - 1) * whole.info.channels;
    expect([...whole.data.subarray(corner, corner + 3)]).toEqual([0xb5, 0x48, 0x2d]);
    expect((await sharp(await file(slug, 'png', '?width=540')).metadata()).height).toBe(675);
    expect((await sharp(await file(slug, 'webp')).metadata()).width).toBe(1080);
  });

  it('in mm are made at 300 pixels an inch without their bleed, and say so', async () => {
    const slug = await piece('Card', { width: 85, height: 55, unit: 'mm', bleed: 3 });
    const { width, height, density } = await sharp(await file(slug, 'png')).metadata();
    expect([width, height]).toEqual([Math.round((85 / 25.4) * 300), Math.round((55 / 25.4) * 300)]);
    expect(density).toBe(300);
  });

  it('for print carry their bleed: the page is larger by it, and the trim box is the canvas (pdfinfo)', async () => {
    const slug = await piece('Printed card', { width: 85, height: 55, unit: 'mm', bleed: 3 });
    const path = join(mkdtempSync('/tmp/lucky-piece-'), 'card.pdf');
    writeFileSync(path, await file(slug, 'pdf'));
    const said = execFileSync('pdfinfo', ['-box', path], { encoding: 'utf8' });
    const box = (name: string) =>
      (new RegExp(`${name}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`).exec(said) ?? []).slice(1).map(Number);
    const pt = (mm: number) => (mm / 25.4) * 72;
    const [left = 0, bottom = 0, right = 0, top = 0] = box('TrimBox');
    expect(right - left).toBeCloseTo(pt(85), 1);
    expect(top - bottom).toBeCloseTo(pt(55), 1);
    const media = box('MediaBox');
    expect(media[2]).toBeCloseTo(pt(91), 1);
    expect(media[3]).toBeCloseTo(pt(61), 1);
  });

  it('change with the mark, and nothing of them is in the family’s packs and strips', async () => {
    const slug = await piece('Follows', { width: 600, height: 600 }, 'alone-paper');
    const before = await file(slug, 'svg');
    const now = await read<{ revision: number }>(`${home}/marks/${primary.slug}`);
    const saved = await send(`${home}/marks/${primary.slug}/revisions`, 'POST', {
      base: now.revision,
      gestures: [{ id: crypto.randomUUID(), kind: 'edit', gesture: 'Rename', recipe: nameRecipe('Heron and Daughters') }],
    });
    expect(saved.status, JSON.stringify(saved.value)).toBeLessThan(300);
    expect((await file(slug, 'svg')).equals(before)).toBe(false);
    const page = await (await fetch(`${app.url}/`)).text();
    expect(page).not.toContain('follows');
  });

  it('a canvas that is none is refused, and nothing is written', async () => {
    const count = (await read<unknown[]>(`${home}/marks`)).length;
    for (const canvas of [
      { width: 1, height: 20_000 },
      { width: 100 },
      { width: 100, height: 100, bleed: -2 },
      { width: 1e9, height: 10 },
    ]) {
      const recipe = { ...(writeRecipe({ version: 5, parts: [] }) as object), whole: { treatments: [], canvas } };
      expect((await send(`${home}/marks`, 'POST', { name: 'None', role: 'piece', recipe })).status, JSON.stringify(canvas)).toBe(422);
    }
    expect(await read<unknown[]>(`${home}/marks`)).toHaveLength(count);
  });
});

describe('pieces in packs', () => {
  it('go into one of their own, each in its own size, with bleed for printers; in no other', async () => {
    const worker = await app.worker();
    const brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Packed', palette })).value.slug;
    home = `${app.url}/api/brands/${brand}`;
    primary = (
      await send<{ id: string; slug: string }>(`${home}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Heron') })
    ).value;
    await piece('Post', { width: 600, height: 750 });
    await piece('Card', { width: 85, height: 55, unit: 'mm', bleed: 3 });
    const leaf = { width: 100, height: 140, unit: 'mm', bleed: 3 };
    await piece('Back leaf', { ...leaf, booklet: { id: 'leaves', page: 2 } });
    await piece('Front leaf', { ...leaf, booklet: { id: 'leaves', page: 1 } });
    const marks = await read<readonly { id: string; slug: string; revision: number }[]>(`${home}/marks`);
    const all = marks.map(({ id }) => id);
    const size = { label: 'square', canvas: canvasSchema.parse({ width: 200, height: 200 }) };
    const plan = {
      pattern: '{brand}-{mark}-{size}',
      packs: [
        { id: 'pieces', kind: 'pieces', marks: all, dressings: [], formats: ['png', 'pdf'], sizes: [] },
        { id: 'profiles', kind: 'profiles', marks: all, dressings: ['full'], formats: ['png'], sizes: [size] },
      ],
    };
    const id = '22222222-2222-4333-8444-555555555555';
    interface Pack {
      readonly files: readonly { readonly name: string; readonly state: string; readonly reason: unknown; readonly outdated: boolean }[];
    }
    const ordered = await send<Pack>(`${home}/handovers`, 'POST', { id, name: 'For the printer', plan });
    expect(ordered.status, JSON.stringify(ordered.value)).toBe(201);
    const pack = () => read<Pack>(`${home}/handovers/${id}`);
    await expect
      .poll(async () => (await pack()).files.map(({ state, reason }) => (reason ? JSON.stringify(reason) : state)), { timeout: 100_000 })
      .toEqual(Array.from({ length: 8 }, () => 'done'));
    expect((await pack()).files.map(({ name }) => name)).toEqual([
      'pieces/packed-post-600x750.png',
      'pieces/packed-post-600x750.pdf',
      'pieces/packed-card-85x55mm.png',
      'pieces/packed-card-85x55mm.pdf',
      'pieces/packed-back-leaf-100x140mm.png',
      'pieces/packed-front-leaf-100x140mm.png',
      'pieces/packed-front-leaf-100x140mm.pdf',
      'profiles/packed-primary-200x200.png',
    ]);
    const zip = unzipSync(new Uint8Array(await (await fetch(`${home}/handovers/${id}/pack.zip`)).arrayBuffer()));
    const card = await sharp(zip['pieces/packed-card-85x55mm.png']).metadata();
    expect([card.width, card.height, card.density]).toEqual([Math.round((85 / 25.4) * 300), Math.round((55 / 25.4) * 300), 300]);
    const path = join(mkdtempSync('/tmp/lucky-pack-'), 'card.pdf');
    writeFileSync(path, zip['pieces/packed-card-85x55mm.pdf'] ?? new Uint8Array());
    const boxes = execFileSync('pdfinfo', ['-box', path], { encoding: 'utf8' });
    const width = (box: string) => {
      const [left = 0, , right = 0] = (new RegExp(`${box}:\\s+(.*)`).exec(boxes)?.[1] ?? '').trim().split(/\s+/).map(Number);
      return ((right - left) / 72) * 25.4;
    };
    expect(width('TrimBox')).toBeCloseTo(85, 1);
    expect(width('BleedBox')).toBeCloseTo(91, 1);
    // Pages of a booklet are one file, in their order, each with its bleed.
    writeFileSync(path, zip['pieces/packed-front-leaf-100x140mm.pdf'] ?? new Uint8Array());
    const leaves = execFileSync('pdfinfo', ['-box', '-f', '1', '-l', '2', path], { encoding: 'utf8' });
    expect(leaves).toMatch(/Pages:\s+2\b/);
    for (const page of [1, 2]) expect(leaves).toMatch(new RegExp(`Page +${page} TrimBox:`));
    const guide = strFromU8(zip['read-me.txt'] ?? new Uint8Array());
    expect(guide).toContain('Front leaf and what follows: 2 pages');

    // What it shows is changed: the piece says so, in the room and in the pack.
    const handed = async () => {
      const response = await fetch(`${app.url}/brands/${brand}/pieces/__data.json`);
      return response.text();
    };
    expect(await handed()).toContain('For the printer');
    expect(await handed()).not.toContain('version 1 then');
    const mark = marks.find(({ id: each }) => each === primary.id);
    const gesture = { id: '22222222-2222-4333-8444-666666666666', kind: 'edit', gesture: 'Other', recipe: nameRecipe('Curlew') };
    await send(`${home}/marks/${mark?.slug}/revisions`, 'POST', { base: mark?.revision, gestures: [gesture] });
    expect(await handed()).toContain('Primary, version 1 then, 2 now');
    expect((await pack()).files.every(({ outdated }) => outdated)).toBe(true);
    await worker.stop();
  });
});

describe('pages of a booklet', () => {
  const page = (number: number, id = 'tides') => ({ width: 210, height: 280, unit: 'mm', bleed: 3, booklet: { id, page: number } });
  const pdf = (id: string) => fetch(`${home}/booklets/${id}/pages.pdf?download=1`);
  it('come as one PDF in their order, each with its bleed (pdfinfo, pdftotext is of no use: words are outlines)', async () => {
    // Told apart by their grounds: the second is paper, the others stand on the lead color below.
    await piece('Last', page(9));
    await piece('Middle', page(5), 'mark-over-words-paper');
    await piece('First', page(2));
    const response = await pdf('tides');
    expect(response.status).toBe(200);
    expect(response.headers.get('content-disposition')).toContain('_first.pdf');
    const folder = mkdtempSync('/tmp/lucky-booklet-');
    const path = join(folder, 'pages.pdf');
    writeFileSync(path, Buffer.from(await response.arrayBuffer()));
    const said = execFileSync('pdfinfo', ['-box', '-l', '3', path], { encoding: 'utf8' });
    expect(said).toMatch(/Pages:\s+3\b/);
    const pt = (mm: number) => (mm / 25.4) * 72;
    const media = [...said.matchAll(/Page\s+\d+ MediaBox:\s+[\d.]+\s+[\d.]+\s+([\d.]+)\s+([\d.]+)/g)];
    expect(media.length).toBe(3);
    for (const [, wide, high] of media) {
      expect(Number(wide)).toBeCloseTo(pt(216), 1);
      expect(Number(high)).toBeCloseTo(pt(286), 1);
    }
    execFileSync('pdftoppm', ['-r', '30', '-png', path, join(folder, 'page')]);
    const foot = async (number: number) => {
      const { data, info } = await sharp(join(folder, `page-${number}.png`))
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      return [...data.subarray((info.width * (info.height - 8) + 30) * 3).subarray(0, 3)];
    };
    const near = (color: readonly number[], wanted: readonly number[]) =>
      color.forEach((value, at) => expect(Math.abs(value - (wanted[at] as number))).toBeLessThan(4));
    near(await foot(1), [0xb5, 0x48, 0x2d]);
    near(await foot(2), [0xff, 0xfd, 0xf8]);
    near(await foot(3), [0xb5, 0x48, 0x2d]);
  });
  it('of several sizes are refused, and told which; so are booklets that are none, another brand’s, or longer than a file', async () => {
    await piece('Wide', { ...page(1, 'mixed') });
    await piece('Narrow', { ...page(2, 'mixed'), width: 105 });
    const mixed = await pdf('mixed');
    expect(mixed.status).toBe(422);
    expect(((await mixed.json()) as { problems: { message: string }[] }).problems[0]?.message).toContain('“Narrow” is not 210 × 280 mm');
    for (const id of ['nobody', '..%2Fa', '%00', 'x'.repeat(300)]) expect([400, 404]).toContain((await pdf(id)).status);
    const other = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Elsewhere', palette })).value.slug;
    expect((await fetch(`${app.url}/api/brands/${other}/booklets/tides/pages.pdf`)).status).toBe(404);
    // A page that is removed is in no file.
    await send(`${home}/marks/narrow`, 'PATCH', { shelf: 'removed' });
    expect((await pdf('mixed')).status).toBe(200);
    for (let n = 1; n <= 201; n++) await piece(`Leaf ${n}`, { width: 50, height: 50, booklet: { id: 'endless', page: n } });
    const endless = await pdf('endless');
    expect(endless.status).toBe(422);
    expect(((await endless.json()) as { problems: { message: string }[] }).problems[0]?.message).toContain('201 pages');
  });
});
