import { arrive } from '../setup/arrive.mjs';
import { readFileSync } from 'node:fs';
import { row } from './figures.mjs';

/** @param {string} home @param {string} path @param {unknown} [body] */
async function json(home, path, body) {
  const answer = await fetch(
    home + path,
    body === undefined ? {} : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
  );
  if (!answer.ok) throw new Error(`${path} was refused: ${await answer.text()}`);
  return answer.json();
}

const FORMS = ['disk', 'ring', 'star', 'scallop', 'heaterShield', 'foldedRibbon', 'laurel', 'rosette', 'spray', 'arcLine'];

/**
 * From a key to the new picture on the stage for one edit of a mark of 300 parts, in the browser: shapes, ornaments, art, words, groups, live sets.
 * @param {import('puppeteer-core').Browser} browser
 * @param {string} home
 */
export async function editOfThreeHundredParts(browser, home) {
  const names = ['lion', 'oak-leaf', 'anchor', 'wolf-head', 'eagle-emblem', 'crown', 'trident', 'beehive'];
  const art = [];
  for (const name of names) art.push(await json(home, `/api/art/game-icons/${name}`).catch(() => undefined));
  const pieces = art.filter(Boolean);
  const parts = [];
  for (let n = 0; n < 270; n++) {
    const place = { x: (n % 20) * 130, y: Math.floor(n / 20) * 130, turnDeg: n * 7 };
    if (n % 3 === 0) parts.push({ ...pieces[n % pieces.length], id: `art-${n}`, place, sizePx: 110 });
    else if (n % 9 === 1)
      parts.push({ kind: 'lettering', id: `word-${n}`, text: `Word ${n}`, font: { family: 'marcellus' }, sizePx: 30, place });
    else parts.push({ kind: 'shape', id: `shape-${n}`, form: { form: FORMS[n % FORMS.length] }, place: { ...place, scale: 0.25 } });
  }
  for (let n = 0; n < 15; n++) parts.push({ kind: 'group', id: `group-${n}`, members: [`art-${n * 9}`, `shape-${n * 9 + 2}`] });
  for (let n = 0; n < 15; n++)
    parts.push({ kind: 'symmetry', id: `set-${n}`, rule: 'mirror', centerX: 1300, members: [`art-${135 + n * 9}`] });
  const made = await json(home, '/api/brands/windrow-kites/marks', {
    name: 'Three hundred',
    role: 'secondary',
    recipe: { version: 1, parts },
  });
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await arrive(page, `${home}/brands/windrow-kites/marks/${made.slug}`);
  await page.waitForSelector('[data-stage] path');
  const rows = await page.$$('section[aria-label="Recipe"] button.title');
  await rows[40]?.click();
  await page.evaluate(() => /** @type {HTMLElement} */ (document.querySelector('[role="application"]')).focus());
  await page.evaluate(() => {
    const log = { toPicture: /** @type {number[]} */ ([]), pressed: 0 };
    Object.assign(window, { benchLog: log });
    document.addEventListener('keydown', (event) => event.key.startsWith('Arrow') && (log.pressed = event.timeStamp), true);
    new MutationObserver(() => {
      if (log.pressed === 0) return;
      log.toPicture.push(performance.now() - log.pressed);
      log.pressed = 0;
    }).observe(/** @type {Element} */ (document.querySelector('[data-stage]')), { childList: true, subtree: true, attributes: true });
  });
  for (let n = 0; n < 70; n++) {
    await page.keyboard.press(n % 2 === 0 ? 'ArrowRight' : 'ArrowDown', { delay: 30 });
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  const keys = await page.evaluate(() => /** @type {{ toPicture: number[] }} */ (/** @type {any} */ (window).benchLog).toPicture);
  await page.close();
  return [row('One edit of a mark of 300 parts, key to picture', keys.slice(8), { median: 50, p95: 100 })];
}

/**
 * Every key of a few searches over the whole art library, from the request to the answer.
 * @param {string} home
 */
export async function artSearch(home) {
  const asked = ['heron', 'courage', 'sailing ship', 'oak leaf', 'sea', 'craft', 'lighthouse keeper'];
  const times = [];
  for (let round = 0; round < 3; round++)
    for (const words of asked)
      for (let end = 1; end <= words.length; end++) {
        const began = performance.now();
        await json(home, `/api/art?limit=72&text=${encodeURIComponent(words.slice(0, end))}`);
        times.push(performance.now() - began);
      }
  return [row('A key typed in the art search, request to answer, whole library', times.slice(10), { median: 50, p95: 50 })];
}

/** A welding band around a script word of 20 letters, every time of another width: outlines welded, band drawn, welded again. */
export async function weldingBand() {
  const { createFontShelf, createResolver, createPart, dress, expect, STARTING_PALETTE } = await import('../../src/core/index');
  const { openTypeface, unpackFontFile } = await import('../../src/core/shaping');
  const { openPathAlgebra } = await import('../../src/core/pathops');
  const shipped = JSON.parse(readFileSync('fonts/shipped.json', 'utf8'));
  const family = shipped.find((/** @type {{ id: string }} */ { id }) => id === 'great-vibes');
  const open = new Map();
  for (const { file } of family.faces)
    open.set(file, expect(openTypeface(file, expect(await unpackFontFile(readFileSync(`fonts/${file}`))))));
  const paths = await openPathAlgebra(readFileSync('node_modules/pathkit-wasm/bin/pathkit.wasm'));
  const { resolve } = createResolver(createFontShelf(shipped, open), paths);
  const times = [];
  for (let n = 0; n < 60; n++) {
    const parts = [
      { kind: 'band', id: 'band', of: 'name', widthPx: 8 + n / 10 },
      { kind: 'lettering', id: 'name', text: 'Saltmarsh Lanternery', font: { family: 'great-vibes' }, sizePx: 160 },
    ].map((part) => expect(createPart(/** @type {any} */ (part))));
    const began = performance.now();
    resolve({ recipe: { version: 1, parts }, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
    times.push(performance.now() - began);
  }
  return [row('A welding band around a script word of 20 letters', times.slice(5), { median: 100, p95: 100 })];
}

/** Three hundred parts decided and cut for one color, crowded and apart, as they are when a mark that stands in ink is edited. @returns {Promise<string[]>} */
export async function oneColorOfManyParts() {
  const { createDresser, createPart, dress, expect, RECIPE_VERSION, ROLES, STARTING_PALETTE } = await import('../../src/core/index.ts');
  const { flattenedAlgebra } = await import('../../src/core/pathops/index.ts');
  const { random } = await import('../../tests/support/random.ts');
  const { shelfOf } = await import('../../tests/support/fonts.ts');
  const { paths, resolverOf } = await import('../../tests/support/resolver.ts');
  const { resolve } = resolverOf(await shelfOf('jost'));
  const forms = /** @type {const} */ (['disk', 'panel', 'star']);
  const rows = [];
  for (const [label, spread] of /** @type {const} */ ([
    ['apart', 3000],
    ['crowded', 900],
  ])) {
    const times = [];
    for (let n = 0; n < 3; n++) {
      const next = random(n + 1);
      const parts = Array.from({ length: 300 }, (_, at) =>
        expect(
          createPart({
            kind: 'shape',
            id: `part-${at}`,
            form: { form: forms[at % 3] ?? 'disk', widthPx: 60 + 60 * next(), heightPx: 60 + 60 * next() },
            paint: { role: ROLES[Math.floor(next() * ROLES.length)] ?? 'ink' },
            place: { x: spread * next(), y: spread * next(), turnDeg: 90 * next() },
          }),
        ),
      );
      const recipe = { version: RECIPE_VERSION, parts };
      const mark = resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
      const dressed = createDresser(paths, flattenedAlgebra);
      const began = performance.now();
      dressed(mark, recipe, STARTING_PALETTE, 'one-color');
      times.push(performance.now() - began);
    }
    rows.push(row(`One color of 300 parts, ${label}`, times, { median: 5000, p95: 5000 }));
  }
  return rows;
}
