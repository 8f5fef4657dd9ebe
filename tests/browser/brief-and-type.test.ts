import { mkdtempSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import type { ElementHandle } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { startBrowser, Visitor, type TestBrowser } from '../support/browser';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let chromium: TestBrowser;
let visitor: Visitor;
beforeAll(async () => {
  app = await startTestApp();
  chromium = await startBrowser();
});
afterAll(async () => {
  await chromium.close();
  await app.stop();
});
beforeEach(async () => {
  visitor = await Visitor.arrive(chromium.browser, app.url);
});
afterEach(async () => {
  expect(visitor.errors).toEqual([]);
  await visitor.page.close();
});

const faces = () =>
  visitor.page.$$eval('[aria-label="Trials"] button.word', (cells) => cells.map((cell) => cell.getAttribute('data-face') ?? ''));
const openType = async (brand: string, who = visitor) => {
  await who.go(`/brands/${brand}/type`);
  await who.page.waitForFunction(() => document.querySelectorAll('[aria-label="Trials"] .cell path').length > 40);
};
const setScale = (name: string, value: number) =>
  visitor.page.$eval(
    `input[aria-label="${name}"]`,
    (input, wanted) => {
      (input as HTMLInputElement).value = String(wanted);
      input.dispatchEvent(new Event('input', { bubbles: true }));
      input.dispatchEvent(new Event('change', { bubbles: true }));
    },
    value,
  );

describe('the brief', () => {
  it('orders the trials: another voice, another first face; and says what it moves', async () => {
    await openType('windrow-kites');
    const before = await faces();
    await visitor.go('/brands/windrow-kites/brief');
    await setScale('delicate to sturdy', 100);
    await setScale('quiet to loud', 100);
    await visitor.sees('heavier stems');
    await visitor.saved();
    await openType('windrow-kites');
    const after = await faces();
    expect(after).toHaveLength(before.length);
    expect(after.slice(0, 5)).not.toEqual(before.slice(0, 5));
    await visitor.sees('nearest to the brief first');
  });

  it('keeps words, uses and keywords, undoes them, and picks the proofs of the table', async () => {
    await visitor.go('/brands/tidewrack-aerial/brief');
    await visitor.fill('Promise', 'One flight, one light.');
    await visitor.fill('Words', 'cliff, foam');
    await visitor.press('Enter');
    await visitor.sees('foam');
    await visitor.click('photos');
    await visitor.click('web page');
    await visitor.click('print');
    await visitor.click('round profile');
    await visitor.saved();
    await visitor.go('/brands/tidewrack-aerial/marks/primary');
    await visitor.page.waitForSelector('aside svg[aria-label="In a round crop"] path');
    expect(await visitor.page.$('aside svg[aria-label="on lead"]')).toBeNull();
    await visitor.click('Show every proof');
    await visitor.page.waitForSelector('aside svg[aria-label="on lead"] path');
    await visitor.go('/brands/tidewrack-aerial/brief');
    await visitor.sees('foam');
    expect(
      await visitor.page.$eval('textarea[placeholder="What people can count on"]', (field) => (field as HTMLTextAreaElement).value),
    ).toBe('One flight, one light.');
  });

  it('takes pictures, names what is none, draws out colors and sends one to the palette', async () => {
    const folder = mkdtempSync('/tmp/lucky-board-');
    await sharp({ create: { width: 240, height: 160, channels: 3, background: '#0f7a5c' } })
      .png()
      .toFile(`${folder}/green.png`);
    writeFileSync(`${folder}/words.png`, 'no picture');
    await visitor.go('/brands/gorsebank-rowing-club/brief');
    const chooser = (await visitor.page.$('input[aria-label="Pictures for the board"]')) as ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(`${folder}/green.png`, `${folder}/words.png`);
    await visitor.sees('words.png could not be read as a JPEG, PNG, WebP, AVIF, GIF or TIFF picture.');
    const swatch = await visitor.page.waitForSelector('.colors button');
    const label = await swatch?.evaluate((button) => button.getAttribute('aria-label'));
    expect(label).toMatch(/^#\w{6}, 100 % of the picture$/);
    await swatch?.click();
    await visitor.click('accent');
    await visitor.sees('is now the brand’s accent.');
    await visitor.saved();
    await visitor.go('/brands/gorsebank-rowing-club/brief');
    await visitor.page.waitForSelector('.colors button');
    await visitor.go('/');
    await visitor.page.waitForSelector(`[title="accent ${label?.slice(0, 7)}"]`);
  });
});

describe('type trials', () => {
  it('keep and drop with one key; kept faces stay through filter, order, reload and another browser', async () => {
    await openType('gorsebank-rowing-club');
    const [first = '', , third = ''] = (await faces()).filter((id) => !['cinzel', 'eb-garamond'].includes(id));
    const press = async (id: string, key: 'k' | 'x') => {
      await visitor.page.focus(`[data-face="${id}"]`);
      await visitor.press(key);
    };
    const kept = (who: Visitor) => who.page.$$eval('[aria-label="Kept faces"] article', (cards) => cards.length);
    await press(first, 'k');
    await visitor.page.waitForFunction(() => document.querySelectorAll('[aria-label="Kept faces"] article').length === 3);
    await press(third, 'x');
    await visitor.page.waitForFunction((id) => document.querySelector(`[aria-label="Trials"] [data-face="${id}"]`) === null, {}, third);
    await visitor.fill('Feel, name or kind', 'script', 'combobox');
    await visitor.sees('script: letters that join');
    expect(await kept(visitor)).toBe(3);
    await visitor.saved();
    await openType('gorsebank-rowing-club');
    expect(await kept(visitor)).toBe(3);
    expect(await faces()).not.toContain(third);
    const context = await chromium.browser.createBrowserContext();
    const other = new Visitor(await context.newPage(), app.url);
    await openType('gorsebank-rowing-club', other);
    expect(await kept(other)).toBe(3);
    await context.close();
    await visitor.click('1 dropped');
    await visitor.page.waitForSelector(`[data-face="${third}"]`);
  });

  it('order by measure, likeness and panel, and show no blank boxes for missing letters', async () => {
    await openType('windrow-kites');
    await visitor.page.select('select[aria-label="Order"]', 'measure proportion');
    const narrow = await faces();
    expect(narrow.indexOf('league-gothic')).toBeLessThan(narrow.indexOf('syncopate'));
    await visitor.page.focus('[data-face="eb-garamond"]');
    await visitor.press('Enter');
    await visitor.page.select('select[aria-label="Order"]', 'likeness');
    await visitor.page.waitForFunction(
      () => document.querySelector('[aria-label="Trials"] button.word')?.getAttribute('data-face') === 'eb-garamond',
    );
    await visitor.page.select('select[aria-label="Order"]', 'panel');
    await visitor.sees('fills ');
    await visitor.page.select('select[aria-label="What is set"]', 'line');
    await visitor.fill('Line of your own', 'Ж');
    await visitor.press('Tab');
    await visitor.sees('has no Ж');
  });

  it('lay kept faces head to head, also inside the mark, and set the name in the chosen one', async () => {
    await openType('windrow-kites');
    await visitor.click('Head to head: 3 kept faces');
    for (const view of ['laid over', 'three sizes', 'reversed', 'round crop']) await visitor.click(view, 'radio');
    await visitor.click('inside the mark', 'radio');
    await visitor.page.waitForSelector('svg[aria-label="The mark in Marcellus"] path');
    await visitor.page.locator('article[aria-label="Fraunces"] ::-p-text(Keep a try)').click();
    await visitor.sees('Try in Fraunces stands beside Primary in the Marks room.');
    await visitor.page.locator('article[aria-label="Marcellus"] ::-p-text(Set the name in it)').click();
    await visitor.page.waitForFunction(() => location.pathname.endsWith('/marks/primary'));
    await visitor.sees('lettering · Marcellus');
    await visitor.stage();
    await visitor.chord('Control', 'z');
    await visitor.sees('lettering · Josefin Sans 620');
    await visitor.saved();
  });

  it('suggest second lines with reasons, and take in the client’s own font or refuse it with the reason', async () => {
    await openType('windrow-kites');
    await visitor.page.waitForSelector('[aria-label="For the second line"] article path');
    await visitor.sees('× weight +');
    const chooser = (await visitor.page.$('[aria-label="The client’s own font"] input[type="file"]')) as ElementHandle<HTMLInputElement>;
    const folder = mkdtempSync('/tmp/lucky-font-');
    writeFileSync(`${folder}/picture.ttf`, Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0, 0]));
    await chooser.uploadFile(`${folder}/picture.ttf`);
    await visitor.sees('picture.ttf: Expected a font file, but its first bytes belong to no font format.');
    await chooser.uploadFile('/usr/share/fonts/opentype/linux-libertine/LinBiolinum_R.otf');
    await visitor.page.waitForFunction(() =>
      [...document.querySelectorAll('[aria-label="Trials"] .name')].some((cell) => cell.textContent?.includes('Linux Biolinum')),
    );
  });
});
