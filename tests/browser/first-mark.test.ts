import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { lenderOf } from '$core/index';
import { nameRecipe, send } from '../support/api';
import { useVisitor, Visitor } from '../support/browser';
import { oneInEvery } from '../support/deep';
import { NAMES_OF_ANY_SCRIPT } from '../support/names';

const test = useVisitor();

const openWindrow = async () => {
  await test.visitor.go('/brands/windrow-kites/marks/primary');
  await test.visitor.stage();
};
/** The button that unfolds a part in the recipe column. */
const part = async (name: string) => {
  await test.visitor.page.locator(`section[aria-label="Recipe"] button.title ::-p-text(${name})`).click();
};

describe('a designer’s first hour', () => {
  it('goes from nothing to a wordmark, a linked initial and two files, and finds it all again', async () => {
    await test.visitor.go('/');
    await test.visitor.sees('Three brands on the table');
    await test.visitor.click('New brand');
    await test.visitor.fill('Name', 'Pebble & Oar');
    await test.visitor.fill('lead the color people remember', ' 1F6F78 ');
    await test.visitor.click('Add brand');
    await test.visitor.page.waitForFunction(() => location.pathname === '/brands/pebble-oar/marks/primary');

    // The name is set already; another face, another text.
    const first = await test.visitor.stage();
    await part('Pebble & Oar');
    await test.visitor.fill('Text', 'Pebble');
    const renamed = await test.visitor.stageAfter(first);
    await test.visitor.click('Font Marcellus');
    await test.visitor.fill('Find a font', 'slab');
    await test.visitor.click('Zilla Slab, slab serif');
    const refaced = await test.visitor.stageAfter(renamed);
    await test.visitor.fill('Tracking', '3*20');
    await test.visitor.press('Enter');
    const tracked = await test.visitor.stageAfter(refaced);
    await test.visitor.fill('Size', '1in');
    await test.visitor.press('Enter');
    await test.visitor.stageAfter(tracked);
    await test.visitor.pick('Case', 'upper');
    await test.visitor.click('lead', 'radio');

    // A second line, and a shape behind everything.
    await test.visitor.fill('Add anything', 'descr', 'combobox');
    await test.visitor.press('Enter');
    await test.visitor.sees('Second line');
    await test.visitor.fill('Text', 'Boat hire');
    await test.visitor.fill('Add anything', 'ring', 'combobox');
    await test.visitor.press('Enter');
    await test.visitor.page.waitForFunction(() => document.querySelectorAll('[data-stage] [data-part]').length === 3);
    await test.visitor.saved();
    const drawn = await test.visitor.stage();

    await test.visitor.click('Add a mark');
    await test.visitor.page.locator('dialog[open] .kinds strong ::-p-text(Something else)').click();
    await test.visitor.page.waitForSelector('#mark-begins');
    await test.visitor.click('Add mark');
    await test.visitor.page.waitForFunction(() => location.pathname.endsWith('/initial'));
    await test.visitor.sees('linked · first letter');
    await test.visitor.click('primary', 'link');
    await test.visitor.page.waitForFunction(() => location.pathname.endsWith('/primary'));
    await test.visitor.stageIs(drawn);
    // Black first: the mark stands in ink until its color is turned on.
    await test.visitor.page.waitForSelector('[data-dressed] path[fill="#1f2421"]');
    await test.visitor.click('Turn color on');
    await test.visitor.page.waitForFunction(() => !document.querySelector('[data-dressed]'));
    await test.visitor.saved();

    const downloads = mkdtempSync('/tmp/lucky-downloads-');
    const session = await test.visitor.page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
    await test.visitor.click('Files');
    await test.visitor.fill('Width (pixels)', '900');
    await test.visitor.click('Download PNG');
    await test.visitor.click('Download SVG');
    for (let tries = 0; readdirSync(downloads).filter((file) => !file.endsWith('.crdownload')).length < 2 && tries < 100; tries++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect(readdirSync(downloads).sort()).toEqual(['pebble-oar_primary.svg', 'pebble-oar_primary_900px.png']);
    const png = PNG.sync.read(readFileSync(`${downloads}/pebble-oar_primary_900px.png`));
    expect([png.width, png.data[3]]).toEqual([900, 0]);
    expect(readFileSync(`${downloads}/pebble-oar_primary.svg`, 'utf8')).toContain('#1f6f78');

    await test.visitor.go('/');
    await test.visitor.sees('Four brands on the table');
  });

  it('undoes and redoes whole gestures, by keys, across a reload', async () => {
    await openWindrow();
    const start = await test.visitor.stage();
    await part('Windrow');
    await test.visitor.page.$eval('[role="application"]', (stage) => (stage as unknown as HTMLElement).focus());
    await test.visitor.press('ArrowRight', 'ArrowRight');
    const nudged = await test.visitor.stageAfter(start);
    await test.visitor.chord('Shift', 'ArrowDown');
    const moved = await test.visitor.stageAfter(nudged);
    await test.visitor.saved();
    await test.visitor.go('/brands/windrow-kites/marks/primary');
    await test.visitor.stageIs(moved);
    await test.visitor.chord('Control', 'z');
    const once = await test.visitor.stageAfter(moved);
    expect(once).not.toBe(start);
    await test.visitor.chord('Control', 'z');
    await test.visitor.chord('Control', 'z');
    await test.visitor.stageIs(start);
    await test.visitor.saved();
    await test.visitor.go('/brands/windrow-kites/marks/primary');
    await test.visitor.stageIs(start);
    await test.visitor.click('Redo');
    await test.visitor.click('Redo');
    await test.visitor.click('Redo');
    await test.visitor.stageIs(moved);
  });

  it('moves a part by dragging it, as one gesture', async () => {
    await test.visitor.go('/brands/tidewrack-aerial/marks/monogram');
    const before = await test.visitor.stage();
    const letter = await test.visitor.page.$('[data-part="left"] path');
    const box = await letter?.boundingBox();
    if (!box) throw new Error('the letter is not on the stage');
    // Near the top of a T is its bar.
    await test.visitor.page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await test.visitor.page.mouse.down();
    for (let step = 1; step <= 10; step++)
      await test.visitor.page.mouse.move(box.x + box.width / 2 + step * 4, box.y + box.height / 2 + step);
    await test.visitor.page.mouse.up();
    await test.visitor.stageAfter(before);
    await test.visitor.saved();
    await test.visitor.chord('Control', 'z');
    await test.visitor.stageIs(before);
  });

  it('sees the linked initial change while the primary is typed', async () => {
    await openWindrow();
    const initial = () => test.visitor.page.$eval('section[aria-label="Family"] a:nth-of-type(2) .picture', (picture) => picture.innerHTML);
    await test.visitor.page.waitForSelector('section[aria-label="Family"] a:nth-of-type(2) path');
    const before = await initial();
    await part('Windrow');
    await test.visitor.fill('Text', 'Saltrow');
    await test.visitor.page.waitForFunction(
      (old) => document.querySelector('section[aria-label="Family"] a:nth-of-type(2) .picture')?.innerHTML !== old,
      {},
      before,
    );
    await test.visitor.saved();
    await test.visitor.chord('Control', 'z');
    await test.visitor.saved();
  });

  it('recolors the whole brand, and goes back to the colors before', async () => {
    await test.visitor.go('/brands/gorsebank-rowing-club/marks/primary');
    const before = await test.visitor.stage();
    await test.visitor.click('Colors');
    await test.visitor.fill('ink text and line work', '#0b5d1e');
    await test.visitor.click('Save colors');
    expect(await test.visitor.stageAfter(before)).toContain('#0b5d1e');
    await test.visitor.click('Colors');
    await test.visitor.click('Back to the colors before');
    await test.visitor.stageIs(before);
  });

  it('shows all proofs: three sizes, round crop, one color, reversed, on lead', async () => {
    await openWindrow();
    for (const name of ['At 16 pixels', 'At 32 pixels', 'At 64 pixels', 'In a round crop', 'one color', 'reversed', 'on lead'])
      await test.visitor.page.waitForSelector(`aside svg[aria-label="${name}"] path`);
    expect(await test.visitor.page.$eval('aside svg[aria-label="At 16 pixels"]', (svg) => svg.getBoundingClientRect().width)).toBe(16);
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
      const before = await test.visitor.stage();
      await test.visitor.fill('Size', typed);
      await test.visitor.press('Enter');
      await test.visitor.sees(sentence);
      expect(await test.visitor.stage()).toBe(before);
      await test.visitor.press('Escape');
    }
  });

  it('names the letters that a font lacks and lends them on request; never draws boxes', async () => {
    await openWindrow();
    await part('Windrow');
    await test.visitor.fill('Text', 'Wжw');
    await test.visitor.sees('Josefin Sans has no “Ж”; it is left out.');
    const without = await test.visitor.stage();
    await test.visitor.click('Borrow from Noto Sans');
    await test.visitor.stageAfter(without);
    await test.visitor.seesNot('it is left out');
    await test.visitor.fill('Text', '');
    await test.visitor.sees('This lettering has no text yet.');
    await test.visitor.saved();
    await test.visitor.chord('Control', 'z');
    await test.visitor.chord('Control', 'z');
    await test.visitor.chord('Control', 'z');
    await test.visitor.saved();
  });

  it('shows a part of a newer version as not understood, and keeps it', async () => {
    const recipe = {
      version: 1,
      parts: [
        { kind: 'hologram', id: 'h', name: 'Shimmer', depth: 3 },
        { kind: 'lettering', id: 'name', text: 'Here', font: { family: 'jost' } },
      ],
    };
    await fetch(`${test.app.url}/api/brands/windrow-kites/marks`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'From later', role: 'secondary', recipe }),
    });
    await test.visitor.go('/brands/windrow-kites/marks/from-later');
    await test.visitor.sees('not understood · “hologram”');
    await part('Here');
    const before = await test.visitor.stage();
    await test.visitor.fill('Text', 'There');
    await test.visitor.stageAfter(before);
    await test.visitor.saved();
    const stored = (await (await fetch(`${test.app.url}/api/brands/windrow-kites/marks/from-later`)).json()) as {
      recipe: { parts: unknown[] };
    };
    expect(stored.recipe.parts[0]).toEqual(recipe.parts[0]);
  });

  it('tells two tabs apart and overwrites neither', async () => {
    await test.visitor.go('/brands/tidewrack-aerial/marks/primary');
    await test.visitor.stage();
    const other = await Visitor.arrive((await test.browser.createBrowserContext()) as never, test.app.url);
    await other.go('/brands/tidewrack-aerial/marks/primary');
    const type = async (who: Visitor, text: string) => {
      await who.page.locator('section[aria-label="Recipe"] button.title ::-p-text(Tidewrack)').click();
      await who.fill('Text', text);
    };
    // Without a connection no news come in; a page that hears of the other's change goes along with it before anybody types.
    await test.visitor.page.setOfflineMode(true);
    await type(other, 'Theirs');
    await other.saved();
    await type(test.visitor, 'Mine');
    await test.visitor.page.setOfflineMode(false);
    await test.visitor.sees('This mark was changed elsewhere (Chromium on Linux, the table) while you worked on it.');
    await test.visitor.click('Go on with the newer one');
    await test.visitor.saved();
    await test.visitor.sees('Theirs');
    await test.visitor.chord('Control', 'z');
    await test.visitor.sees('Mine');
    await test.visitor.saved();
    await other.page.close();
  });

  it('leaves no control without a name', async () => {
    for (const path of ['/', '/brands/windrow-kites/marks/primary']) {
      await test.visitor.go(path);
      if (path !== '/') {
        await test.visitor.stage();
        await part('Right rule');
      }
      const tree = await test.visitor.page.accessibility.snapshot({ interestingOnly: true });
      const nameless: string[] = [];
      const walk = (node: { role: string; name?: string; children?: unknown[] } | null | undefined) => {
        if (node && /^(button|link|textbox|radio|combobox|checkbox|slider)$/.test(node.role) && !node.name) nameless.push(node.role);
        for (const child of node?.children ?? []) walk(child as typeof node);
      };
      walk(tree as Parameters<typeof walk>[0]);
      expect(nameless).toEqual([]);
    }
  });

  it('begins with a name in any script, and leads to the brand and its mark', async () => {
    const names = oneInEvery(3, NAMES_OF_ANY_SCRIPT);
    for (const name of names) {
      await test.visitor.go('/');
      await test.visitor.click('New brand');
      await test.visitor.fill('Name', name);
      await test.visitor.click('Add brand');
      await test.visitor.page.waitForFunction(() => /^\/brands\/[a-z0-9-]+\/marks\/primary$/.test(location.pathname));
      await test.visitor.sees(name);
      // The name is in the mark, whether or not the first face has its letters; where it has not, that is said.
      await test.visitor.page.waitForSelector('section[aria-label="Recipe"] button.title');
      expect(await test.visitor.page.$eval('section[aria-label="Recipe"]', (column) => column.textContent)).toContain(name);
      if (lenderOf('marcellus', name) !== null || /^\p{Script=Latin}/u.test(name)) await test.visitor.stage();
    }
    await test.visitor.go('/?order=newest');
    await (await test.visitor.page.$('p.more button'))?.click();
    for (const name of names) await test.visitor.sees(name);
  });

  it('is told where files of blended colors look different elsewhere, and only there', async () => {
    for (const blend of ['normal', 'multiply']) {
      const recipe = nameRecipe('Blended', { blend });
      await send(`${test.app.url}/api/brands/windrow-kites/marks`, 'POST', { name: `As ${blend}`, role: 'secondary', recipe });
      await test.visitor.go(`/brands/windrow-kites/marks/as-${blend}`);
      await test.visitor.stage();
      await test.visitor.click('Files');
      await test.visitor.sees('Clear space');
      await (blend === 'normal' ? test.visitor.seesNot('This mark blends its colors') : test.visitor.sees('This mark blends its colors'));
    }
  });
});
