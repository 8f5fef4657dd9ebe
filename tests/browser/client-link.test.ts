import { describe, expect, it } from 'vitest';
import { faultsOf, unsaidOn } from '../support/axe';
import { useVisitor, Visitor } from '../support/browser';

const test = useVisitor();

describe('a client’s link', () => {
  it('is made in the studio, opened on a phone, and a note and a yes come up in the studio, answered and closed there', async () => {
    const { visitor } = test;
    const { page } = visitor;
    await visitor.go('/brands/tidewrack-aerial/sheet');
    await page.locator('summary ::-p-text(Client’s link)').click();
    await visitor.fill('A word to enter, if you like', 'low tide');
    await visitor.click('Make a link');
    const address = await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[aria-label="Address of the link"]')?.value || false,
    );
    const link = String(await address.jsonValue());
    expect(new URL(link).pathname).toMatch(/^\/c\/[\w-]{32}$/);

    // The client, on a phone, with scripts off.
    const client = await Visitor.arrive(test.browser, '');
    const phone = client.page;
    await phone.setJavaScriptEnabled(false);
    await phone.setViewport({ width: 375, height: 740, hasTouch: true, isMobile: true });
    await phone.goto(link);
    await phone.type('#word', 'low tide');
    await Promise.all([phone.waitForNavigation(), phone.click('form button')]);
    expect(await phone.$('section[aria-label="Primary"]')).not.toBeNull();
    // Nothing is wider than the phone.
    expect((await phone.$eval('html', (html) => html.getBoundingClientRect().width)) <= 375).toBe(true);
    const picture = await phone.$('section[aria-label="Primary"] input[type="image"]');
    const box = await picture?.boundingBox();
    expect(box?.width).toBe(320);
    await Promise.all([phone.waitForNavigation(), picture?.click({ offset: { x: 80, y: 160 } })]);
    await phone.type('section[aria-label="Primary"] input[name="name"]', 'Ada');
    await phone.type('section[aria-label="Primary"] textarea', 'Could this be a little bolder?');
    await Promise.all([phone.waitForNavigation(), phone.click('section[aria-label="Primary"] button[value="note"]')]);
    await phone.type('section[aria-label="Monogram"] input[name="name"]', 'Ada');
    await Promise.all([phone.waitForNavigation(), phone.click('section[aria-label="Monogram"] button[value="yes"]')]);

    // In the studio, without a reload. A page that is behind another one draws nothing.
    await page.bringToFront();
    await visitor.sees('Could this be a little bolder?');
    await visitor.sees('said yes to version 1 of');
    expect(await page.$eval('ul[aria-label="Notes of the client"]', (list) => list.textContent)).toContain('at 25 %, 50 %');
    const answer = await page.waitForSelector('ul[aria-label="Notes of the client"] li:last-child textarea');
    await answer?.type('It is, from tomorrow.');
    await page.keyboard.press('Tab');
    // The list follows the news meanwhile: the button is taken as it stands.
    await expect
      .poll(async () =>
        page.$eval('ul[aria-label="Notes of the client"] li:last-child textarea', (field) => (field as HTMLTextAreaElement).value),
      )
      .toBe('It is, from tomorrow.');
    await page.$eval('ul[aria-label="Notes of the client"] li:last-child button', (button) => (button as HTMLElement).click());
    await page.waitForSelector('ul[aria-label="Notes of the client"] li:last-child.closed');
    await expect
      .poll(async () => {
        await phone.goto(link);
        return phone.$eval('section[aria-label="Primary"]', (section) => section.textContent);
      })
      .toContain('It is, from tomorrow.');

    // Ended, there is nothing.
    await page.bringToFront();
    await visitor.click('End it: For the client');
    await visitor.sees('ended');
    expect((await phone.goto(link))?.status()).toBe(404);
    await phone.close();
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
  });
});
