import { arrive } from '../setup/arrive.mjs';
import { row } from './figures.mjs';

/** Two lines of 40 letters together: an arch with cuts and hand kerning, and a second line that stays with it, fitted and kerned by hand. */
const RECIPE = {
  version: 1,
  parts: [
    {
      kind: 'lettering',
      id: 'second',
      text: 'Kites sewn by hand',
      case: 'upper',
      font: { family: 'josefin-sans', axes: { wght: 400 } },
      kerning: 'optical',
      trackingPermille: 120,
      gaps: [3, 6, 9].map((index) => ({ index, left: 'Kites sewn by hand'[index], right: 'Kites sewn by hand'[index + 1], permille: 20 })),
      companion: { part: 'name', sizePercent: 34, gapPermille: 200 },
    },
    {
      kind: 'lettering',
      id: 'name',
      text: 'Windrow Kites Workshop',
      font: { family: 'josefin-sans', axes: { wght: 620 } },
      sizePx: 110,
      kerning: 'optical',
      line: { shape: 'arc', form: 'arch', side: 'over', radiusPx: 900, letters: 'bent', spacingAtPercent: 50 },
      gaps: [0, 4, 8, 12, 15].map((index) => ({
        index,
        left: 'Windrow Kites Workshop'[index],
        right: 'Windrow Kites Workshop'[index + 1],
        permille: -15,
      })),
      letters: [{ at: { index: 5, letter: 'o' }, turnDeg: 12 }],
      cuts: [
        { id: 'cut-1', at: { index: 0, letter: 'W' }, form: 'slice', angleDeg: -14, gapPermille: 30 },
        { id: 'cut-2', at: { index: 8, letter: 'K' }, form: 'bar', gapPermille: 40 },
        { id: 'cut-3', at: null, form: 'bar', gapPermille: 14, downPercent: 62, lengthPercent: 260 },
      ],
    },
  ],
};

/**
 * From a key to the new picture on the stage for one edit of a lockup of 40 letters, and the longest frame of a long drag of it, in the browser.
 * @param {import('puppeteer-core').Browser} browser
 * @param {string} home
 */
export async function editOfLockup(browser, home) {
  const made = await fetch(`${home}/api/brands/windrow-kites/marks`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Forty letters', role: 'secondary', recipe: RECIPE }),
  });
  if (!made.ok) throw new Error(`The benchmark's mark was refused: ${await made.text()}`);
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await arrive(page, `${home}/brands/windrow-kites/marks/forty-letters`);
  await page.waitForSelector('[data-stage] path');
  const rows = await page.$$('section[aria-label="Recipe"] button.title');
  await rows[0]?.click();
  await page.evaluate(() => /** @type {HTMLElement} */ (document.querySelector('[role="application"]')).focus());
  await page.keyboard.press('Enter');
  await page.keyboard.press('.');
  await page.evaluate(() => {
    const stage = /** @type {Element} */ (document.querySelector('[data-stage]'));
    const log = { toPicture: /** @type {number[]} */ ([]), frames: /** @type {number[]} */ ([]), pressed: 0 };
    Object.assign(window, { benchLog: log });
    document.addEventListener('keydown', (event) => event.key.startsWith('Arrow') && (log.pressed = event.timeStamp), true);
    new MutationObserver(() => {
      if (log.pressed === 0) return;
      log.toPicture.push(performance.now() - log.pressed);
      log.pressed = 0;
    }).observe(stage, { childList: true, subtree: true });
  });
  // Every key is another edit, none seen before: an arrow raises the letter, Alt and an arrow open the gap behind it; each key is held as a hand does.
  for (let n = 0; n < 160; n++) {
    if (n % 2 === 0) await page.keyboard.press('ArrowUp', { delay: 50 });
    else {
      await page.keyboard.down('Alt');
      await page.keyboard.press('ArrowRight', { delay: 50 });
      await page.keyboard.up('Alt');
    }
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  const keys = await page.evaluate(() => /** @type {{ toPicture: number[] }} */ (/** @type {any} */ (window).benchLog).toPicture);

  // A long drag of a gap: what the page itself does between two frames.
  const handle = await page.$('[data-gap="4"]');
  const box = await handle?.boundingBox();
  const at = { x: (box?.x ?? 0) + (box?.width ?? 0) / 2, y: (box?.y ?? 0) + (box?.height ?? 0) / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.evaluate(() => {
    const log = /** @type {{ frames: number[], going: boolean }} */ (/** @type {any} */ (window).benchLog);
    log.going = true;
    let last = performance.now();
    const next = () => {
      log.frames.push(performance.now() - last);
      last = performance.now();
      if (log.going) requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  });
  for (let n = 0; n < 300; n++) {
    await page.mouse.move(at.x + 40 * Math.sin(n / 12), at.y);
    await new Promise((resolve) => setTimeout(resolve, 8));
  }
  await page.mouse.up();
  const frames = await page.evaluate(() => {
    const log = /** @type {{ frames: number[], going: boolean }} */ (/** @type {any} */ (window).benchLog);
    log.going = false;
    return log.frames.slice(2);
  });
  await page.close();
  return [
    row('One edit of a two-line lockup of 40 letters, arched, cut and kerned, key to picture', keys.slice(10), { median: 16, p95: 33 }),
    `  a long drag of one of its gaps: ${frames.length} frames, longest ${Math.max(...frames).toFixed(0)} ms (budget 50 ms), over 50 ms: ${frames.filter((frame) => frame > 50).length}`,
  ];
}
