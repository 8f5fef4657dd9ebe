import { arrive } from '../setup/arrive.mjs';
import { row } from './figures.mjs';

const KINDS = ['Wordmark', 'Symbol and name', 'Monogram', 'Crest', 'Badge', 'Submark'];
/** Pages each kind is opened in, every time in one that has drawn nothing of it. */
const PAGES = 4;
/** What a hand needs at least from one click to the next. */
const HAND_MS = 700;

/**
 * The page of starts as a designer meets it: from the click on a kind to its first picture and to the last, in a page opened for it alone.
 * @param {import('puppeteer-core').Browser} browser
 * @param {string} home
 */
export async function pageOfStarts(browser, home) {
  const lines = [];
  for (const kind of KINDS) {
    /** @type {{ first: number, all: number }[]} */
    const times = [];
    for (let n = 0; n < PAGES; n++) {
      const page = await browser.newPage();
      await page.setViewport({ width: 1280, height: 800 });
      await arrive(page, `${home}/brands/gorsebank-rowing-club/marks/primary`);
      await page.waitForFunction(() => document.querySelectorAll('aside [data-verdict]').length > 5);
      await page.locator('::-p-aria([name="Add a mark"][role="button"])').click();
      await page.waitForSelector('dialog[open] .kinds');
      await new Promise((resolve) => setTimeout(resolve, HAND_MS));
      times.push(
        await page.evaluate(
          (wanted) =>
            new Promise((resolve) => {
              const button = [...document.querySelectorAll('dialog[open] .kinds button')].find(
                (each) => each.querySelector('strong')?.textContent === wanted,
              );
              const began = performance.now();
              let first = 0;
              const look = () => {
                const [drawn, all] = ['.picture path', 'button'].map(
                  (what) => document.querySelectorAll(`dialog[open] .starts ${what}`).length,
                );
                if (drawn && !first) first = performance.now() - began;
                const said = document.querySelector('dialog[open] .large p')?.textContent ?? '';
                if (all && said.startsWith('One click')) resolve({ first, all: performance.now() - began });
                else setTimeout(look, 4);
              };
              /** @type {HTMLElement} */ (button).click();
              look();
            }),
          kind,
        ),
      );
      await page.close();
    }
    const of = (/** @type {'first' | 'all'} */ what) => times.map((each) => each[what]);
    lines.push(
      row(`Page of starts in the app, ${kind.toLowerCase()}: first picture`, of('first'), { median: 300, p95: 300 }),
      row(`Page of starts in the app, ${kind.toLowerCase()}: all pictures`, of('all'), { median: 2000, p95: 2000 }),
    );
  }
  return lines;
}
