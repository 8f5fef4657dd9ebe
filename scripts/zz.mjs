import { withThrowawayApp } from './setup/throwaway.mjs';
await withThrowawayApp('play', async (browser, url) => {
  const page = await browser.newPage(); await page.setViewport({ width: 1280, height: 800 });
  page.setDefaultTimeout(15000);
  page.on('pageerror', (e) => console.log('ERR', String(e)));
  const shot = (n) => page.screenshot({ path: `/tmp/tune/play${n}.png` });
  const wait = (ms) => new Promise((r) => setTimeout(r, ms));
  const aria = (name, role = 'button') => page.locator(`::-p-aria([name="${name}"][role="${role}"])`);
  await page.goto(url, { waitUntil: 'networkidle0' });
  await aria('New brand').click();
  await wait(500);
  await page.locator('dialog input, [role="dialog"] input').fill('Hollin Bakehouse');
  await shot(1);
  const buttons = await page.$$eval('dialog button, [role="dialog"] button', (bs) => bs.map((b) => b.textContent?.trim() || b.getAttribute('aria-label')));
  console.log(buttons.join(' | '));
  await page.locator('dialog button::-p-text(Add brand), [role="dialog"] button::-p-text(Add)').click().catch((e) => console.log(String(e)));
  await wait(1500); console.log(page.url());
  await shot(2);
});
