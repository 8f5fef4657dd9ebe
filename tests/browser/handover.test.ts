import { randomUUID } from 'node:crypto';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nameRecipe, read, send } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();
let worker: Awaited<ReturnType<typeof test.app.worker>>;
beforeAll(async () => {
  worker = await test.app.worker();
});
afterAll(() => worker.stop());

const ROOM = '/brands/windrow-kites/handover';
interface Pack {
  readonly id: string;
  readonly files: readonly { readonly name: string; readonly state: string }[];
}
const packs = () => read<Pack[]>(`${test.app.url}/api/brands/windrow-kites/handovers`);

/** Sees to it that exactly these packs are chosen, by their boxes. */
async function choose(...wanted: readonly string[]): Promise<void> {
  const { page } = test.visitor;
  const labels = await page.$$eval('.pack .head label', (all) => all.map((label) => label.textContent?.trim() ?? ''));
  for (const label of labels) {
    const box = await page.waitForSelector(`::-p-aria([name="${label}"][role="checkbox"])`);
    const isOn = await box?.evaluate((input) => (input as HTMLInputElement).checked);
    if (isOn !== wanted.includes(label)) await box?.click();
  }
}
/** What the newest pack's link leads to, unpacked. */
async function unpacked(): Promise<Readonly<Record<string, Uint8Array>>> {
  const link = await test.visitor.page.waitForSelector('a[href$="pack.zip"]');
  const address = await link?.evaluate((anchor) => (anchor as HTMLAnchorElement).href);
  return unzipSync(new Uint8Array(await (await fetch(address ?? '')).arrayBuffer()));
}
const pngOf = (zip: Readonly<Record<string, Uint8Array>>, part: RegExp) => {
  const name = Object.keys(zip).find((each) => part.test(each)) ?? '';
  return { name, png: PNG.sync.read(Buffer.from(zip[name] ?? new Uint8Array())) };
};

describe('from a finished brand', () => {
  it('to a pack for profiles, products and photos: downloaded, unpacked, read back; a mark changed, and only what changed is made again', async () => {
    const { visitor } = test;
    await visitor.go(ROOM);
    await choose('Profiles', 'Products', 'Photos');
    await visitor.saved();
    await visitor.fill('Name of the pack', 'First delivery');
    const count = Number(/(\d+) files/.exec((await visitor.page.$eval('.sum', (sum) => sum.textContent)) ?? '')?.[1]);
    expect(count).toBeGreaterThan(6);
    await visitor.click(`Make ${count} files`);
    await visitor.sees('First delivery');
    await visitor.page.waitForFunction(
      (all) => document.body.innerText.includes(`All ${all} files were made, opened again and found right.`),
      { timeout: 120_000 },
      count,
    );
    const zip = await unpacked();
    expect(Object.keys(zip).filter((name) => /\.(png|jpg)$/.test(name))).toHaveLength(count);
    const profile = pngOf(zip, /^profiles\/.*800x800\.png$/).png;
    const shirt = pngOf(zip, /^products\/.*full-color-4500x5400\.png$/).png;
    const photo = pngOf(zip, /^photos\/.*white-3000w\.png$/).png;
    expect([profile.width, profile.height, shirt.width, shirt.height, photo.width]).toEqual([800, 800, 4500, 5400, 3000]);
    // Nothing is painted in the corners of a profile and of a shirt; the watermark is white wherever it is.
    for (const { width, height, data } of [profile, shirt])
      expect([0, width - 1, (height - 1) * width, height * width - 1].map((pixel) => data[pixel * 4 + 3])).toEqual([0, 0, 0, 0]);
    let white = 0;
    for (let at = 0; at < photo.data.length; at += 4)
      if (photo.data[at + 3] === 255 && photo.data[at] === 255 && photo.data[at + 1] === 255) white++;
    expect(white).toBeGreaterThan(1000);

    const marks = await read<{ slug: string; name: string; revision: number }[]>(`${test.app.url}/api/brands/windrow-kites/marks`);
    const watermark = marks.find(({ name }) => name === 'Watermark');
    await send(`${test.app.url}/api/brands/windrow-kites/marks/${watermark?.slug}/revisions`, 'POST', {
      base: watermark?.revision,
      gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Type', recipe: nameRecipe('Windrow') }],
    });
    await visitor.sees('that have changed since');
    await visitor.click('Make what changed');
    await visitor.page.waitForFunction(() => document.querySelectorAll('article.made').length === 2);
    await visitor.page.waitForFunction(
      (all) => document.querySelector('article.made')?.textContent?.includes(`All ${all} files were made`),
      { timeout: 120_000 },
      count,
    );
    const again = await unpacked();
    const changed = Object.keys(zip).filter(
      (name) =>
        /\.(png|jpg)$/.test(name) &&
        Buffer.compare(Buffer.from(zip[name] as Uint8Array), Buffer.from(again[name] ?? new Uint8Array())) !== 0,
    );
    expect(changed.length).toBeGreaterThan(0);
    expect(changed.every((name) => name.startsWith('photos/'))).toBe(true);
    expect((await packs()).length).toBe(2);
  }, 300_000);

  it('sizes of one’s own are added by typing, what is chosen is undone, and what cannot be is said', async () => {
    const { visitor } = test;
    await visitor.go(ROOM);
    await choose('Stories');
    await visitor.click('Choose what goes into Stories');
    await visitor.fill('Another size for Stories', 'twelve');
    await visitor.press('Enter');
    await visitor.sees('“twelve” is not a size.');
    await visitor.fill('Another size for Stories', '900 x 1600');
    await visitor.press('Enter');
    await visitor.sees('900 × 1600 px');
    const count = () => visitor.page.$eval('.make', (button) => button.textContent?.trim());
    const before = await count();
    await visitor.chord('Control', 'z');
    await visitor.page.waitForFunction((old) => document.querySelector('.make')?.textContent?.trim() !== old, {}, before);
    await visitor.fill('Names of the files', '{client}');
    await visitor.sees('Files have no {client}.');
    expect(await visitor.page.$eval('.make', (button) => (button as HTMLButtonElement).disabled)).toBe(true);
    await visitor.chord('Control', 'a');
  });

  it('the print desk answers what it is sent, and a whole brand comes back from its file', async () => {
    const { visitor } = test;
    await visitor.go(ROOM);
    await visitor.page.waitForSelector('section[aria-label="Print desk"]');
    await visitor.page.select('section[aria-label="Print desk"] select', 'vinyl');
    await visitor.page.locator('section[aria-label="Print desk"] form button').click();
    await visitor.page.waitForFunction(() => document.querySelectorAll('section[aria-label="Print desk"] li').length > 0);
    const link = await visitor.page.waitForSelector('a[href$="brand-file"]');
    const file = new Uint8Array(
      await (await fetch((await link?.evaluate((anchor) => (anchor as HTMLAnchorElement).href)) ?? '')).arrayBuffer(),
    );
    expect(Object.keys(unzipSync(file))).toEqual(expect.arrayContaining(['cover.json', 'brand.json']));
    await visitor.go('/');
    await visitor.page.waitForSelector('article svg path');
    const input = await visitor.page.waitForSelector('input[type="file"]');
    const { writeFileSync, mkdtempSync } = await import('node:fs');
    const path = `${mkdtempSync('/tmp/lucky-brand-')}/windrow.brand.zip`;
    writeFileSync(path, file);
    await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(path);
    await visitor.sees('stands on the table, with all its revisions');
  });
});
