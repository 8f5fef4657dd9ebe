/** How long nothing may be on its way before a page counts as come. */
const STILL = 250;

/**
 * Opens a page and waits until it answers: its scripts run and what it asked for has come. The stream of news stays open for good. What the
 * page before was still fetching is not waited for: a worker that died with it never tells that its request ended.
 * @param {import('puppeteer-core').Page} page
 * @param {string} address
 */
export async function arrive(page, address) {
  /** @type {Set<import('puppeteer-core').HTTPRequest>} */
  const onTheWay = new Set();
  let changed = Date.now();
  /** @param {import('puppeteer-core').HTTPRequest} request */
  const begun = (request) => {
    if (request.resourceType() !== 'eventsource') onTheWay.add(request);
    changed = Date.now();
  };
  /** @param {import('puppeteer-core').HTTPRequest} request */
  const ended = (request) => {
    onTheWay.delete(request);
    changed = Date.now();
  };
  /** @param {import('puppeteer-core').Frame} frame */
  const anew = (frame) => {
    if (frame === page.mainFrame()) onTheWay.clear();
  };
  page.on('request', begun).on('requestfinished', ended).on('requestfailed', ended).on('framenavigated', anew);
  try {
    const answer = await page.goto(address, { waitUntil: 'load' });
    await page.waitForSelector('html[data-ready]');
    for (const until = Date.now() + page.getDefaultTimeout(); onTheWay.size > 0 || Date.now() - changed < STILL;) {
      if (Date.now() > until) throw new Error(`Never came: ${[...onTheWay].map((request) => request.url()).join(', ')}`);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    return answer;
  } finally {
    page.off('request', begun).off('requestfinished', ended).off('requestfailed', ended).off('framenavigated', anew);
  }
}
