import { arrive } from '../setup/arrive.mjs';
import { row } from './figures.mjs';

/**
 * From a keystroke in the text field to the new picture on the stage, for a wordmark of 12 letters, in the browser.
 * @param {import('puppeteer-core').Browser} browser
 * @param {string} home
 */
export async function keystrokeToPicture(browser, home) {
  const recipe = {
    version: 1,
    parts: [{ kind: 'lettering', id: 'name', text: 'Windrowkites', font: { family: 'josefin-sans', axes: { wght: 620 } } }],
  };
  await fetch(`${home}/api/brands/windrow-kites/marks`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Twelve letters', role: 'secondary', recipe }),
  });
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await arrive(page, `${home}/brands/windrow-kites/marks/twelve-letters`);
  await page.waitForSelector('[data-stage] path');
  await page.locator('section[aria-label="Recipe"] button.title').click();
  const field = await page.waitForSelector('textarea[placeholder="Type the name"]');
  await field?.focus();
  await page.keyboard.press('End');
  await page.evaluate(() => {
    const stage = document.querySelector('[data-stage]');
    const log = { toPicture: /** @type {number[]} */ ([]), toFrame: /** @type {number[]} */ ([]), pressed: 0 };
    Object.assign(window, { benchLog: log });
    document.addEventListener('keydown', (event) => (log.pressed = event.timeStamp), true);
    new MutationObserver(() => {
      if (log.pressed === 0) return;
      const pressed = log.pressed;
      log.pressed = 0;
      log.toPicture.push(performance.now() - pressed);
      requestAnimationFrame(() => setTimeout(() => log.toFrame.push(performance.now() - pressed)));
    }).observe(/** @type {Element} */ (stage), { childList: true, subtree: true });
  });
  for (let n = 0; n < 240; n++) {
    await page.keyboard.press(n % 2 === 0 ? 'Backspace' : 's', { delay: 50 });
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  const log = await page.evaluate(() => /** @type {{ toPicture: number[], toFrame: number[] }} */ (/** @type {any} */ (window).benchLog));
  await page.close();
  return [
    row('Keystroke to new picture on the stage, 12 letters', log.toPicture.slice(20), { median: 16, p95: 33 }),
    row('  the same, to the end of the frame that shows it', log.toFrame.slice(20), { median: 16, p95: 33 }),
  ];
}
