import type { HTTPRequest } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { useVisitor } from '../support/browser';

const test = useVisitor();

/** Does something while answers to some addresses are held back: no machine is slow enough for sure. */
async function held(addresses: RegExp, meanwhile: (release: () => void) => Promise<void>): Promise<void> {
  const { page } = test.visitor;
  const waiting: HTTPRequest[] = [];
  let holds = true;
  const hold = (request: HTTPRequest) => {
    if (holds && addresses.test(request.url())) waiting.push(request);
    else void request.continue();
  };
  await page.setRequestInterception(true);
  page.on('request', hold);
  try {
    await meanwhile(() => (holds = false));
  } finally {
    for (const request of waiting) await request.abort().catch(() => undefined);
    page.off('request', hold);
    await page.setRequestInterception(false);
  }
}

describe('a file that takes long', () => {
  it('says so with the seconds, and can be stopped', async () => {
    const { visitor } = test;
    await visitor.go('/brands/gorsebank-rowing-club/marks/crest');
    await visitor.stage();
    await visitor.click('Files');
    await visitor.fill('Width (pixels)', '12000');
    await held(/picture\.png\?/, async () => {
      await visitor.click('Download PNG');
      await visitor.sees('PNG is being made');
      await visitor.page.waitForFunction(() =>
        /being made, [1-9]\d* s/.test(document.querySelector('[role="status"].making')?.textContent ?? ''),
      );
      await visitor.click('Stop');
      await visitor.seesNot('PNG is being made');
      expect(await visitor.page.$('dialog [role="alert"]')).toBeNull();
    });
  });
});

describe('a search for art that takes long', () => {
  it('says so, keeps what was found before when it is stopped, and finds again when it is asked again', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const pieces = () => page.$$eval('section[aria-label="Art library"] li button', (all) => all.map((each) => each.ariaLabel ?? ''));
    await visitor.go('/brands/gorsebank-rowing-club/marks/crest');
    await visitor.stage();
    await page.locator('input[aria-label="Add anything"]').click();
    await page.keyboard.type('art library');
    await page.locator('[role="option"]::-p-text(art library)').click();
    await page.waitForSelector('section[aria-label="Art library"] li button');
    // Words that name the library open it; what is looked for first is the brief’s.
    expect(await page.$eval('input[aria-label="Search art"]', (field) => (field as HTMLInputElement).value)).toBe('river');
    const before = await pieces();
    await held(/\/api\/art\?/, async (release) => {
      await visitor.fill('Search art', 'lantern', 'searchbox');
      await visitor.sees('Looking through the art');
      await visitor.click('Stop');
      await visitor.seesNot('Looking through the art');
      expect(await pieces()).toEqual(before);
      expect(await page.$('section[aria-label="Art library"] [role="alert"]')).toBeNull();
      release();
      await visitor.fill('Search art', 'anchor', 'searchbox');
      await expect.poll(async () => (await pieces())[0]?.toLowerCase()).toContain('anchor');
    });
  });
});
