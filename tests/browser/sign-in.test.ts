import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startChromium } from '../../scripts/setup/chromium.mjs';
import { faultsOf, unsaidOn } from '../support/axe';
import { nameRecipe, palette } from '../support/api';
import { Visitor } from '../support/browser';
import { OWNER, people, startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let chromium: Awaited<ReturnType<typeof startChromium>>;
const OWN = 'copper teapot under snow';
beforeAll(async () => {
  app = await startTestApp({ demo: false, signIn: true });
  chromium = await startChromium();
});
afterAll(async () => {
  await chromium.close();
  await app.stop();
});

describe('a studio that signs in', () => {
  it('by keyboard: in, a password of one’s own, a mark, signed out elsewhere in the middle of it, in again, and nothing is lost', async () => {
    const visitor = await Visitor.arrive(chromium.browser, app.url);
    const { page } = visitor;
    await page.goto(`${app.url}/people`);
    expect(new URL(page.url()).pathname).toBe('/sign-in');
    expect(await faultsOf(page)).toEqual([]);
    await page.focus('#email');
    await page.keyboard.type(OWNER.email);
    await page.keyboard.press('Tab');
    await page.keyboard.type(app.ownerPassword);
    await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
    expect(new URL(page.url()).pathname).toBe('/you');
    await page.waitForSelector('html[data-ready]');
    expect(await faultsOf(page)).toEqual([]);
    await visitor.click('Show what I type', 'checkbox');
    expect(await page.$eval('#next', (field) => (field as HTMLInputElement).type)).toBe('text');
    await page.type('#present', app.ownerPassword);
    await page.type('#next', 'password1234');
    await page.keyboard.press('Enter');
    await visitor.sees('guessed too easily');
    await page.$eval('#present', (field) => ((field as HTMLInputElement).value = ''));
    await page.type('#present', app.ownerPassword);
    await page.$eval('#next', (field) => ((field as HTMLInputElement).value = ''));
    await page.type('#next', OWN);
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.pathname === '/');

    // The page sends with the cookie of this browser.
    const post = (path: string, body: unknown) =>
      page.evaluate(
        async (to, sent) => {
          const answer = await fetch(to, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(sent) });
          return answer.status;
        },
        path,
        body,
      );
    expect(await post('/api/brands', { name: 'Signed', palette })).toBe(201);
    expect(await post('/api/brands/signed/marks', { name: 'Shown', role: 'primary', recipe: nameRecipe('Before') })).toBe(201);
    await visitor.go('/brands/signed/marks/shown');
    await page.waitForSelector(`::-p-aria([name="AQ, ${OWNER.name}"][role="button"])`);

    // A new password, given elsewhere, ends the session; the work goes on in the browser.
    const { password } = await people(app.databaseUrl, 'password', '--email', OWNER.email);
    await page.waitForSelector('[data-part="name"], svg g[id$="name"], [aria-label="Recipe"]', { timeout: 20_000 }).catch(() => null);
    await visitor.press('/');
    await page.keyboard.type('circle');
    await page.keyboard.press('Enter');
    await visitor.sees('You are not signed in, or no longer.');
    await visitor.sees('Your work is kept in this browser');
    const again = await Visitor.arrive(chromium.browser, app.url);
    await again.page.goto(`${app.url}/sign-in`);
    await again.page.type('#email', OWNER.email);
    await again.page.type('#password', password);
    await Promise.all([again.page.waitForNavigation(), again.page.click('form button')]);
    await again.page.waitForSelector('html[data-ready]');
    await again.page.type('#present', password);
    await again.page.type('#next', `${OWN} again`);
    await again.page.keyboard.press('Enter');
    await again.page.waitForFunction(() => location.pathname === '/');
    await again.page.close();
    await page.bringToFront();
    await visitor.sees('Saved ');
    const parts = await page.evaluate(async () => {
      const marks = (await (await fetch('/api/brands/signed/marks')).json()) as { recipe: { parts: { kind: string; text?: string }[] } }[];
      return marks[0]?.recipe.parts.map(({ kind, text }) => text ?? kind);
    });
    expect(parts?.[0]).toBe('Before');
    expect(parts?.length, 'what was added while signed out').toBeGreaterThan(1);
    expect(visitor.errors).toEqual([]);
    await page.close();
  });

  it('the owner takes somebody in to look, who then looks only', async () => {
    const visitor = await Visitor.arrive(chromium.browser, app.url);
    const { page } = visitor;
    await page.goto(`${app.url}/sign-in?to=/people`);
    await page.type('#email', OWNER.email);
    await page.type('#password', `${OWN} again`);
    await Promise.all([page.waitForNavigation(), page.click('form button')]);
    await page.waitForSelector('html[data-ready]');
    await page.type('form.add input[name="name"]', 'Noor Ink');
    await page.type('form.add input[name="email"]', 'noor@studio.example');
    await page.select('form.add select', 'viewer');
    await visitor.click('Take in');
    const said = await page.waitForSelector('p.done code');
    const first = await said?.evaluate((code) => code.textContent);
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
    await visitor.click(`AQ, ${OWNER.name}`);
    await visitor.click('Sign out', 'menuitem');
    await page.waitForFunction(() => location.pathname === '/sign-in');
    // The way back shows nothing.
    await page.goBack();
    await page.waitForFunction(() => location.pathname === '/sign-in');

    await page.type('#email', 'noor@studio.example');
    await page.type('#password', first ?? '');
    await Promise.all([page.waitForNavigation(), page.click('form button')]);
    await page.waitForSelector('html[data-ready]');
    await page.type('#present', first ?? '');
    await page.type('#next', 'brass lantern by the weir');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.pathname === '/');
    await visitor.sees('Looking only');
    expect(await page.$('nav a[href="/people"]')).toBeNull();
    expect((await page.goto(`${app.url}/people`))?.status()).toBe(403);
    expect(await page.$eval('h1', (head) => head.textContent)).toContain('Your role in this studio does not allow that');
    await visitor.go('/brands/signed/marks/shown');
    await visitor.press('/');
    await page.keyboard.type('circle');
    const before = await visitor.stage();
    await page.keyboard.press('Enter');
    await visitor.sees('Your role in this studio is to look: nothing was changed.');
    await visitor.stageIs(before);
    // Nothing of it is kept: opened again, the mark is as it was.
    await visitor.go('/brands/signed/marks/shown');
    expect(await visitor.stage()).toBe(before);
    await visitor.seesNot('Not saved');
    // In the other rooms what would be refused is seen, and not offered; what may be fetched is.
    const offered = (name: string) =>
      page.evaluate(
        (said) =>
          [...document.querySelectorAll<HTMLElement>('button, label')]
            .filter((control) => control.textContent?.trim().startsWith(said))
            .map((control) => !control.matches(':disabled') && !control.querySelector(':disabled')),
        name,
      );
    for (const [room, names] of [
      ['/', ['New brand', 'Bring in a brand file']],
      ['/brands/signed/photos', ['Bring in photos', 'a folder', 'Try it with our sample photos', 'Mark']],
      ['/brands/signed/handover', ['Make ']],
      ['/brands/signed/brief', ['Add pictures', 'Add a note']],
      ['/brands/signed/type', ['Bring a font']],
    ] as const) {
      await visitor.go(room);
      for (const name of names) expect(await offered(name), `${room}: ${name}`).toEqual([false]);
    }
    await visitor.go('/');
    await visitor.click('For Signed');
    expect(
      await page.$$eval('[role="menu"][aria-label="For Signed"] [role="menuitem"]', (items) =>
        items.map((item) => item.textContent?.trim()),
      ),
    ).toEqual(['Download brand file']);
    await page.close();
  });
});
