/** `npm run screenshots`: remakes docs/screenshots/ from the demo data, one picture of each main view. */
import { arrive } from './setup/arrive.mjs';
import { ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { PROJECT } from './setup/project.mjs';
import { say } from './setup/say.mjs';

await ensureNpmPackages();
await ensureDebianPackages(['postgresql', 'chromium']);
const { withThrowawayApp } = await import('./setup/throwaway.mjs');

/** @typedef {import('puppeteer-core').Page} Page */
/** @type {readonly { readonly file: string, readonly path: string, readonly ready: string, readonly prepare?: (page: Page) => Promise<void> }[]} */
const VIEWS = [
  { file: 'studio', path: '/', ready: 'article svg path' },
  { file: 'library', path: '/library', ready: '[aria-label="Fonts"] svg path' },
  { file: 'brief', path: '/brands/windrow-kites/brief', ready: 'article img' },
  {
    file: 'type',
    path: '/brands/windrow-kites/type',
    ready: '[aria-label="Trials"] .cell path',
    prepare: async (page) => {
      await page.waitForFunction(() => document.querySelectorAll('[aria-label="Trials"] .cell path').length > 60);
    },
  },
  {
    file: 'marks',
    path: '/brands/windrow-kites/marks/primary',
    ready: 'aside svg[aria-label="reversed"] path',
    prepare: (page) => page.locator('section[aria-label="Recipe"] button.title ::-p-text(Windrow)').click(),
  },
  {
    file: 'marks-letters',
    path: '/brands/windrow-kites/marks/primary',
    ready: 'aside svg[aria-label="reversed"] path',
    prepare: async (page) => {
      await page.locator('section[aria-label="Recipe"] button.title ::-p-text(Windrow)').click();
      await page.locator('::-p-aria([name="optical"][role="radio"])').click();
      await page.evaluate(() => /** @type {HTMLElement} */ (document.querySelector('[role="application"]')).focus());
      await page.keyboard.press('Enter');
      for (let n = 0; n < 5; n++) await page.keyboard.press('.');
      await page.waitForSelector('.strip button');
    },
  },
  {
    file: 'marks-crest',
    path: '/brands/gorsebank-rowing-club/marks/arms',
    ready: 'aside svg[aria-label="reversed"] path',
    prepare: async (page) => {
      await page.locator('section[aria-label="Recipe"] button.title ::-p-text(Crest)').click();
      await page.waitForSelector('textarea');
      await page.waitForFunction(() => document.querySelectorAll('aside [data-verdict]').length > 5);
    },
  },
  {
    file: 'marks-starts',
    path: '/brands/gorsebank-rowing-club/marks/primary',
    ready: 'aside svg[aria-label="reversed"] path',
    prepare: async (page) => {
      await page.locator('::-p-aria([name="Add a mark"][role="button"])').click();
      await page.locator('dialog[open] .kinds strong ::-p-text(Badge)').click();
      await page.waitForFunction(
        () =>
          document.querySelectorAll('dialog[open] .starts svg').length === document.querySelectorAll('dialog[open] .starts button').length,
      );
      await page.locator('dialog[open] .starts button').click();
      await page.waitForSelector('dialog[open] .sheet svg path');
    },
  },
  {
    file: 'marks-art',
    path: '/brands/gorsebank-rowing-club/marks/crest',
    ready: 'aside svg[aria-label="reversed"] path',
    prepare: async (page) => {
      await page.locator('section[aria-label="Recipe"] button.title ::-p-text(Crown)').click();
      await page.locator('::-p-aria([name="Swap for another piece"][role="button"])').click();
      const field = await page.waitForSelector('input[aria-label="Search art"]');
      await field?.click({ count: 3 });
      await field?.type('courage');
      await page.waitForFunction(() => document.querySelectorAll('section[aria-label="Art library"] li img').length > 30);
      for (const n of [1, 2]) {
        await page.locator(`section[aria-label="Art library"] li:nth-child(${n}) button`).click();
        await page.waitForFunction((count) => document.querySelectorAll('.compare button[aria-pressed]').length === count, {}, n);
      }
    },
  },
  {
    file: 'family',
    path: '/brands/windrow-kites/family',
    ready: '.tree svg path',
    prepare: async (page) => {
      await page.waitForFunction(() => document.querySelectorAll('.facts').length > 10 && !document.body.innerText.includes('measuring'));
    },
  },
  {
    file: 'proof',
    path: '/brands/windrow-kites/proof',
    ready: '.tile svg path',
    prepare: async (page) => {
      await page.waitForFunction(
        () => document.querySelectorAll('.tile [data-verdict]').length > 40 && !/measuring \d+ of/.test(document.body.innerText),
        { timeout: 60_000 },
      );
    },
  },
  {
    file: 'pieces',
    path: '/brands/windrow-kites/pieces',
    ready: 'ul[aria-label="Pieces"] svg path',
    prepare: async (page) => {
      await page.waitForFunction(() => document.querySelectorAll('ul[aria-label="Layouts"] svg').length > 20);
    },
  },
  {
    file: 'sheet',
    path: '/brands/gorsebank-rowing-club/sheet',
    ready: 'figure svg path',
    prepare: async (page) => {
      await page.waitForFunction(() => document.querySelectorAll('figure svg').length > 8, { timeout: 120_000 });
      await page.evaluate(() => document.querySelectorAll('figure')[5]?.scrollIntoView());
    },
  },
  {
    file: 'handover',
    path: '/brands/gorsebank-rowing-club/handover',
    ready: '.pack .head',
    prepare: async (page) => {
      await page.locator('.make').click();
      await page.waitForFunction(() => /All \d+ files were made/.test(document.body.innerText), { timeout: 120_000 });
      await page.locator('button[aria-label^="Choose what goes into Profiles"]').click();
      await page.locator('button[aria-label^="What was checked"]').click();
    },
  },
  {
    file: 'marks-treatments',
    path: '/brands/windrow-kites/marks/initial',
    ready: 'aside svg[aria-label="reversed"] path',
    prepare: async (page) => {
      await page.locator('section[aria-label="Recipe"] button.title ::-p-text(Initial)').click();
      await add(page, 'block shadow');
      await page.locator('::-p-aria([name="Looks to start from"][role="button"])').click();
      await page.waitForFunction(() => document.querySelectorAll('[aria-label="Looks to start from"] svg path').length > 14);
      await page.evaluate(() => document.querySelector('[data-treatment]')?.scrollIntoView({ block: 'start' }));
    },
  },
  {
    file: 'marks-etched',
    path: '/brands/gorsebank-rowing-club/marks/crest',
    ready: 'aside svg[aria-label="reversed"] path',
    prepare: async (page) => {
      await page.locator('::-p-aria([name="Compare with Etched"][role="button"])').click();
      // Both of them: the etched one takes its time.
      await page.waitForFunction(() =>
        [...document.querySelectorAll('.compare figure')].every((figure) => figure.querySelectorAll('path').length > 5),
      );
      // The tries in the strip are drawn last.
      await page.waitForFunction(() =>
        [...document.querySelectorAll('[aria-label^="Compare with"]')].every((tile) => tile.querySelector('path') !== null),
      );
    },
  },
  // The last one: it leaves the brand in other colors.
  {
    file: 'photos',
    path: '/brands/tidewrack-aerial/photos',
    ready: '[data-stamp]',
    prepare: async (page) => {
      await page.waitForFunction(() => document.querySelectorAll('.laid path').length > 60);
    },
  },
  {
    file: 'goods',
    path: '/brands/windrow-kites/proof',
    ready: '.tile.goods',
    prepare: async (page) => {
      await page.evaluate(() => document.querySelector('section[aria-label="On goods"]')?.scrollIntoView());
      await page.waitForFunction(
        () =>
          [...document.querySelectorAll('.tile.goods img')]
            .slice(0, 9)
            .every((img) => /** @type {HTMLImageElement} */ (img).complete && /** @type {HTMLImageElement} */ (img).naturalWidth > 0),
        { timeout: 60_000 },
      );
    },
  },
  {
    file: 'color',
    path: '/brands/windrow-kites/color',
    ready: '.marks svg path',
    prepare: async (page) => {
      await page.locator('::-p-aria([name="Keep beside"][role="button"])').click();
      const code = await page.waitForSelector('input[aria-label="Color code"]');
      await code?.click({ count: 3 });
      await code?.type('2f6f8f');
      await page.keyboard.press('Enter');
      await page.waitForFunction(() => document.querySelectorAll('.marks.several svg path').length > 40);
    },
  },
];

/**
 * Adds a part by what is typed into the add field.
 * @param {Page} page
 * @param {string} words
 */
async function add(page, words) {
  const field = await page.waitForSelector('input[aria-label="Add anything"]');
  await field?.click();
  await field?.type(words);
  await page.keyboard.press('Enter');
}

await withThrowawayApp('screenshots', async (browser, home) => {
  for (const { file, path, ready, prepare } of VIEWS) {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    await arrive(page, home + path);
    await page.waitForSelector(ready);
    await prepare?.(page);
    await page.waitForNetworkIdle();
    await page.evaluate(() => document.fonts.ready.then(() => new Promise((done) => setTimeout(done, 600))));
    await page.screenshot({ path: /** @type {`${string}.png`} */ (`${PROJECT}/docs/screenshots/${file}.png`) });
    say(`docs/screenshots/${file}.png`);
    await page.close();
  }
});
