import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
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

const openWindrow = async () => {
  await visitor.go('/brands/windrow-kites/marks/primary');
  await visitor.stage();
};
/** The button that unfolds a part in the recipe column. */
const part = async (name: string) => {
  await visitor.page.locator(`section[aria-label="Recipe"] button.title ::-p-text(${name})`).click();
};

describe('a designer’s first hour', () => {
  it('goes from nothing to a wordmark, a linked initial and two files, and finds it all again', async () => {
    await visitor.go('/');
    await visitor.sees('Three brands on the table');
    await visitor.click('New brand');
    await visitor.fill('Name', 'Pebble & Oar');
    await visitor.fill('lead the color people remember', ' 1F6F78 ');
    await visitor.click('Add brand');
    await visitor.page.waitForFunction(() => location.pathname === '/brands/pebble-oar/marks/primary');

    // The name is set already; another face, another text.
    const first = await visitor.stage();
    await part('Pebble & Oar');
    await visitor.fill('Text', 'Pebble');
    const renamed = await visitor.stageAfter(first);
    await visitor.click('Font Marcellus');
    await visitor.fill('Find a font', 'slab');
    await visitor.click('Zilla Slab, slab serif');
    const refaced = await visitor.stageAfter(renamed);
    await visitor.fill('Tracking', '3*20');
    await visitor.press('Enter');
    const tracked = await visitor.stageAfter(refaced);
    await visitor.fill('Size', '1in');
    await visitor.press('Enter');
    await visitor.stageAfter(tracked);
    await visitor.click('upper', 'radio');
    await visitor.click('lead', 'radio');

    // A second line, and a shape behind everything.
    await visitor.fill('Add anything', 'descr', 'combobox');
    await visitor.press('Enter');
    await visitor.sees('Second line');
    await visitor.fill('Text', 'Boat hire');
    await visitor.fill('Add anything', 'ring', 'combobox');
    await visitor.press('Enter');
    await visitor.page.waitForFunction(() => document.querySelectorAll('[data-stage] [data-part]').length === 3);
    await visitor.saved();
    const drawn = await visitor.stage();

    await visitor.click('Add a linked initial');
    await visitor.page.waitForFunction(() => location.pathname.endsWith('/initial'));
    await visitor.sees('linked · first letter');
    await visitor.click('primary', 'link');
    await visitor.page.waitForFunction(() => location.pathname.endsWith('/primary'));
    await visitor.stageIs(drawn);

    const downloads = mkdtempSync('/tmp/lucky-downloads-');
    const session = await visitor.page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
    await visitor.click('Files');
    await visitor.fill('PNG width (pixels)', '900');
    await visitor.click('Download PNG');
    await visitor.click('Download SVG');
    for (let tries = 0; readdirSync(downloads).filter((file) => !file.endsWith('.crdownload')).length < 2 && tries < 100; tries++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect(readdirSync(downloads).sort()).toEqual(['pebble-oar_primary.svg', 'pebble-oar_primary_900px.png']);
    const png = PNG.sync.read(readFileSync(`${downloads}/pebble-oar_primary_900px.png`));
    expect([png.width, png.data[3]]).toEqual([900, 0]);
    expect(readFileSync(`${downloads}/pebble-oar_primary.svg`, 'utf8')).toContain('#1f6f78');

    await visitor.go('/');
    await visitor.sees('Four brands on the table');
  });

  it('undoes and redoes whole gestures, by keys, across a reload', async () => {
    await openWindrow();
    const start = await visitor.stage();
    await part('Windrow');
    await visitor.page.$eval('[role="application"]', (stage) => (stage as unknown as HTMLElement).focus());
    await visitor.press('ArrowRight', 'ArrowRight');
    const nudged = await visitor.stageAfter(start);
    await visitor.chord('Shift', 'ArrowDown');
    const moved = await visitor.stageAfter(nudged);
    await visitor.saved();
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stageIs(moved);
    await visitor.chord('Control', 'z');
    const once = await visitor.stageAfter(moved);
    expect(once).not.toBe(start);
    await visitor.chord('Control', 'z');
    await visitor.chord('Control', 'z');
    await visitor.stageIs(start);
    await visitor.saved();
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stageIs(start);
    await visitor.click('Redo');
    await visitor.click('Redo');
    await visitor.click('Redo');
    await visitor.stageIs(moved);
  });

  it('moves a part by dragging it, as one gesture', async () => {
    await visitor.go('/brands/tidewrack-aerial/marks/monogram');
    const before = await visitor.stage();
    const letter = await visitor.page.$('[data-part="left"] path');
    const box = await letter?.boundingBox();
    if (!box) throw new Error('the letter is not on the stage');
    // Near the top of a T is its bar.
    await visitor.page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await visitor.page.mouse.down();
    for (let step = 1; step <= 10; step++) await visitor.page.mouse.move(box.x + box.width / 2 + step * 4, box.y + box.height / 2 + step);
    await visitor.page.mouse.up();
    await visitor.stageAfter(before);
    await visitor.saved();
    await visitor.chord('Control', 'z');
    await visitor.stageIs(before);
  });

  it('sees the linked initial change while the primary is typed', async () => {
    await openWindrow();
    const initial = () => visitor.page.$eval('section[aria-label="Family"] a:nth-of-type(2) .picture', (picture) => picture.innerHTML);
    await visitor.page.waitForSelector('section[aria-label="Family"] a:nth-of-type(2) path');
    const before = await initial();
    await part('Windrow');
    await visitor.fill('Text', 'Saltrow');
    await visitor.page.waitForFunction(
      (old) => document.querySelector('section[aria-label="Family"] a:nth-of-type(2) .picture')?.innerHTML !== old,
      {},
      before,
    );
    await visitor.saved();
    await visitor.chord('Control', 'z');
    await visitor.saved();
  });

  it('recolors the whole brand, and goes back to the colors before', async () => {
    await visitor.go('/brands/gorsebank-rowing-club/marks/primary');
    const before = await visitor.stage();
    await visitor.click('Colors');
    await visitor.fill('ink text and line work', '#0b5d1e');
    await visitor.click('Save colors');
    expect(await visitor.stageAfter(before)).toContain('#0b5d1e');
    await visitor.click('Colors');
    await visitor.click('Back to the colors before');
    await visitor.stageIs(before);
  });

  it('shows all proofs: three sizes, round crop, one color, reversed, on lead', async () => {
    await openWindrow();
    for (const name of ['At 16 pixels', 'At 32 pixels', 'At 64 pixels', 'In a round crop', 'one color', 'reversed', 'on lead'])
      await visitor.page.waitForSelector(`aside svg[aria-label="${name}"] path`);
    expect(await visitor.page.$eval('aside svg[aria-label="At 16 pixels"]', (svg) => svg.getBoundingClientRect().width)).toBe(16);
  });
});

describe('what cannot be done', () => {
  it('is said beside the number, and the number stays', async () => {
    await openWindrow();
    await part('Windrow');
    for (const [typed, sentence] of [
      ['0', 'Size goes from 1 to 10,000 px.'],
      ['-5', 'Size goes from 1 to 10,000 px.'],
      ['1e9', 'is not a number'],
      ['9999999999', 'Size goes from 1 to 10,000 px.'],
      ['NaN', 'is not a number'],
    ] as const) {
      const before = await visitor.stage();
      await visitor.fill('Size', typed);
      await visitor.press('Enter');
      await visitor.sees(sentence);
      expect(await visitor.stage()).toBe(before);
      await visitor.press('Escape');
    }
  });

  it('names the letters that a font lacks and lends them on request; never draws boxes', async () => {
    await openWindrow();
    await part('Windrow');
    await visitor.fill('Text', 'Wжw');
    await visitor.sees('Josefin Sans has no “Ж”; it is left out.');
    const without = await visitor.stage();
    await visitor.click('Borrow from Noto Sans');
    await visitor.stageAfter(without);
    await visitor.seesNot('it is left out');
    await visitor.fill('Text', '');
    await visitor.sees('This lettering has no text yet.');
    await visitor.saved();
    await visitor.chord('Control', 'z');
    await visitor.chord('Control', 'z');
    await visitor.chord('Control', 'z');
    await visitor.saved();
  });

  it('shows a part of a newer version as not understood, and keeps it', async () => {
    const recipe = {
      version: 1,
      parts: [
        { kind: 'hologram', id: 'h', name: 'Shimmer', depth: 3 },
        { kind: 'lettering', id: 'name', text: 'Here', font: { family: 'jost' } },
      ],
    };
    await fetch(`${app.url}/api/brands/windrow-kites/marks`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'From later', role: 'secondary', recipe }),
    });
    await visitor.go('/brands/windrow-kites/marks/from-later');
    await visitor.sees('not understood · “hologram”');
    await part('Here');
    const before = await visitor.stage();
    await visitor.fill('Text', 'There');
    await visitor.stageAfter(before);
    await visitor.saved();
    const stored = (await (await fetch(`${app.url}/api/brands/windrow-kites/marks/from-later`)).json()) as { recipe: { parts: unknown[] } };
    expect(stored.recipe.parts[0]).toEqual(recipe.parts[0]);
  });

  it('tells two tabs apart and overwrites neither', async () => {
    await visitor.go('/brands/tidewrack-aerial/marks/primary');
    await visitor.stage();
    const other = await Visitor.arrive((await chromium.browser.createBrowserContext()) as never, app.url);
    await other.go('/brands/tidewrack-aerial/marks/primary');
    const type = async (who: Visitor, text: string) => {
      await who.page.locator('section[aria-label="Recipe"] button.title ::-p-text(Tidewrack)').click();
      await who.fill('Text', text);
    };
    await type(other, 'Theirs');
    await other.saved();
    await type(visitor, 'Mine');
    await visitor.sees('This mark was changed elsewhere while you worked on it.');
    await visitor.click('Go on with the newer one');
    await visitor.saved();
    await visitor.sees('Theirs');
    await visitor.chord('Control', 'z');
    await visitor.sees('Mine');
    await visitor.saved();
    await other.page.close();
  });

  it('leaves no control without a name', async () => {
    for (const path of ['/', '/brands/windrow-kites/marks/primary']) {
      await visitor.go(path);
      if (path !== '/') {
        await visitor.stage();
        await part('Right rule');
      }
      const tree = await visitor.page.accessibility.snapshot({ interestingOnly: true });
      const nameless: string[] = [];
      const walk = (node: { role: string; name?: string; children?: unknown[] } | null | undefined) => {
        if (node && /^(button|link|textbox|radio|combobox|checkbox|slider)$/.test(node.role) && !node.name) nameless.push(node.role);
        for (const child of node?.children ?? []) walk(child as typeof node);
      };
      walk(tree as Parameters<typeof walk>[0]);
      expect(nameless).toEqual([]);
    }
  });
});
