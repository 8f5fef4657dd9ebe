import { mkdtempSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { read, recipeOf, send } from '../support/api';
import { faultsOf, unsaidOn } from '../support/axe';
import { useVisitor } from '../support/browser';

const test = useVisitor();

interface Saved {
  readonly recipe: {
    readonly parts: readonly {
      readonly id: string;
      readonly treatments?: readonly { readonly kind: string; readonly [field: string]: unknown }[];
    }[];
  };
}
const api = () => `${test.app.url}/api/brands/windrow-kites/marks`;
const word = (id: string, text: string, y: number) =>
  ({
    kind: 'lettering',
    id,
    text,
    font: { family: 'josefin-sans', axes: { wght: 700 } },
    sizePx: 140,
    place: { x: 0, y, turnDeg: 0 },
  }) as Parameters<typeof recipeOf>[0];
const begin = async (name: string, ...parts: Parameters<typeof recipeOf>): Promise<string> =>
  (await send<{ slug: string }>(api(), 'POST', { name, role: 'secondary', recipe: recipeOf(...parts) })).value.slug;
const treatmentsOf = async (slug: string, id: string) =>
  (await read<Saved>(`${api()}/${slug}`)).recipe.parts.find((part) => part.id === id)?.treatments ?? [];
const kindsOf = async (slug: string, id: string) => (await treatmentsOf(slug, id)).map(({ kind }) => kind);

describe('a plain word', () => {
  it('becomes a shadowed, engraved, outlined one in at most 12 gestures; its look is carried to a second word and to another mark, and comes out of its files', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const first = await begin('Plain word', word('one', 'Harbor', 0), word('two', 'Lights', 200));
    const second = await begin('Other mark', word('three', 'Beacon', 0));
    let gestures = 0;
    const gesture = async (done: () => Promise<unknown>) => {
      gestures++;
      await done();
    };
    const row = (name: string) => page.locator(`section[aria-label="Recipe"] button.title ::-p-text(${name})`).click();
    const add = async (typed: string) => {
      await gesture(() => page.keyboard.press('/'));
      await gesture(async () => {
        await page.keyboard.type(typed);
        await page.waitForFunction(
          (wanted) => document.querySelector('[role="option"][aria-selected="true"] strong')?.textContent?.toLowerCase().startsWith(wanted),
          {},
          typed,
        );
        await page.keyboard.press('Enter');
      });
    };
    await visitor.go(`/brands/windrow-kites/marks/${first}`);
    const plain = await visitor.stage();
    await gesture(() => row('Harbor'));
    await add('engraved lines');
    await visitor.stageAfter(plain);
    await add('outline band');
    await expect.poll(() => kindsOf(first, 'one'), { timeout: 15_000 }).toEqual(['engraved-lines', 'outline-band']);
    await add('block shadow');
    await expect.poll(() => kindsOf(first, 'one'), { timeout: 15_000 }).toEqual(['engraved-lines', 'outline-band', 'block-shadow']);
    // Pulled on the stage: straight down.
    const grip = '[data-treatment-grips] [data-handle$="-throw"]';
    const { x, y, width, height } = await visitor.placeOf(grip);
    await gesture(async () => {
      await page.mouse.move(x + width / 2, y + height / 2);
      await page.mouse.down();
      await page.mouse.move(x + width / 2 - 6, y + 30, { steps: 4 });
      await page.mouse.move(x + width / 2 - 12, y + 46, { steps: 4 });
      await page.mouse.up();
    });
    await expect.poll(async () => Number((await treatmentsOf(first, 'one'))[2]?.['angleDeg']), { timeout: 15_000 }).toBeGreaterThan(55);
    // Its number says so, and takes another.
    await gesture(async () => {
      await visitor.fill('Depth', '26');
      await visitor.press('Enter');
    });
    await expect.poll(async () => (await treatmentsOf(first, 'one'))[2]?.['depthPx'], { timeout: 15_000 }).toBe(26);
    expect(gestures).toBeLessThanOrEqual(12);

    // The look, to the second word and to another mark.
    await visitor.chord('Control', 'k');
    await visitor.fill('What do you want to do?', 'copy look', 'combobox');
    await visitor.press('Enter');
    await visitor.dialogGone();
    await row('Lights');
    await visitor.chord('Control', 'k');
    await visitor.fill('What do you want to do?', 'paste look', 'combobox');
    await visitor.press('Enter');
    await expect.poll(() => treatmentsOf(first, 'two'), { timeout: 15_000 }).toEqual(await treatmentsOf(first, 'one'));
    await visitor.saved();
    await visitor.go(`/brands/windrow-kites/marks/${second}`);
    await visitor.stage();
    await row('Beacon');
    await visitor.chord('Control', 'k');
    await visitor.fill('What do you want to do?', 'paste look', 'combobox');
    await visitor.press('Enter');
    await expect.poll(() => kindsOf(second, 'three'), { timeout: 15_000 }).toEqual(['engraved-lines', 'outline-band', 'block-shadow']);

    // Out of its file: the block is there in the palette's color, the lines are holes.
    const svg = await (await fetch(`${api()}/${first}/picture.svg`)).text();
    expect(svg).toContain('#dce5e1');
    expect(svg.match(/<path/g)?.length).toBeGreaterThan(8);
    expect(test.visitor.errors).toEqual([]);
  });
});

describe('treatments in the recipe', () => {
  it('are moved by the arrow keys, hidden, duplicated, removed and undone; ready looks stand on the part itself', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const slug = await begin('By keys', word('one', 'Harbor', 0));
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await visitor.stage();
    await page.locator('section[aria-label="Recipe"] button.title ::-p-text(Harbor)').click();
    const fold = page.locator('summary ::-p-text(Treatments)');
    await fold.click();
    await visitor.pick('Add a treatment to Harbor', 'offset-shadow');
    await visitor.pick('Add a treatment to Harbor', 'outline-band');
    await expect.poll(() => kindsOf(slug, 'one'), { timeout: 15_000 }).toEqual(['offset-shadow', 'outline-band']);
    await visitor.focus('[data-treatment] [aria-label="Move Outline band"]');
    await visitor.press('ArrowUp');
    await expect.poll(() => kindsOf(slug, 'one'), { timeout: 15_000 }).toEqual(['outline-band', 'offset-shadow']);
    // The grip keeps the focus, so that it can go on.
    await visitor.press('ArrowDown');
    await expect.poll(() => kindsOf(slug, 'one'), { timeout: 15_000 }).toEqual(['offset-shadow', 'outline-band']);
    await visitor.click('Hide Offset shadow');
    await expect.poll(async () => (await treatmentsOf(slug, 'one'))[0]?.['hidden'], { timeout: 15_000 }).toBe(true);
    await visitor.click('Duplicate Outline band');
    await expect.poll(() => kindsOf(slug, 'one'), { timeout: 15_000 }).toEqual(['offset-shadow', 'outline-band', 'outline-band']);
    await visitor.click('Remove Outline band 2');
    await expect.poll(() => kindsOf(slug, 'one'), { timeout: 15_000 }).toEqual(['offset-shadow', 'outline-band']);
    for (let undone = 0; undone < 7; undone++) {
      await visitor.click('Undo');
      await visitor.saved();
    }
    await expect.poll(() => kindsOf(slug, 'one'), { timeout: 15_000 }).toEqual([]);
    // A row below goes once the stage is drawn, and what was scrolled to its end moves: a hand waits until nothing does.
    await page.waitForFunction(() => {
      const held = window as unknown as { stoodAt?: number; since?: number };
      const button = [...document.querySelectorAll('button')].find((each) => each.textContent === 'Looks to start from');
      const top = button?.getBoundingClientRect().top;
      if (top !== held.stoodAt || held.since === undefined) [held.stoodAt, held.since] = [top, performance.now()];
      return top !== undefined && performance.now() - held.since > 600;
    });
    await visitor.click('Looks to start from');
    await page.waitForFunction(() => document.querySelectorAll('[aria-label="Looks to start from"] svg').length >= 12);
    await page.locator('[aria-label="Looks to start from"] button[aria-label^="Sewn patch"]').click();
    await expect.poll(() => kindsOf(slug, 'one'), { timeout: 15_000 }).toEqual(['welding-band', 'stitched-edge']);
  });

  it('that take long show a quick picture while a hand is at them, then the whole one: the one that is in its files', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const slug = await begin('Quickly', {
      ...word('one', 'Reed', 0),
      treatments: [{ kind: 'etched', id: 't' }],
    } as Parameters<typeof recipeOf>[0]);
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await page.waitForSelector('[aria-label^="Stage"]:not([aria-busy="true"]) [data-stage] path');
    await page.locator('section[aria-label="Recipe"] button.title ::-p-text(Reed)').click();
    await page.locator('summary ::-p-text(Treatments)').click();
    await page.locator('[data-treatment] button.title').click();
    // What is seen on the stage from now on, and whether it was said to be on its way.
    await page.evaluate(() => {
      const surface = document.querySelector('[aria-label^="Stage"]') as Element;
      const seen: { busy: boolean; long: number }[] = [];
      Object.assign(window, { seen });
      new MutationObserver(() => {
        const long = document.querySelector('[data-stage]')?.innerHTML.length ?? 0;
        seen.push({ busy: surface.getAttribute('aria-busy') === 'true', long });
      }).observe(surface, { subtree: true, childList: true, attributes: true });
    });
    await visitor.fill('Pitch', '4');
    await visitor.press('Enter');
    await page.waitForFunction(() => {
      const { seen } = window as unknown as { seen: { busy: boolean }[] };
      return seen.some(({ busy }) => busy) && seen.at(-1)?.busy === false;
    });
    const [quick, whole] = await page.evaluate(() => {
      const { seen } = window as unknown as { seen: { busy: boolean; long: number }[] };
      return [seen.findLast(({ busy }) => busy)?.long ?? 0, seen.at(-1)?.long ?? 0];
    });
    expect(quick).toBeGreaterThan(0);
    expect(quick).not.toBe(whole);
    await visitor.saved();
    const stage = await visitor.stage();
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await visitor.stageIs(stage);
    const svg = await (await fetch(`${api()}/${slug}/picture.svg?dressing=full`)).text();
    const outlines = [...stage.matchAll(/ d="([^"]+)"/g)].map(([, data]) => data);
    expect(outlines.length).toBeGreaterThan(1);
    for (const data of outlines) expect(svg).toContain(data);
  });

  it('wear takes a picture of one’s own as its texture; one that is none, or of one tone, is refused and changes nothing', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const slug = await begin('Own texture', word('one', 'Harbor', 0));
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    const plain = await visitor.stage();
    await page.locator('section[aria-label="Recipe"] button.title ::-p-text(Harbor)').click();
    await page.locator('summary ::-p-text(Treatments)').click();
    await visitor.pick('Add a treatment to Harbor', 'wear');
    const worn = await visitor.stageAfter(plain);
    await page.locator('[data-treatment] button.title').click();
    await visitor.pick('Texture', 'own');
    // Nothing is worn until there is a picture, and that is said.
    await visitor.sees('The wear has no picture yet');
    const folder = mkdtempSync('/tmp/lucky-texture-');
    const kept = (name: string, bytes: Uint8Array) => {
      writeFileSync(join(folder, name), bytes);
      return join(folder, name);
    };
    const field = (await page.waitForSelector('[data-treatment] input[type="file"]')) as ElementHandle<HTMLInputElement>;
    const stripes = Buffer.from(Uint8Array.from({ length: 400 * 300 }, (_, at) => ((at % 400) % 40 < 12 ? 20 : 235)));
    await field.uploadFile(kept('words.png', Buffer.from('no picture')));
    await visitor.sees('words.png could not be read as a picture');
    const white = { create: { width: 30, height: 20, channels: 3 as const, background: '#fefefe' } };
    await field.uploadFile(kept('white.png', await sharp(white).png().toBuffer()));
    await visitor.sees('white.png is of one tone');
    expect((await treatmentsOf(slug, 'one'))[0]?.['own']).toBeUndefined();
    await field.uploadFile(
      kept(
        'Old boards.png',
        await sharp(stripes, { raw: { width: 400, height: 300, channels: 1 } })
          .png()
          .toBuffer(),
      ),
    );
    await visitor.seesNot('is of one tone');
    await expect
      .poll(async () => (await treatmentsOf(slug, 'one'))[0]?.['own'], { timeout: 15_000 })
      .toMatchObject({ name: 'Old boards', columns: 160, rows: 120 });
    const boards = await visitor.stageAfter(worn);
    await visitor.click('Light places first', 'checkbox');
    await visitor.stageAfter(boards);
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
    // Away with the light places, away with the picture: the wear waits for one again.
    await visitor.click('Undo');
    await visitor.click('Undo');
    await visitor.sees('The wear has no picture yet');
  });

  it('a look that the brand keeps is worn by another word and by every mark; changed once, all of them change; the part can have it as its own', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const slug = await begin('Looked at', word('one', 'Harbor', 0), word('two', 'Lights', 200));
    const other = await begin('Elsewhere', word('three', 'Beacon', 0));
    const open = (name: string) => page.locator(`section[aria-label="Recipe"] button.title ::-p-text(${name})`).click();
    const wholeOf = async (of: string) =>
      (await read<{ recipe: { whole?: { treatments: readonly { kind: string }[] } } }>(`${api()}/${of}`)).recipe.whole?.treatments ?? [];
    interface Looks {
      readonly looks?: readonly {
        readonly name: string;
        readonly treatments: readonly { readonly kind: string; readonly widthPx?: number }[];
      }[];
    }
    const palette = async (): Promise<Looks> =>
      (await read<readonly { readonly slug: string; readonly palette: Looks }[]>(`${test.app.url}/api/brands`)).find(
        (brand) => brand.slug === 'windrow-kites',
      )?.palette ?? {};
    const pictureOf = async (of: string) =>
      (await fetch(`${test.app.url}/api/brands/windrow-kites/marks/${of}/picture.svg?dressing=full`)).text();
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    const plain = await visitor.stage();
    await open('Harbor');
    await page.locator('summary ::-p-text(Treatments)').click();
    await visitor.pick('Add a treatment to Harbor', 'outline-band');
    await visitor.stageAfter(plain);
    await visitor.click('Keep as a look of the brand');
    await page.locator('input[aria-label="Name of the look"]').fill('Our print look');
    await visitor.press('Enter');
    await expect.poll(() => kindsOf(slug, 'one'), { timeout: 15_000 }).toEqual(['brand-look']);
    await expect.poll(async () => (await palette()).looks?.map(({ name }) => name), { timeout: 15_000 }).toEqual(['Our print look']);

    await open('Lights');
    await page.locator('summary ::-p-text(Treatments)').click();
    await visitor.click('Wear Our print look');
    await expect.poll(() => kindsOf(slug, 'two'), { timeout: 15_000 }).toEqual(['brand-look']);
    const before = await pictureOf(other);
    await visitor.click('Everywhere: wear Our print look on every mark');
    await expect.poll(async () => (await wholeOf(other)).map(({ kind }) => kind), { timeout: 30_000 }).toEqual(['brand-look']);
    const worn = await pictureOf(other);
    expect(worn).not.toBe(before);

    // Changed at one word, it changes at the other, and in the other mark.
    const stage = await visitor.stage();
    await visitor.click('Change the look');
    await visitor.sees('Changed here, it changes wherever it is worn');
    await page.locator('[role="group"][aria-label="Treatments of Our print look"] [data-treatment] button.title').click();
    await visitor.fill('Width', '31');
    await visitor.press('Enter');
    await visitor.stageAfter(stage);
    await expect.poll(async () => (await palette()).looks?.[0]?.treatments[0]?.widthPx, { timeout: 15_000 }).toBe(31);
    await expect.poll(() => pictureOf(other), { timeout: 15_000 }).not.toBe(worn);

    // Made its own, the word keeps the band and follows the look no more.
    await visitor.click('Make them its own');
    await expect.poll(() => kindsOf(slug, 'two'), { timeout: 15_000 }).toEqual(['outline-band']);
    expect(await kindsOf(slug, 'one')).toEqual(['brand-look']);
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
  });
});
