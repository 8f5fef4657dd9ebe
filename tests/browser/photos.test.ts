import { mkdtempSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ElementHandle } from 'puppeteer-core';
import { read } from '../support/api';
import { faultsOf, unsaidOn } from '../support/axe';
import { useVisitor } from '../support/browser';
import { catalog } from '../support/catalog';
import { random } from '../support/random';

const test = useVisitor();
let worker: Awaited<ReturnType<typeof test.app.worker>>;
beforeAll(async () => {
  worker = await test.app.worker();
});
afterAll(() => worker.stop());

const ROOM = '/brands/windrow-kites/photos';

/** Twelve photos of noise, from light to dark, on this disk. */
async function twelve(): Promise<readonly string[]> {
  const folder = mkdtempSync('/tmp/lucky-twelve-');
  const paths: string[] = [];
  for (let n = 0; n < 12; n++) {
    const next = random(n + 1);
    const tone = 20 + n * 19;
    const pixels = Buffer.from(Uint8Array.from({ length: 900 * 600 * 3 }, () => Math.max(0, Math.min(255, tone + (next() - 0.5) * 30))));
    const path = join(folder, `shore-${String(n + 1).padStart(2, '0')}.jpg`);
    writeFileSync(
      path,
      await sharp(pixels, { raw: { width: 900, height: 600, channels: 3 } })
        .jpeg({ quality: 92 })
        .toBuffer(),
    );
    paths.push(path);
  }
  return paths;
}
interface Goods {
  readonly content: {
    readonly own: Readonly<
      Record<
        string,
        {
          readonly corners: readonly { readonly x: number; readonly y: number }[];
          readonly mesh: readonly { readonly x: number; readonly y: number }[];
          readonly cloth?: { readonly at: readonly unknown[] };
        }
      >
    >;
  };
}
interface PackOfGoods {
  readonly id: string;
  readonly files: readonly { readonly name: string; readonly state: string }[];
}
interface Run {
  readonly id: string;
  readonly files: readonly { readonly name: string; readonly state: string }[];
}
const runs = () => read<Run[]>(`${test.app.url}/api/brands/windrow-kites/photo-runs`);

describe('a photographer’s day', () => {
  it('twelve photos come in, a stamp and a veil are laid, one is treated otherwise, the run is stopped, gone on with, downloaded and read back', async () => {
    const { visitor } = test;
    const { page } = visitor;
    await visitor.go(ROOM);
    const input = (await page.waitForSelector('.ways input[multiple]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(...(await twelve()));
    await page.waitForFunction(() => document.querySelectorAll('[data-photo] img').length === 12, { timeout: 60_000 });

    // A stamp: the watermark of the family, shown over the photo at once, dark or light as the picture asks.
    const stamps = await page.waitForSelector('.add select');
    const watermark = await stamps?.evaluate(
      (list) => [...(list as HTMLSelectElement).options].find(({ text }) => text === 'Watermark')?.value ?? '',
    );
    await stamps?.select(watermark ?? '');
    await page.waitForSelector('[data-stamp]');
    await page.waitForFunction(() => document.querySelectorAll('.laid path').length > 0);
    await visitor.click('Veil', 'checkbox');
    await page.waitForFunction(() => document.querySelectorAll('.laid path').length > 60);
    await visitor.sees('of it protected');
    await visitor.saved();

    // One photo has its stamp elsewhere: pulled there, on it alone.
    await page.click('[data-photo]:nth-child(3)');
    await visitor.click('only this photo', 'checkbox');
    await page.waitForFunction(() => document.querySelector('.stage h2')?.textContent === 'shore-03.jpg');
    const from = await visitor.placeOf('[data-stamp] .hold');
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(from.x - 160, from.y - 120, { steps: 8 });
    await page.mouse.up();
    await page.waitForFunction(() => document.querySelectorAll('.own').length === 1);
    const moved = await visitor.placeOf('[data-stamp] .hold');
    expect(moved.x).toBeLessThan(from.x - 60);
    await page.click('[data-photo]:nth-child(4)');
    await page.waitForFunction(() => document.querySelector('.stage h2')?.textContent === 'shore-04.jpg');
    await page.waitForFunction(() => document.querySelectorAll('.laid path').length > 60);
    expect(Math.abs((await visitor.placeOf('[data-stamp] .hold')).x - from.x)).toBeLessThan(3);

    await visitor.click('Mark 12 photos');
    await visitor.sees('Run 1');
    await visitor.click('Stop');
    await page.waitForFunction(() =>
      /stopped|marked and opened/.test(document.querySelector('article [role="status"]')?.textContent ?? ''),
    );
    const [stopped] = await runs();
    if (stopped?.files.some(({ state }) => state === 'stopped')) await visitor.click('Go on');
    await page.waitForFunction(
      () => document.querySelector('article [role="status"]')?.textContent?.includes('12 photos marked and opened again'),
      {
        timeout: 120_000,
      },
    );
    const link = await page.waitForSelector('a[href$="photos.zip"]');
    const address = await link?.evaluate((anchor) => (anchor as HTMLAnchorElement).href);
    const zip = unzipSync(new Uint8Array(await (await fetch(address ?? '')).arrayBuffer()));
    expect(Object.keys(zip)).toHaveLength(12);
    const differs = async (name: string, left: number, top: number) => {
      const region = { left, top, width: 190, height: 120 };
      const marked = await sharp(zip[name] as Uint8Array)
        .extract(region)
        .greyscale()
        .raw()
        .toBuffer();
      const { stdev } = (await sharp(marked, { raw: { width: 190, height: 120, channels: 1 } }).stats()).channels[0] as {
        readonly stdev: number;
      };
      return stdev;
    };
    const names = Object.keys(zip).sort();
    for (const name of names) expect(await sharp(zip[name] as Uint8Array).metadata()).toMatchObject({ width: 900, height: 600 });
    // The stamp lies in the corner of the second photo, and not in that of the third.
    expect(await differs(names[1] ?? '', 690, 460)).toBeGreaterThan(1.25 * (await differs(names[2] ?? '', 690, 460)));
  });

  it('a catalog comes in page by page, is marked in its own file, and is looked at before and after', async () => {
    const { visitor } = test;
    const { page } = visitor;
    await visitor.go(ROOM);
    const path = join(mkdtempSync('/tmp/lucky-catalog-'), 'Kites.pdf');
    writeFileSync(path, await catalog());
    const input = (await page.waitForSelector('.ways input[multiple]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
    await visitor.sees('12 photos and 4 pages');
    const tiles = '[data-photo][title*="Kites.pdf"]';
    const [first, , , last] = await page.$$(tiles);
    await first?.click();
    await visitor.sees('Kites.pdf, page 1');
    await page.keyboard.down('Shift');
    await last?.click();
    await page.keyboard.up('Shift');
    await visitor.click('Mark 4 pages');
    await visitor.sees('1 file marked and opened again');
    await page.locator('article ::-p-text(Run 2)').click();
    await page.locator('article li button').click();
    await page.waitForSelector('dialog[open]');
    const shown = () =>
      page.waitForFunction(() =>
        [...document.querySelectorAll<HTMLImageElement>('dialog img')].every(({ naturalWidth }) => naturalWidth > 0),
      );
    await shown();
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
    await page.select('dialog select[aria-label="Page"]', '1');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('dialog img')].some((img) => (img as HTMLImageElement).src.endsWith('page=2')),
    );
    await shown();
    // The second page lies on its side, in both.
    expect(await page.$$eval('dialog img', (images) => images.map((img) => img.naturalWidth > img.naturalHeight))).toEqual([true, true]);
    await visitor.click('Close');
    // The tray is the photos' again for those that follow.
    await page.locator('::-p-text(Take away these 4)').click();
    await visitor.sees('12 photos');
  });

  it('a mark is put on a shirt and a mug, in another color, and the picture is had', async () => {
    const { visitor } = test;
    const { page } = visitor;
    await visitor.go('/brands/windrow-kites/proof');
    for (const goods of ['shirt', 'mug']) {
      await page.waitForSelector('.tile.goods');
      await page.evaluate((label) => {
        const tile = [...document.querySelectorAll<HTMLElement>('.tile.goods')].find(
          ({ title }) => title.startsWith('Primary') && title.includes(label),
        );
        tile?.scrollIntoView();
        tile?.click();
      }, goods);
      await page.waitForSelector('dialog[open] .picture img');
      const pictureOf = () => page.$eval('dialog[open] .picture img', (img) => (img as HTMLImageElement).src);
      await page.waitForFunction(() => (document.querySelector('dialog[open] .picture img') as HTMLImageElement | null)?.complete);
      const before = await pictureOf();
      await visitor.pick('Its color', 'lead');
      await page.waitForFunction(
        (old) => (document.querySelector('dialog[open] .picture img') as HTMLImageElement | null)?.src !== old,
        {},
        before,
      );
      const meansOf = async (address: string) =>
        (await sharp(Buffer.from(await (await fetch(address)).arrayBuffer())).stats()).channels.map(({ mean }) => mean);
      const [first, second] = [await meansOf(before), await meansOf(await pictureOf())];
      expect(Math.max(...first.map((mean, k) => Math.abs(mean - (second[k] as number))))).toBeGreaterThan(4);
      await visitor.click('Close');
      await visitor.dialogGone();
    }
    await visitor.saved();
  });

  it('a photo of one’s own takes a mark at four corners, bent, with its cloth colored, and goes into a pack', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const own = async () => Object.values((await read<Goods>(`${test.app.url}/api/brands/windrow-kites/documents/goods`)).content.own);
    await visitor.go('/brands/windrow-kites/proof');
    await visitor.click('Add a photo of your own');
    await page.waitForSelector('dialog[open] .photos button');
    await page.$eval('dialog[open] .photos button', (tile) => (tile as HTMLElement).click());
    await page.waitForSelector('[aria-label="Corner upper left"]');
    await expect.poll(own, { timeout: 30_000 }).toHaveLength(1);
    const [start] = await own();
    const pull = async (label: string, dx: number, dy: number) => {
      const handle = (await page.waitForSelector(`[aria-label="${label}"]`)) as ElementHandle;
      const box = await handle.boundingBox();
      const [x, y] = [(box?.x ?? 0) + 12, (box?.y ?? 0) + 12];
      await page.mouse.move(x, y);
      await page.mouse.down();
      await page.mouse.move(x + dx / 2, y + dy / 2);
      await page.mouse.move(x + dx, y + dy);
      await page.mouse.up();
    };
    await pull('Corner upper left', -40, -30);
    await expect
      .poll(async () => (await own())[0]?.corners[0]?.x ?? 1, { timeout: 30_000 })
      .toBeLessThan((start?.corners[0]?.x ?? 0) - 0.02);
    // Pulled over the opposite side the corners cross: it is said, and nothing has changed.
    const before = (await own())[0]?.corners;
    await pull('Corner upper left', 600, 420);
    await page.waitForSelector('.refused');
    await visitor.saved();
    expect((await own())[0]?.corners).toEqual(before);
    // By keys as well.
    await visitor.focus('[aria-label="Corner lower right"]');
    await page.keyboard.press('ArrowRight');
    await expect.poll(async () => (await own())[0]?.corners[2]?.x ?? 0, { timeout: 30_000 }).toBeGreaterThan(before?.[2]?.x ?? 1);
    await page.evaluate(() => document.querySelector<HTMLElement>('dialog[open] .toggle input')?.click());
    await pull('Bend, row 2, column 2', 12, -8);
    await expect.poll(async () => (await own())[0]?.mesh.filter(({ x, y }) => x !== 0 || y !== 0).length, { timeout: 30_000 }).toBe(1);
    await page.evaluate(() => [...document.querySelectorAll<HTMLElement>('dialog[open] .toggle input')].at(-1)?.click());
    const shown = await (await page.waitForSelector('dialog[open] .shown'))?.boundingBox();
    await page.mouse.click((shown?.x ?? 0) + 20, (shown?.y ?? 0) + 20);
    await expect.poll(async () => (await own())[0]?.cloth?.at.length, { timeout: 30_000 }).toBe(1);
    await visitor.click('Close');
    await visitor.dialogGone();
    await visitor.saved();

    await visitor.go('/brands/windrow-kites/handover');
    await page.evaluate(() => {
      for (const label of document.querySelectorAll<HTMLElement>('.pack .head label')) {
        const box = label.querySelector('input');
        if (box && box.checked !== (label.textContent ?? '').includes('On goods')) box.click();
      }
    });
    await visitor.click('Choose what goes into On goods');
    await page.evaluate(() => {
      for (const chip of document.querySelectorAll<HTMLElement>('.pack .chip')) {
        const box = chip.querySelector('input');
        const name = (chip.textContent ?? '').trim();
        const wanted = name === 'mug' || name.startsWith('shore-');
        const goods = ['mug', 'tote', 'business cards', 'shop sign'].includes(name) || name.startsWith('shore-');
        if (box && goods && box.checked !== wanted) box.click();
      }
    });
    await page.waitForFunction(() => /Make 2 files/.test(document.body.textContent ?? ''));
    await visitor.click('Make 2 files');
    const packs = () => read<readonly PackOfGoods[]>(`${test.app.url}/api/brands/windrow-kites/handovers`);
    await expect.poll(async () => (await packs())[0]?.files.map(({ state }) => state), { timeout: 200_000 }).toEqual(['done', 'done']);
    const [pack] = await packs();
    const zip = unzipSync(
      new Uint8Array(await (await fetch(`${test.app.url}/api/brands/windrow-kites/handovers/${pack?.id}/pack.zip`)).arrayBuffer()),
    );
    for (const { name } of pack?.files ?? []) expect((await sharp(zip[name] as Uint8Array).metadata()).format).toBe('jpeg');
    expect(pack?.files.some(({ name }) => name.includes('shore-'))).toBe(true);
  });
});
