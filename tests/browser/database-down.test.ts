import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApp } from '../../scripts/setup/app.mjs';
import { dataFolder, ensureDatabase, startCluster } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { startBrowser, Visitor, type TestBrowser } from '../support/browser';

let cluster: Awaited<ReturnType<typeof startCluster>>;
let app: Awaited<ReturnType<typeof startApp>>;
let chromium: TestBrowser;
beforeAll(async () => {
  cluster = await startCluster(dataFolder(`down-${process.pid}`));
  app = await startApp({ port: await freePort(), databaseUrl: ensureDatabase(cluster, 'down'), demo: true, quiet: true });
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
    await visitor.saved();
    expect(await storedText()).toBe('Kept');
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
