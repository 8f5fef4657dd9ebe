import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { read, recipeOf, send } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();

interface SavedPart {
  readonly id: string;
  readonly kind: string;
  readonly members?: readonly string[];
  readonly form?: Record<string, number | string>;
  readonly place?: { readonly x: number; readonly y: number };
  readonly slots?: readonly { readonly paint: { readonly role?: string } }[];
  readonly source?: { readonly title: string; readonly license: string };
  readonly sizePx?: number;
  readonly text?: string;
  readonly treatments?: readonly { readonly kind: string }[];
}
interface Saved {
  readonly recipe: { readonly parts: readonly SavedPart[] };
}
const api = () => `${test.app.url}/api/brands/gorsebank-rowing-club/marks`;
const parts = async (slug: string) => (await read<Saved>(`${api()}/${slug}`)).recipe.parts;
const kinds = async (slug: string) => (await parts(slug)).map(({ kind }) => kind);

/** A mark with nothing in it. */
async function begin(name: string): Promise<string> {
  const made = await send<{ slug: string }>(api(), 'POST', { name, role: 'primary', recipe: recipeOf() });
  await test.visitor.go(`/brands/gorsebank-rowing-club/marks/${made.value.slug}`);
  await test.visitor.page.waitForSelector('input[aria-label="Add anything"]');
  return made.value.slug;
}
/** Types into the add field until what is looked for stands first. */
async function lookFor(words: string): Promise<void> {
  const { page } = test.visitor;
  await page.locator('input[aria-label="Add anything"]').click();
  await page.keyboard.type(words);
  await page.waitForFunction(
    (wanted) => document.querySelector('[role="option"][aria-selected="true"]')?.textContent?.toLowerCase().includes(wanted),
    {},
    words.toLowerCase(),
  );
}
/** Adds by the add field, as a person types it. */
async function add(words: string, count: number, slug: string): Promise<void> {
  await lookFor(words);
  await test.visitor.press('Enter');
  await expect.poll(async () => (await parts(slug)).length, { timeout: 15_000 }).toBe(count);
}
async function choose(menu: string, item: string): Promise<void> {
  const { page } = test.visitor;
  await page.locator(`[role="toolbar"] button ::-p-text(${menu})`).click();
  await page.locator(`[role="menuitem"]::-p-text(${item})`).click();
}
const row = (label: string) => test.visitor.page.locator(`section[aria-label="Recipe"] button.title ::-p-text(${label})`);
async function chooseRows(...labels: readonly string[]): Promise<void> {
  const { page } = test.visitor;
  await row(labels[0] as string).click();
  await page.keyboard.down('Control');
  for (const label of labels.slice(1)) await row(label).click();
  await page.keyboard.up('Control');
}
/** Looks art up and puts the first that is found into the mark. */
async function findArt(words: string, use: 'Use this one' | 'Swap for this one'): Promise<string> {
  const { page } = test.visitor;
  const field = await page.waitForSelector('input[aria-label="Search art"]', { visible: true });
  await field?.click({ count: 3 });
  await field?.type(words);
  await page.waitForFunction(
    (wanted) =>
      document.querySelector('section[aria-label="Art library"] li button')?.getAttribute('aria-label')?.toLowerCase().includes(wanted),
    {},
    words,
  );
  const label = await page.$eval('section[aria-label="Art library"] li button', (button) => button.getAttribute('aria-label') ?? '');
  await page.locator('section[aria-label="Art library"] li button').click();
  await page.locator(`::-p-aria([name="${use}"][role="button"])`).click();
  return label;
}

describe('building from nothing', () => {
  it('a club’s badge: seal, ring texts, art around, a word; united, banded, exported', async () => {
    const { visitor } = test;
    const slug = await begin('Badge');
    await add('lettering', 1, slug);
    await add('scalloped', 2, slug);
    await add('disk', 3, slug);
    await add('ring text', 5, slug);
    await add('laurel', 6, slug);
    await visitor.saved();
    // A star, repeated around a center, released once.
    await add('star', 7, slug);
    await choose('Repeat', 'Around a center');
    await expect.poll(() => kinds(slug)).toContain('symmetry');
    await visitor.click('Release copy 3');
    await expect.poll(async () => (await parts(slug)).length).toBe(9);
    // A band behind the name.
    await row('Gorsebank').click();
    await choose('Combine', 'Band around');
    await expect
      .poll(async () => (await parts(slug)).flatMap(({ treatments = [] }) => treatments.map(({ kind }) => kind)))
      .toEqual(['outline-band']);
    // Seal and disk as one shape, and opened again.
    await chooseRows('Scalloped seal', 'Disk');
    await choose('Combine', 'Subtract from the backmost');
    await expect.poll(() => kinds(slug)).toContain('combination');
    await visitor.click('Open');
    await expect.poll(() => kinds(slug)).not.toContain('combination');
    await visitor.chord('Control', 'z');
    await expect.poll(() => kinds(slug)).toContain('combination');
    const png = PNG.sync.read(Buffer.from(await (await fetch(`${api()}/${slug}/picture.png?width=600`)).arrayBuffer()));
    expect(png.width).toBe(600);
    expect(png.data[3]).toBe(0);
  });

  it('a two-supporter emblem: one supporter edited and the other following, art swapped, recolored in one click, reloaded, exported', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const slug = await begin('Emblem');
    await add('heater', 1, slug);
    await page.locator('input[aria-label="Add anything"]').click();
    await page.keyboard.type('lion');
    await page.locator('[role="option"]::-p-text(art library)').click();
    await findArt('lion', 'Use this one');
    await expect.poll(() => kinds(slug)).toEqual(['shape', 'art']);
    const first = (await parts(slug))[1] as SavedPart;
    expect(first.source?.license).toBeTruthy();
    // To the left of the shield, then mirrored.
    await visitor.fill('X', '-260');
    await visitor.press('Enter');
    await expect.poll(async () => (await parts(slug))[1]?.place?.x).toBe(-260);
    await choose('Repeat', 'Mirror pair');
    await expect.poll(() => kinds(slug)).toEqual(['shape', 'art', 'symmetry']);
    const copies = () =>
      page.$$eval('[data-stage] g[id*="copy-"]', (groups) =>
        groups.map((group) => [group.getAttribute('transform'), group.children[0]?.innerHTML.length]),
      );
    await page.waitForFunction(() => document.querySelectorAll('[data-stage] g[id*="copy-"]').length === 2);
    const before = await copies();
    expect(before[0]?.[1]).toBe(before[1]?.[1]);
    // The one is edited; the other follows.
    await page.locator('section[aria-label="Recipe"] .members button.title').click();
    const stage = await visitor.stage();
    await visitor.fill('Longer side', '150');
    await visitor.press('Enter');
    await visitor.stageAfter(stage);
    const outlines = await page.$$eval('[data-stage] g[id*="copy-"]', (groups) =>
      groups.map((group) => group.querySelector('path')?.getAttribute('d')),
    );
    expect(outlines[0]).toBe(outlines[1]);
    // Swapped for another piece: same place, same size, same colors.
    await page.locator('::-p-aria([name="accent"][role="radio"])').click();
    await expect.poll(async () => (await parts(slug))[1]?.slots?.[0]?.paint.role).toBe('accent');
    await visitor.click('Swap for another piece');
    await findArt('eagle', 'Swap for this one');
    await expect.poll(async () => (await parts(slug))[1]?.source?.title).not.toBe(first.source?.title);
    const swapped = (await parts(slug))[1] as SavedPart;
    expect(swapped).toMatchObject({ id: first.id, sizePx: 150, place: { x: -260 } });
    expect(swapped.slots?.every(({ paint }) => paint.role === 'accent')).toBe(true);
    // A piece of several colors beside it, all of them recolored in one click.
    await page.keyboard.press('Escape');
    await page.locator('input[aria-label="Add anything"]').click();
    await page.keyboard.type('crown');
    await page.locator('[role="option"]::-p-text(art library)').click();
    // Whatever was found before, what is shown then is what was asked for.
    const asked = page.waitForResponse((response) => /style=colored/.test(response.url()) && response.ok());
    await page.select('select[aria-label="Style"]', 'colored');
    await asked;
    await findArt('crown', 'Use this one');
    await page.locator('::-p-aria([name="All in ink"][role="button"])').click();
    await expect.poll(async () => (await parts(slug)).at(-1)?.slots?.every(({ paint }) => paint.role === 'ink')).toBe(true);
    expect((await parts(slug)).at(-1)?.slots?.length).toBeGreaterThan(1);
    await visitor.sees('not to register');
    // Reloaded, it is the same; exported, it says whose it is.
    await visitor.saved();
    const shown = await visitor.stage();
    await visitor.go(`/brands/gorsebank-rowing-club/marks/${slug}`);
    await visitor.stageIs(shown);
    const svg = await (await fetch(`${api()}/${slug}/picture.svg`)).text();
    expect(svg).toContain('<metadata>');
    expect(svg).toContain('Registering it as a trademark: no');
    const png = Buffer.from(await (await fetch(`${api()}/${slug}/picture.png?width=300`)).arrayBuffer());
    expect(png.includes('iTXtCopyright')).toBe(true);
  });
  it('a sketch to look at and a photo inside a seal: the sketch stays on the table, the photo is in every file', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const folder = mkdtempSync(join(tmpdir(), 'lucky-photo-'));
    const photo = join(folder, 'jetty.png');
    await sharp({ create: { width: 300, height: 200, channels: 3, background: '#00a0c0' } })
      .png()
      .toFile(photo);
    writeFileSync(join(folder, 'letter.png'), 'Dear client');
    const slug = await begin('Photo seal');
    await add('disk', 1, slug);
    const bring = async (words: string, file: string) => {
      await lookFor(words);
      const chooser = page.waitForFileChooser();
      // The browser is told to hand the chooser over before the key arrives.
      await page.evaluate(() => document.title);
      await visitor.press('Enter');
      await (await chooser).accept([file]);
    };
    await bring('drawing or picture', join(folder, 'letter.png'));
    await visitor.sees('letter.png could not be read as a JPEG, PNG, WebP, AVIF, GIF or TIFF picture.');
    await bring('reference picture', photo);
    await expect.poll(() => kinds(slug)).toEqual(['shape', 'picture']);
    await visitor.sees('reference · 300 × 200');
    await page.waitForSelector('[data-stage] image');
    await visitor.click('Lay under it');
    await expect.poll(() => kinds(slug)).toEqual(['picture', 'shape']);
    await bring('drawing or picture', photo);
    await expect.poll(() => kinds(slug)).toEqual(['picture', 'shape', 'picture']);
    await visitor.pick('Rights', 'client');
    await visitor.saved();
    // Chosen with the disk, which is the backmost of the two, it goes inside.
    await chooseRows('Disk', '300 × 200');
    await choose('Combine', 'Clip inside the backmost');
    await expect.poll(() => kinds(slug)).toContain('inlay');
    await visitor.saved();
    const svg = await (await fetch(`${api()}/${slug}/picture.svg`)).text();
    expect(svg.match(/<image /g)).toHaveLength(1);
    expect(svg).toContain('jetty (picture): brought in, the client’s own');
    const { data, width, height } = PNG.sync.read(Buffer.from(await (await fetch(`${api()}/${slug}/picture.png?width=200`)).arrayBuffer()));
    const middle = (Math.floor(height / 2) * width + Math.floor(width / 2)) * 4;
    expect([...data.subarray(middle, middle + 4)].map((value) => Math.round(value / 8))).toEqual([0, 20, 24, 32]);
    expect(data[3]).toBe(0);
  });
  it('a name on a drawn curve, and a second mark that follows all of it', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const slug = await begin('On a curve');
    await add('lettering', 1, slug);
    await add('free curve', 2, slug);
    await row('Gorsebank').click();
    await page.locator('summary ::-p-text(Line)').click();
    await visitor.pick('Letters stand', 'curve');
    await visitor.pick('On', 'curve-1');
    await visitor.sees('lettering · Marcellus · on a curve');
    const standing = await visitor.stage();
    await row('Free curve').click();
    await visitor.fill('Turn', '20');
    await visitor.press('Enter');
    // The text turns with its curve.
    const turned = await visitor.stageAfter(standing);
    await visitor.saved();
    await visitor.click('Add a mark');
    await page.locator('dialog[open] .kinds strong ::-p-text(Something else)').click();
    await page.waitForSelector('#mark-begins');
    await page.select('#mark-begins', 'all');
    await visitor.fill('Name', 'Follower');
    await visitor.click('Add mark');
    await visitor.sees('linked · whole mark');
    const outlines = (markup: string) => [...markup.matchAll(/ d="([^"]+)"/g)].map(([, data]) => data);
    await expect.poll(async () => outlines(await visitor.stage())).toEqual(outlines(turned));
    expect(await kinds('follower')).toEqual(['linked']);
  });
});
