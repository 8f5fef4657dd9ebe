import { mkdtempSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import type { ElementHandle } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { useVisitor, Visitor } from '../support/browser';

const test = useVisitor();

const faces = () =>
  test.visitor.page.$$eval('[aria-label="Trials"] button.word', (cells) => cells.map((cell) => cell.getAttribute('data-face') ?? ''));
const openType = async (brand: string, who = test.visitor) => {
  await who.go(`/brands/${brand}/type`);
  await who.page.waitForFunction(() => document.querySelectorAll('[aria-label="Trials"] .cell path').length > 40);
};
const setScale = (name: string, value: number) =>
  test.visitor.page.$eval(
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
    await test.visitor.go('/brands/windrow-kites/brief');
    await setScale('delicate to sturdy', 100);
    await setScale('quiet to loud', 100);
    await test.visitor.sees('heavier stems');
    await test.visitor.saved();
    await openType('windrow-kites');
    const after = await faces();
    expect(after).toHaveLength(before.length);
    expect(after.slice(0, 5)).not.toEqual(before.slice(0, 5));
    await test.visitor.sees('nearest to the brief first');
  });

  it('keeps words, uses and keywords, undoes them, and picks the proofs of the table', async () => {
    await test.visitor.go('/brands/tidewrack-aerial/brief');
    await test.visitor.fill('Promise', 'One flight, one light.');
    await test.visitor.fill('Words', 'cliff, foam');
    await test.visitor.press('Enter');
    await test.visitor.sees('foam');
    await test.visitor.click('photos');
    await test.visitor.click('web page');
    await test.visitor.click('print');
    await test.visitor.click('round profile');
    await test.visitor.saved();
    await test.visitor.go('/brands/tidewrack-aerial/marks/primary');
    await test.visitor.page.waitForSelector('aside svg[aria-label="In a round crop"] path');
    expect(await test.visitor.page.$('aside svg[aria-label="on lead"]')).toBeNull();
    await test.visitor.click('Show every proof');
    await test.visitor.page.waitForSelector('aside svg[aria-label="on lead"] path');
    await test.visitor.go('/brands/tidewrack-aerial/brief');
    await test.visitor.sees('foam');
    expect(
      await test.visitor.page.$eval('textarea[placeholder="What people can count on"]', (field) => (field as HTMLTextAreaElement).value),
    ).toBe('One flight, one light.');
  });

  it('takes pictures, names what is none, draws out colors and sends one to the palette', async () => {
    const folder = mkdtempSync('/tmp/lucky-board-');
    await sharp({ create: { width: 240, height: 160, channels: 3, background: '#0f7a5c' } })
      .png()
      .toFile(`${folder}/green.png`);
    writeFileSync(`${folder}/words.png`, 'no picture');
    await test.visitor.go('/brands/gorsebank-rowing-club/brief');
    const chooser = (await test.visitor.page.$('input[aria-label="Pictures for the board"]')) as ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(`${folder}/green.png`, `${folder}/words.png`);
    await test.visitor.sees('words.png could not be read as a JPEG, PNG, WebP, AVIF, GIF or TIFF picture.');
    const swatch = await test.visitor.page.waitForSelector('.colors button');
    const label = await swatch?.evaluate((button) => button.getAttribute('aria-label'));
    expect(label).toMatch(/^#\w{6}, 100 % of the picture$/);
    await swatch?.click();
    await test.visitor.click('accent');
    await test.visitor.sees('is now the brand’s accent.');
    await test.visitor.saved();
    await test.visitor.go('/brands/gorsebank-rowing-club/brief');
    await test.visitor.page.waitForSelector('.colors button');
    await test.visitor.go('/');
    await test.visitor.page.waitForSelector(`[title="accent ${label?.slice(0, 7)}"]`);
  });
});

describe('type trials', () => {
  it('keep and drop with one key; kept faces stay through filter, order, reload and another browser', async () => {
    await openType('gorsebank-rowing-club');
    const [first = '', , third = ''] = (await faces()).filter((id) => !['cinzel', 'eb-garamond'].includes(id));
    const press = async (id: string, key: 'k' | 'x') => {
      await test.visitor.focus(`[data-face="${id}"]`);
      await test.visitor.press(key);
    };
    const kept = (who: Visitor) => who.page.$$eval('[aria-label="Kept faces"] article', (cards) => cards.length);
    await press(first, 'k');
    await test.visitor.page.waitForFunction(() => document.querySelectorAll('[aria-label="Kept faces"] article').length === 3);
    await press(third, 'x');
    await test.visitor.page.waitForFunction(
      (id) => document.querySelector(`[aria-label="Trials"] [data-face="${id}"]`) === null,
      {},
      third,
    );
    await test.visitor.fill('Feel, name or kind', 'script', 'combobox');
    await test.visitor.sees('script: letters that join');
    expect(await kept(test.visitor)).toBe(3);
    await test.visitor.saved();
    await openType('gorsebank-rowing-club');
    expect(await kept(test.visitor)).toBe(3);
    expect(await faces()).not.toContain(third);
    const context = await test.browser.createBrowserContext();
    const other = new Visitor(await context.newPage(), test.app.url);
    await openType('gorsebank-rowing-club', other);
    expect(await kept(other)).toBe(3);
    await context.close();
    await test.visitor.click('1 dropped');
    await test.visitor.page.waitForSelector(`[data-face="${third}"]`);
  });

  it('are counted while they come, and can be stopped; other words begin anew', async () => {
    const { page } = test.visitor;
    // Stopped as soon as that is offered, before any face has come.
    await page.evaluateOnNewDocument(() => {
      let done = false;
      new MutationObserver(() => {
        const stop = [...document.querySelectorAll('button')].find(({ textContent }) => textContent === 'Stop');
        if (!stop || done || !('ready' in document.documentElement.dataset)) return;
        done = true;
        stop.click();
      }).observe(document, { childList: true, subtree: true, attributes: true });
    });
    const drawn = () => page.$$eval('[aria-label="Trials"] .cell svg path', (paths) => paths.length);
    await test.visitor.go('/brands/windrow-kites/type');
    await test.visitor.sees('faces are set.');
    const before = await drawn();
    expect(before).toBeLessThan(50);
    await page.select('select[aria-label="What is set"]', 'upper');
    await test.visitor.seesNot('faces are set');
    expect(await drawn()).toBeGreaterThan(50);
    await page.reload();
    await test.visitor.sees('faces are set.');
    await test.visitor.click('Go on');
    await test.visitor.seesNot('faces are set');
    expect(await drawn()).toBeGreaterThan(50);
  });

  it('order by measure, likeness and panel, and show no blank boxes for missing letters', async () => {
    await openType('windrow-kites');
    await test.visitor.page.select('select[aria-label="Order"]', 'measure proportion');
    const narrow = await faces();
    expect(narrow.indexOf('league-gothic')).toBeLessThan(narrow.indexOf('syncopate'));
    await test.visitor.focus('[data-face="eb-garamond"]');
    await test.visitor.press('Enter');
    await test.visitor.page.select('select[aria-label="Order"]', 'likeness');
    await test.visitor.page.waitForFunction(
      () => document.querySelector('[aria-label="Trials"] button.word')?.getAttribute('data-face') === 'eb-garamond',
    );
    await test.visitor.page.select('select[aria-label="Order"]', 'panel');
    await test.visitor.sees('fills ');
    await test.visitor.page.select('select[aria-label="What is set"]', 'line');
    await test.visitor.fill('Line of your own', 'Ж');
    await test.visitor.press('Tab');
    await test.visitor.sees('has no Ж');
  });

  it('lay kept faces head to head, also inside the mark, and set the name in the chosen one', async () => {
    await openType('windrow-kites');
    await test.visitor.click('Head to head: 3 kept faces');
    for (const view of ['laid over', 'three sizes', 'reversed', 'round crop']) await test.visitor.click(view, 'radio');
    await test.visitor.click('inside the mark', 'radio');
    await test.visitor.page.waitForSelector('svg[aria-label="The mark in Marcellus"] path');
    await test.visitor.page.locator('article[aria-label="Fraunces"] ::-p-text(Keep a try)').click();
    await test.visitor.sees('Try in Fraunces stands beside Primary in the Marks room.');
    await test.visitor.page.locator('article[aria-label="Marcellus"] ::-p-text(Set the name in it)').click();
    await test.visitor.page.waitForFunction(() => location.pathname.endsWith('/marks/primary'));
    await test.visitor.sees('lettering · Marcellus');
    await test.visitor.stage();
    await test.visitor.chord('Control', 'z');
    await test.visitor.sees('lettering · Josefin Sans 620');
    await test.visitor.saved();
  });

  it('suggest second lines with reasons, and take in the client’s own font or refuse it with the reason', async () => {
    await openType('windrow-kites');
    await test.visitor.page.waitForSelector('[aria-label="For the second line"] article path');
    await test.visitor.sees('× weight +');
    const chooser = (await test.visitor.page.$(
      '[aria-label="The client’s own font"] input[type="file"]',
    )) as ElementHandle<HTMLInputElement>;
    const folder = mkdtempSync('/tmp/lucky-font-');
    writeFileSync(`${folder}/picture.ttf`, Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0, 0]));
    await chooser.uploadFile(`${folder}/picture.ttf`);
    await test.visitor.sees('picture.ttf: Expected a font file, but its first bytes belong to no font format.');
    await chooser.uploadFile('/usr/share/fonts/opentype/linux-libertine/LinBiolinum_R.otf');
    await test.visitor.page.waitForFunction(() =>
      [...document.querySelectorAll('[aria-label="Trials"] .name')].some((cell) => cell.textContent?.includes('Linux Biolinum')),
    );
  });

  it('give faces to roles, with alternatives that stay', async () => {
    await openType('gorsebank-rowing-club');
    for (const face of ['zilla-slab', 'jost']) {
      await test.visitor.focus(`[data-face="${face}"]`);
      await test.visitor.press('Enter');
      await test.visitor.click(`${face === 'jost' ? 'Jost' : 'Zilla Slab'} for body`);
    }
    await test.visitor.saved();
    await openType('gorsebank-rowing-club');
    const roles = await test.visitor.page.$eval('section[aria-label="Type of the brand"]', (section) =>
      section.textContent?.replace(/\s+/g, ' '),
    );
    expect(roles).toMatch(/body Jost × *Zilla Slab ×/);
  });

  it('set a name of 80 letters in every face without spilling', async () => {
    const name = 'Mariner’s Lantern, Rope, Sailcloth, Compass and General Chandlery of Upper Saltby';
    expect(Array.from(name).length).toBeGreaterThanOrEqual(80);
    const palette = { ink: '#111111', paper: '#ffffff', lead: '#222222', second: '#333333', accent: '#444444' };
    const made = await fetch(`${test.app.url}/api/brands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: Array.from(name).slice(0, 80).join(''), palette }),
    });
    const { slug } = (await made.json()) as { slug: string };
    await openType(slug);
    await test.visitor.sees('has no voice yet');
    const spilling = await test.visitor.page.$$eval(
      '[aria-label="Trials"] .cell',
      (cells) =>
        cells.filter((cell) => (cell.querySelector('path')?.getBoundingClientRect().right ?? 0) > cell.getBoundingClientRect().right + 1)
          .length,
    );
    expect(spilling).toBe(0);
  });
});

describe('a board of 200 pictures', () => {
  it('opens, and moves one of them by keys', async () => {
    const address = `${test.app.url}/api/brands/windrow-kites/documents/board`;
    const { number, content } = (await (await fetch(address)).json()) as {
      number: number;
      content: { items: { kind: string; picture?: string }[] };
    };
    const picture = content.items.find(({ kind }) => kind === 'picture')?.picture;
    const items = Array.from({ length: 200 }, (_, n) => ({
      kind: 'picture',
      id: `many-${n}`,
      x: (n % 3) * 258,
      y: Math.floor(n / 3) * 220,
      width: 246,
      picture,
      ratio: 0.7,
      takes: `Take ${n}`,
    }));
    expect(
      (
        await fetch(address, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ base: number, content: { items } }),
        })
      ).status,
    ).toBe(200);
    await test.visitor.go('/brands/windrow-kites/brief');
    await test.visitor.page.waitForFunction(() => document.querySelectorAll('article.picture').length === 200);
    await test.visitor.focus('button[aria-label="Move picture: Take 150"]');
    await test.visitor.press('ArrowRight');
    await test.visitor.saved();
    const saved = (await (await fetch(address)).json()) as { content: { items: { id: string; x: number }[] } };
    expect(saved.content.items.find(({ id }) => id === 'many-150')?.x).toBe(1);
  });
});
