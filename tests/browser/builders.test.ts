import { describe, expect, it } from 'vitest';
import { nameLettering, STARTING_PALETTE } from '$core/index';
import { read, recipeOf, send } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();

interface Saved {
  readonly recipe: {
    readonly parts: readonly {
      readonly id: string;
      readonly kind: string;
      readonly name?: string;
      readonly text?: string;
      readonly built?: {
        readonly builder: string;
        readonly numbers: Readonly<Record<string, unknown>>;
        readonly follows: { readonly mark: string | null } | null;
      };
      readonly switched?: readonly number[];
    }[];
  };
}
const brand = 'quarry-lanterns';
const api = () => `${test.app.url}/api/brands/${brand}/marks`;
const partsOf = async (slug: string) => (await read<Saved>(`${api()}/${slug}`)).recipe.parts;

/** Counts what a hand does: a click, a typed value with Enter, a chord. */
class Hand {
  gestures = 0;
  async does(done: () => Promise<unknown>): Promise<void> {
    this.gestures++;
    await done();
  }
}

async function beginsWith(hand: Hand, kind: string, start: string): Promise<void> {
  const { visitor } = test;
  const { page } = visitor;
  await visitor.go(`/brands/${brand}/marks/primary`);
  await visitor.stage();
  await hand.does(() => visitor.click('Add a mark'));
  await page.waitForSelector('dialog[open] .kinds');
  await hand.does(() => page.locator(`dialog[open] .kinds strong ::-p-text(${kind})`).click());
  await page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll('dialog[open] .starts button')].some(
        (button) => button.textContent?.trim() === wanted && button.querySelector('svg path'),
      ),
    {},
    start,
  );
  await hand.does(() =>
    page.evaluate(
      (wanted) =>
        [...document.querySelectorAll<HTMLElement>('dialog[open] .starts button')]
          .find((button) => button.textContent?.trim() === wanted)
          ?.click(),
      start,
    ),
  );
  await page.waitForSelector('dialog[open] .sheet svg path');
  await hand.does(() => page.locator('dialog[open] .take button').click());
  await page.waitForFunction(
    () => !document.querySelector('dialog[open]') && location.pathname !== '/brands/quarry-lanterns/marks/primary',
  );
  await visitor.stage();
  await hand.does(() => page.locator('section[aria-label="Recipe"] button.title').click());
}
const slugHere = (): string => new URL(test.visitor.page.url()).pathname.split('/').at(-1) ?? '';

/** The file as it is downloaded: how much of it is ink. */
async function ink(slug: string): Promise<number> {
  const response = await fetch(`${api()}/${slug}/picture.svg`);
  expect(response.status).toBe(200);
  const svg = await response.text();
  expect(svg).not.toMatch(/<text|<image|href=/);
  return [...svg.matchAll(/<path/g)].length;
}

describe('from an empty brand', () => {
  it('a crest with its motto, a badge with its year, an interlocked monogram and a mirrored submark, each in at most 15 gestures, each read back from its file', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const made = await send<{ slug: string }>(`${test.app.url}/api/brands`, 'POST', {
      name: 'Quarry Lanterns',
      palette: STARTING_PALETTE,
      mark: { name: 'Primary', role: 'primary', gesture: 'Begin', recipe: recipeOf(nameLettering('name', 'Quarry Lanterns')) },
    });
    expect(made.value.slug).toBe(brand);

    const crest = new Hand();
    await beginsWith(crest, 'Crest', 'A wavy fess between three charges');
    const blazon = await page.waitForSelector('textarea');
    const before = await visitor.stage();
    await crest.does(async () => {
      await blazon?.click({ count: 3 });
      await page.keyboard.type('Per pale azure and argent, a chevron gules between three anchors or, a wyvern sable');
      await page.keyboard.press('Enter');
    });
    await visitor.stageAfter(before);
    await visitor.sees('wyvern');
    // What the blazon has no picture for is found in the art, borne under that name, and the line is read again.
    const unborne = await visitor.stage();
    const found = await page.waitForSelector('[aria-label$=" as wyvern"]', { visible: true });
    await crest.does(async () => found?.click());
    await visitor.stageAfter(unborne);
    const bare = await visitor.stage();
    await crest.does(async () => {
      await visitor.fill('Motto', 'Light the way');
      await page.keyboard.press('Enter');
    });
    await visitor.stageAfter(bare);
    await visitor.saved();
    expect(crest.gestures).toBeLessThanOrEqual(15);
    const arms = await partsOf(slugHere());
    expect(arms.find(({ name }) => name === 'Motto')?.text).toBe('Light the way');
    expect(arms.find(({ built }) => built)?.built).toMatchObject({ builder: 'crest', follows: { mark: expect.any(String) as string } });
    expect(await page.$eval('textarea', ({ value }) => value)).toBe(
      'Per pale azure and argent, a chevron gules between three anchors or, a wyvern sable',
    );
    expect(arms.filter(({ name }) => name === 'Wyvern')).toMatchObject([{ kind: 'art', source: { license: 'CC-BY-3.0' } }]);
    expect(await ink(slugHere())).toBeGreaterThan(8);

    const badge = new Hand();
    await beginsWith(badge, 'Badge', 'Words around a middle');
    const empty = await visitor.stage();
    await badge.does(async () => {
      await visitor.fill('Year', '1987');
      await page.keyboard.press('Enter');
    });
    await visitor.stageAfter(empty);
    await visitor.saved();
    expect(badge.gestures).toBeLessThanOrEqual(15);
    const round = await partsOf(slugHere());
    expect(round.filter(({ text }) => text === '19' || text === '87')).toHaveLength(2);
    expect(round.find(({ name }) => name === 'Upper ring text')?.text).toBe('Quarry Lanterns');
    expect(await ink(slugHere())).toBeGreaterThan(5);

    const monogram = new Hand();
    await beginsWith(monogram, 'Monogram', 'Interlocked');
    const woven = await visitor.stage();
    const crossing = await page.waitForSelector('[data-handle="crossing-1"]');
    await monogram.does(async () => crossing?.click());
    await visitor.stageAfter(woven);
    await visitor.saved();
    expect(monogram.gestures).toBeLessThanOrEqual(15);
    const letters = await partsOf(slugHere());
    expect(
      letters
        .filter(({ kind }) => kind === 'lettering')
        .map(({ text }) => text)
        .sort(),
    ).toEqual(['L', 'Q']);
    expect(letters.find(({ kind }) => kind === 'combination')?.switched).toEqual([0]);
    expect(await ink(slugHere())).toBeGreaterThanOrEqual(2);

    const submark = new Hand();
    await beginsWith(submark, 'Submark', 'Left half, mirrored, in a ring of words');
    const mirrored = await visitor.stage();
    await submark.does(async () => {
      await page.select('section[aria-label="Recipe"] select', 'right-mirrored');
    });
    await visitor.stageAfter(mirrored);
    await visitor.saved();
    expect(submark.gestures).toBeLessThanOrEqual(15);
    const symbol = await partsOf(slugHere());
    expect(symbol.filter(({ kind }) => kind === 'symmetry').map(({ name }) => name)).toContain('Mirrored crop');
    expect(symbol.find(({ built }) => built)?.built?.numbers).toMatchObject({ crop: 'right-mirrored' });
    expect(await ink(slugHere())).toBeGreaterThan(2);

    // Undone to the beginning and done again; a reload finds it all.
    const end = await visitor.stage();
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await visitor.chord('Control', 'z');
    await visitor.stageAfter(end);
    await visitor.chord('Control', 'y');
    await visitor.stageIs(end);
    await visitor.saved();
    await page.reload();
    await visitor.stage();

    // Another name, once: all four have changed.
    const slugs = (await read<readonly { slug: string; role: string }[]>(api())).map(({ slug }) => slug);
    const pictures = async () => Promise.all(slugs.map(async (slug) => (await fetch(`${api()}/${slug}/picture.svg`)).text()));
    const old = await pictures();
    await visitor.go(`/brands/${brand}/marks/primary`);
    await visitor.stage();
    await page.locator('section[aria-label="Recipe"] button.title').click();
    const quarry = await visitor.stage();
    await visitor.fill('Text', 'Harbor Wicks');
    await visitor.stageAfter(quarry);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await visitor.saved();
    await expect
      .poll(async () => (await pictures()).filter((picture, index) => picture !== old[index]).length)
      .toBeGreaterThanOrEqual(slugs.length - 1);
  });
});
