import { arrive } from '../setup/arrive.mjs';
import { row } from './figures.mjs';

const BRANDS = 500;
const RUNS = 15;

/**
 * The studio with 500 brands of one mark each: the page as the server answers it, a search, and from a key in the search to what is found.
 * The same page with the three demo brands alone is measured first, in the same run.
 * @param {import('puppeteer-core').Browser} browser
 * @param {string} home
 */
export async function studioOfManyBrands(browser, home) {
  const timed = async (/** @type {() => Promise<unknown>} */ run) => {
    const times = [];
    for (let n = 0; n < RUNS + 2; n++) {
      const began = performance.now();
      await run();
      if (n >= 2) times.push(performance.now() - began);
    }
    return times;
  };
  const answer = (/** @type {string} */ query) => async () => (await fetch(`${home}/${query}`)).text();
  const few = await timed(answer(''));
  const palette = { ink: '#1f2421', paper: '#fffdf8', lead: '#4a4f4c', second: '#c9cdc8', accent: '#8a8f8b' };
  for (let n = 0; n < BRANDS; n++) {
    const name = `Quayside ${n} ${['Bakery', 'Rope', 'Lamps', 'Sails', 'Clay'][n % 5]}`;
    const recipe = { version: 2, parts: [{ kind: 'lettering', id: 'name', text: name, font: { family: 'jost' } }] };
    await fetch(`${home}/api/brands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name, palette, mark: { name: 'Primary', role: 'primary', recipe } }),
    });
  }
  const many = await timed(answer(''));
  const found = await timed(answer('?text=rope%20499'));
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await arrive(page, `${home}/`);
  const field = await page.waitForSelector('input[type="search"]');
  const typed = [];
  for (const [n, word] of Array.from({ length: RUNS }, (_, at) => /** @type {const} */ ([at, `Quayside ${at * 31 + 1} `])).entries()) {
    await field?.click({ count: 3 });
    const began = performance.now();
    await page.keyboard.type(word[1], { delay: 0 });
    await page.waitForFunction(
      (/** @type {string} */ wanted) =>
        new URLSearchParams(location.search).get('text')?.trim() === wanted.trim() &&
        document.querySelector('h1')?.textContent?.includes('found'),
      { polling: 'raf' },
      word[1],
    );
    if (n > 0) typed.push(performance.now() - began);
  }
  await page.close();
  const budget = { median: 300, p95: 600 };
  return [
    row('the studio with 3 brands, as the server answers it', few, budget),
    row(`the studio with ${BRANDS} more`, many, budget),
    row(`two words searched among ${BRANDS}`, found, budget),
    row(`from the first key of a search to what is found (200 ms of them waiting for the next key)`, typed, { median: 500, p95: 900 }),
  ];
}
