import { describe, expect, it } from 'vitest';
import { read } from '../support/api';
import { faultsOf, unsaidOn } from '../support/axe';
import { useVisitor } from '../support/browser';

const test = useVisitor();

interface Shown {
  readonly slug: string;
  readonly name: string;
  readonly role: string;
  readonly recipe: {
    readonly parts: readonly { readonly id: string; readonly text?: string }[];
    readonly whole?: { readonly canvas?: { readonly layout?: string } };
  };
}

describe('pieces', () => {
  it('a post, a shirt and a card come from one layout; a late change of the name is seen in all; one takes another layout', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const marks = async () => read<Shown[]>(`${test.app.url}/api/brands/windrow-kites/marks`);
    const pieces = async () => (await marks()).filter(({ role }) => role === 'piece');
    const before = (await pieces()).length;
    await visitor.go('/brands/windrow-kites/pieces');
    await page.waitForSelector('ul[aria-label="Layouts"] svg path');
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
    for (const [at, size] of ['tall-post', 'shirt-back', 'business-card'].entries()) {
      await visitor.pick('Size', size);
      await visitor.fill('Heading', 'Open on Saturdays');
      await visitor.click('Mark, then words, on the lead color');
      await expect.poll(async () => (await pieces()).length).toBe(before + at + 1);
    }
    const made = ['Tall post', 'Shirt, back', 'Business card'];
    const pictures = () =>
      page.evaluate((names) => names.map((name) => document.querySelector(`li[aria-label="${name}"] svg`)?.innerHTML ?? ''), made);
    await page.waitForFunction((names) => names.every((name) => document.querySelector(`li[aria-label="${name}"] svg path`)), {}, made);
    const old = await pictures();

    // The name is changed late, on the table of the primary.
    await visitor.go('/brands/windrow-kites/marks/primary');
    await page.waitForSelector('[data-stage] path');
    await page.locator('section[aria-label="Recipe"] button.title').click();
    await visitor.fill('Text', 'Windrow & Co');
    await page.keyboard.press('Tab');
    await expect
      .poll(async () => JSON.stringify((await marks()).find(({ slug }) => slug === 'primary')?.recipe.parts))
      .toContain('Windrow & Co');
    await visitor.go('/brands/windrow-kites/pieces');
    await page.waitForFunction((names) => names.every((name) => document.querySelector(`li[aria-label="${name}"] svg path`)), {}, made);
    await page.waitForFunction(
      (names, were) => names.every((name, at) => document.querySelector(`li[aria-label="${name}"] svg`)?.innerHTML !== were[at]),
      {},
      made,
      old,
    );

    // Another layout keeps the words.
    await page.locator('li[aria-label="Business card"] button ::-p-text(Layout)').click();
    await visitor.click('Two halves, on paper');
    await expect
      .poll(async () => (await pieces()).find(({ name }) => name === 'Business card')?.recipe.whole?.canvas?.layout)
      .toBe('halves-paper');
    const card = (await pieces()).find(({ name }) => name === 'Business card');
    expect(card?.recipe.parts.find(({ id }) => id === 'heading')?.text).toBe('Open on Saturdays');

    // On its table: its canvas is there, its checks are told, and what is done is undone.
    await visitor.go(`/brands/windrow-kites/marks/${card?.slug ?? ''}`);
    await page.waitForSelector('[data-stage] path');
    await page.locator('summary ::-p-text(Canvas)').click();
    await visitor.sees('of this piece pass');
    await visitor.click('Undo');
    await expect
      .poll(async () => (await pieces()).find(({ name }) => name === 'Business card')?.recipe.whole?.canvas?.layout)
      .toBe('mark-over-words-lead');
    expect(visitor.errors).toEqual([]);
  });

  it('layouts show a picture that is chosen in the room, and what is poured keeps it', async () => {
    const { visitor } = test;
    const { page } = visitor;
    await visitor.go('/brands/windrow-kites/pieces');
    await page.waitForSelector('ul[aria-label="Layouts"] svg path');
    const shown = () => page.$eval('button[aria-label^="Picture above, on paper"]', (button) => button.querySelector('image') !== null);
    expect(await shown()).toBe(false);
    await page.$eval('fieldset .shown input', (tick) => (tick as HTMLInputElement).click());
    await expect.poll(shown).toBe(true);
    await visitor.click('Picture above, on paper');
    await visitor.sees('is made; open it');
    const marks = await read<Shown[]>(`${test.app.url}/api/brands/windrow-kites/marks`);
    expect(marks.at(-1)?.recipe.parts.some(({ id }) => id === 'picture')).toBe(true);
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
  });

  it('one stands on a picture under as much of a veil as its words need, sharp and blurred, and on a fading ground; all undone', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const marks = async () => read<Shown[]>(`${test.app.url}/api/brands/windrow-kites/marks`);
    const slug = (await marks()).find(({ role }) => role === 'piece')?.slug ?? '';
    const grounds = async () => {
      const parts = (await marks()).find((mark) => mark.slug === slug)?.recipe.parts ?? [];
      return parts.filter(({ id }) => id.startsWith('ground')).map(({ id }) => id);
    };
    const picture = async () =>
      (await marks()).find((mark) => mark.slug === slug)?.recipe.parts.find(({ id }) => id === 'ground-picture') as
        { readonly sha256: string; readonly softened?: { readonly from: string } } | undefined;
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await page.waitForSelector('[data-stage] path');
    const before = await visitor.stage();
    await page.locator('summary ::-p-text(Canvas)').click();
    await visitor.pick('Stands on', 'picture');
    await page.waitForSelector('.canvas fieldset .shown input');
    await page.$eval('.canvas fieldset .shown input', (tick) => (tick as HTMLInputElement).click());
    await page.waitForFunction(() => /The words are (read under a veil of \d+ %|too near)/.test(document.body.innerText));
    await expect.poll(grounds).toEqual(['ground-picture', 'ground-frame', 'ground-veil']);
    const sharp = (await picture())?.sha256;
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
    await visitor.click('soft', 'radio');
    await expect.poll(async () => (await picture())?.softened?.from).toBe(sharp);
    await visitor.click('sharp', 'radio');
    await expect.poll(async () => (await picture())?.sha256).toBe(sharp);
    await visitor.pick('Stands on', 'fading');
    await expect.poll(grounds).toEqual(['ground']);
    for (let n = 0; n < 4; n++) await visitor.click('Undo');
    await expect.poll(grounds).toEqual([]);
    expect(await visitor.stage()).toBe(before);
  });

  it('becomes pages: added, moved, saved as one PDF, and taken out again', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const pieces = async () =>
      (await read<Shown[]>(`${test.app.url}/api/brands/windrow-kites/marks`)).filter(({ role }) => role === 'piece');
    await visitor.go('/brands/windrow-kites/pieces');
    await page.waitForSelector('ul[aria-label="Pieces"] svg path');
    const { name = '' } = (await pieces())[0] ?? {};
    await visitor.click(`Add a page to ${name}`);
    await visitor.sees('Page 2 of 2');
    await visitor.click(`Add a page to ${name}`);
    await visitor.sees('Page 3 of 3');
    const order = () =>
      page.$$eval('ul[aria-label="Pieces"] li', (items) =>
        items.filter((item) => /Page \d of \d/.test(item.textContent ?? '')).map((item) => item.getAttribute('aria-label') ?? ''),
      );
    expect(await order()).toEqual([name, `${name}, page 2`, `${name}, page 3`]);
    await visitor.click(`${name}, page 3 one page earlier`);
    await expect.poll(order).toEqual([name, `${name}, page 3`, `${name}, page 2`]);
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
    const address = await page.$eval('ul[aria-label="Pieces"] a[href*="booklets"]', (link) => (link as HTMLAnchorElement).href);
    const file = await fetch(address);
    expect(file.status).toBe(200);
    // Page objects of the file (ISO 32000-1, 7.7.3.3), where it is not packed: there are three.
    expect(file.headers.get('content-type')).toBe('application/pdf');
    expect(Buffer.from(await file.arrayBuffer()).toString('latin1')).toMatch(/\/Count 3\b/);

    // The first one leaves; what is added to it then is a page of another booklet.
    await visitor.click(`Take out ${name}`);
    await expect.poll(order).toEqual([`${name}, page 3`, `${name}, page 2`]);
    await visitor.sees('it stands for itself');
    await visitor.click(`Add a page to ${name}`);
    await expect.poll(async () => (await order()).length).toBe(4);
    expect(await page.$$eval('ul[aria-label="Pieces"] a[href*="booklets"]', (links) => links.length)).toBe(2);
  });
});
