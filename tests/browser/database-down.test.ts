import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { STARTING_PALETTE } from '$core/index';
import { startApp } from '../../scripts/setup/app.mjs';
import { dataFolder, ensureDatabase, startCluster } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { nameRecipe, send } from '../support/api';
import { startBrowser, Visitor, type TestBrowser } from '../support/browser';

let cluster: Awaited<ReturnType<typeof startCluster>>;
let app: Awaited<ReturnType<typeof startApp>>;
let chromium: TestBrowser;
beforeAll(async () => {
  cluster = await startCluster(dataFolder(`down-${process.pid}`));
  app = await startApp({ port: await freePort(), databaseUrl: ensureDatabase(cluster, 'down'), demo: false, quiet: true });
  const made = await send(`${app.url}/api/brands`, 'POST', {
    name: 'Windrow Kites',
    palette: STARTING_PALETTE,
    mark: { name: 'Primary', role: 'primary', recipe: nameRecipe('Windrow') },
  });
  expect(made.status).toBe(201);
  chromium = await startBrowser();
});
afterAll(async () => {
  await chromium.close();
  await app.stop();
  cluster.remove();
});

const typeName = async (visitor: Visitor, text: string) => {
  await visitor.page.locator('section[aria-label="Recipe"] button.title').click();
  await visitor.fill('Text', text);
};
const storedText = async () => {
  const mark = (await (await fetch(`${app.url}/api/brands/windrow-kites/marks/primary`)).json()) as {
    recipe: { parts: { text?: string }[] };
  };
  return mark.recipe.parts.at(-1)?.text;
};
/** Waits until it is: what is typed ends its gesture after a rest, and until then the page says when it saved last. */
const isStored = (text: string) => expect.poll(storedText, { timeout: 30_000 }).toBe(text);

describe('a server that is away for a while', () => {
  it('leaves the table where it is: what moved on elsewhere is read once the server answers again', async () => {
    const visitor = await Visitor.arrive(chromium.browser, app.url);
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stage();
    let away = true;
    let asked = 0;
    await visitor.page.setRequestInterception(true);
    visitor.page.on('request', (request) => {
      const reads = /\/__data\.json|\/api\/health/.test(request.url());
      if (reads) asked++;
      void (away && reads ? request.abort('connectionrefused') : request.continue());
    });
    const renamed = await send(`${app.url}/api/brands/windrow-kites/marks/primary`, 'PATCH', { name: 'Signboard' });
    expect(renamed.status).toBe(200);
    // Asked more than once, and refused each time: nothing on the table has gone.
    await expect.poll(() => asked, { timeout: 30_000 }).toBeGreaterThan(2);
    await visitor.stage();
    expect(await visitor.page.$eval('body', (body) => body.innerText)).not.toMatch(/cannot be (reached|shown)|Signboard/);
    away = false;
    await visitor.sees('Signboard');
    await visitor.stage();
    await visitor.page.close();
  });

  it('can still be drawn on when it goes before the second drawing worker is had; what that one draws comes with a change after it is back', async () => {
    // Nothing is kept from before: all that is shown has to be drawn.
    const fresh = await chromium.browser.createBrowserContext();
    const visitor = await Visitor.arrive(fresh, app.url);
    await visitor.page.evaluateOnNewDocument(() => {
      let had = 0;
      const Real = Worker;
      class Unreachable extends Real {
        constructor(address: string | URL, options?: WorkerOptions) {
          super(had++ > 0 && !('backAgain' in window) ? '/nothing-answers-here.js' : address, options);
        }
      }
      window.Worker = Unreachable;
    });
    await visitor.go('/brands/windrow-kites/marks/primary');
    const before = await visitor.stage();
    await visitor.sees('The proofs could not be drawn');
    expect(await visitor.page.$$('aside svg[aria-label="one color"] path')).toEqual([]);
    await typeName(visitor, 'Windrow, drawn');
    await visitor.stageAfter(before);
    await visitor.saved();
    await visitor.page.evaluate(() => Object.assign(window, { backAgain: true }));
    await visitor.fill('Text', 'Windrow');
    for (const name of ['At 16 pixels', 'one color', 'reversed'])
      await visitor.page.waitForSelector(`aside svg[aria-label="${name}"] path`);
    await visitor.seesNot('The proofs could not be drawn');
    expect(visitor.errors).toEqual([]);
    await fresh.close();
  });

  it('leaves the table where it is, whatever room is asked for: the browser is offline, and says so', async () => {
    const visitor = await Visitor.arrive(chromium.browser, app.url);
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stage();
    const brief = () => visitor.page.locator('nav a ::-p-text(Brief)').click();
    await visitor.page.setOfflineMode(true);
    await brief();
    await visitor.sees('other rooms open once it is connected again');
    await visitor.stage();
    await visitor.page.setOfflineMode(false);
    await visitor.seesNot('other rooms open');
    await brief();
    await visitor.page.waitForSelector('textarea[placeholder="What people can count on"]');
    await visitor.page.close();
  });

  /** Lets the data of pages be refused while `away.data`; everything else goes through. */
  const dataAway = async (visitor: Visitor) => {
    const away = { data: true, refused: 0 };
    await visitor.page.setRequestInterception(true);
    visitor.page.on('request', (request) => {
      const refused = away.data && /\/__data\.json/.test(request.url());
      if (refused) away.refused++;
      void (refused ? request.abort('connectionrefused') : request.continue());
    });
    return away;
  };
  /** What only this page knows: it is gone with it. */
  const remember = (visitor: Visitor) => visitor.page.evaluate(() => Object.assign(window, { sameAsBefore: true }));
  const remembers = (visitor: Visitor) => visitor.page.evaluate(() => 'sameAsBefore' in window);

  it('and goes between being asked and being read from: the page is never loaded anew, and shows the news when it can', async () => {
    const visitor = await Visitor.arrive(chromium.browser, app.url);
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stage();
    await remember(visitor);
    const away = await dataAway(visitor);
    expect((await send(`${app.url}/api/brands/windrow-kites/marks/primary`, 'PATCH', { name: 'Shopfront' })).status).toBe(200);
    await expect.poll(() => away.refused, { timeout: 30_000 }).toBeGreaterThan(2);
    await visitor.stage();
    // Work goes on meanwhile.
    await typeName(visitor, 'Windrow works on');
    away.data = false;
    await visitor.sees('Shopfront');
    expect(await remembers(visitor)).toBe(true);
    await isStored('Windrow works on');
    await visitor.page.close();
  });

  it('is waited for by the room that was asked for; the one that is open stays, says so, and can be stayed in', async () => {
    const visitor = await Visitor.arrive(chromium.browser, app.url);
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stage();
    await remember(visitor);
    const away = await dataAway(visitor);
    const ask = (room: string) => visitor.page.locator(`nav a ::-p-text(${room})`).click();
    await ask('Brief');
    await visitor.sees('The server cannot be reached. The page you asked for comes as soon as it answers');
    await visitor.stage();
    await visitor.click('Stay here');
    await visitor.seesNot('The server cannot be reached');
    await visitor.stage();
    await ask('Brief');
    await visitor.sees('The server cannot be reached');
    away.data = false;
    await visitor.page.waitForSelector('textarea[placeholder="What people can count on"]');
    expect(await remembers(visitor)).toBe(true);
    await visitor.page.close();
  });
});

describe('a dead database', () => {
  it('is named on the page; the work in the tab is kept and saved when it returns', async () => {
    const visitor = await Visitor.arrive(chromium.browser, app.url);
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stage();
    cluster.kill();
    await typeName(visitor, 'Kept');
    await visitor.sees('The database cannot be reached.');
    await visitor.sees('Your work is kept in this browser');
    cluster.restart();
    await isStored('Kept');
    await visitor.page.close();
  });

  it('and a dead tab lose nothing: the next tab saves what was left', async () => {
    const visitor = await Visitor.arrive(chromium.browser, app.url);
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stage();
    cluster.kill();
    await typeName(visitor, 'Left behind');
    await visitor.sees('The database cannot be reached.');
    await visitor.page.close();
    cluster.restart();
    const next = await Visitor.arrive(chromium.browser, app.url);
    await next.go('/brands/windrow-kites/marks/primary');
    await next.sees('Left behind');
    await next.saved();
    expect(await storedText()).toBe('Left behind');
    await next.page.close();
  });

  it('answers pages and scripts with a sentence', async () => {
    cluster.kill();
    const page = await fetch(`${app.url}/`);
    expect(page.status).toBe(503);
    expect(await page.text()).toContain('The database cannot be reached.');
    const route = await fetch(`${app.url}/api/brands`);
    expect([route.status, route.headers.get('content-type'), ((await route.json()) as { type: string }).type]).toEqual([
      503,
      'application/problem+json',
      'urn:lucky-thistle:problem:database-down',
    ]);
    cluster.restart();
    expect((await fetch(`${app.url}/api/brands`)).status).toBe(200);
  });
});
