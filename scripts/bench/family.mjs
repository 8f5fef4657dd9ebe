import { arrive } from '../setup/arrive.mjs';
import { row } from './figures.mjs';

/** One letter of a primary changed, with twelve marks derived from it: until every picture is new, in one process. @returns {Promise<string[]>} */
export async function familyFollows() {
  const core = await import('../../src/core/index.ts');
  const { shelfOf } = await import('../../tests/support/fonts.ts');
  const { paths, resolverOf } = await import('../../tests/support/resolver.ts');
  const { familyOf, PALETTE, PRIMARY, primaryOf } = await import('../../tests/support/family.ts');
  const shelf = await shelfOf('jost');
  const look = { name: 'Harrow & Teal Goods', second: 'Paper and Twine', symbol: true };
  const { context } = familyOf(primaryOf(look), shelf);
  const began = performance.now();
  const layouts = core.layoutsOf(context);
  const laid = performance.now() - began;
  const derived = layouts.slice(0, 12).map(({ recipe }) => recipe);
  const { resolve } = resolverOf(shelf);
  const colors = core.dress(PALETTE, 'full');
  const draw = (/** @type {string} */ name) => {
    const primary = primaryOf({ ...look, name });
    const sources = new Map([[PRIMARY, primary]]);
    const from = performance.now();
    for (const recipe of [primary, ...derived]) core.screenPicture(resolve({ recipe, sources, dress: colors }), 'bench-', '');
    return performance.now() - from;
  };
  draw(look.name);
  const times = [...'ABCDEFGHIJKLMNOPQRST'].map((letter) => draw(`${letter}arrow & Teal Goods`));
  const small = core
    .layoutsOf(context)
    .slice(0, 8)
    .map(({ recipe }) => {
      const mark = resolve({ recipe, sources: new Map([[PRIMARY, primaryOf(look)]]), dress: colors });
      const area = paths.weld(core.markOutlines(mark.drawing).map((path) => /** @type {const} */ ({ path, rule: 'nonzero' })));
      const box = core.boundsOf(area.path);
      const from = performance.now();
      if (box) core.smallestSafePx(core.silhouetteOf(area, box, paths));
      return performance.now() - from;
    });
  return [
    row('A letter of a primary changed, 12 derived marks: all pictures', times, { median: 250, p95: 250 }),
    row(`Layouts of a primary (${layouts.length})`, [laid], { median: 2000, p95: 2000 }),
    row('Smallest safe size of a mark', small, { median: 100, p95: 200 }),
  ];
}

/** Opening the proof wall of a family: first proofs, and all. @param {import('puppeteer-core').Browser} browser @param {string} home @returns {Promise<string[]>} */
export async function proofWall(browser, home) {
  const first = [];
  const all = [];
  for (let n = 0; n < 5; n++) {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    await arrive(page, `${home}/brands/tidewrack-aerial/brief`);
    await page.evaluate(() => {
      const seen = /** @type {{ first?: number, all?: number }} */ ({});
      /** @type {any} */ (window).seen = seen;
      const look = () => {
        // Marks on goods are pictures of the server.
        const tiles = [...document.querySelectorAll('.tile:not(.goods)')];
        const drawn = tiles.filter((tile) => tile.querySelector('svg path'));
        if (drawn.length > 0) seen.first ??= performance.now();
        if (tiles.length > 0 && drawn.length === tiles.length) seen.all ??= performance.now();
        if (seen.all === undefined) requestAnimationFrame(look);
      };
      /** @type {any} */ (window).began = performance.now();
      look();
      /** @type {HTMLElement | undefined} */ (
        [...document.querySelectorAll('nav a')].find((link) => link.textContent?.startsWith('Proof'))
      )?.click();
    });
    await page.waitForFunction(() => /** @type {any} */ (window).seen.all !== undefined, { timeout: 60_000 });
    const found = await page.evaluate(() => {
      const { seen, began } = /** @type {any} */ (window);
      return [seen.first - began, seen.all - began];
    });
    first.push(/** @type {number} */ (found[0]));
    all.push(/** @type {number} */ (found[1]));
    await page.close();
  }
  return [
    row('Proof wall of a family: first proofs', first, { median: 400, p95: 800 }),
    row('Proof wall of a family: all proofs', all, { median: 3000, p95: 4000 }),
  ];
}
