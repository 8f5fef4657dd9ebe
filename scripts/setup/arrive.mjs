/**
 * Opens a page and waits until it answers: its scripts run and what it asked for has come. The stream of news stays open for good.
 * @param {import('puppeteer-core').Page} page
 * @param {string} address
 */
export async function arrive(page, address) {
  const answer = await page.goto(address, { waitUntil: 'load' });
  await page.waitForSelector('html[data-ready]');
  await page.waitForNetworkIdle({ idleTime: 500, concurrency: 1 });
  return answer;
}
