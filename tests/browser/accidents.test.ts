import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startChromium } from '../../scripts/setup/chromium.mjs';
import { read, send, nameRecipe, palette } from '../support/api';
import { Visitor } from '../support/browser';
import { random } from '../support/random';
import { startTestApp } from '../support/test-app';

/** All of it in the deep run; a seeded handful each time. */
const STORIES = process.env['DEEP'] === '1' ? 200 : 5;

let app: Awaited<ReturnType<typeof startTestApp>>;
let chromium: Awaited<ReturnType<typeof startChromium>>;
let brand: string;
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  chromium = await startChromium();
  brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Accidents', palette })).value.slug;
});
afterAll(async () => {
  await chromium.close();
  await app.stop();
});

interface Kept {
  readonly recipe: { readonly parts: readonly { readonly text?: string }[] };
}
const textsOf = (rows: readonly Kept[]): readonly string[] =>
  rows.flatMap(({ recipe }) => recipe.parts.flatMap(({ text }) => (text === undefined ? [] : [text])));

/** Every text that the journal of this browser holds. */
const journaled = (page: Page): Promise<readonly string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve) => {
        const opening = indexedDB.open('lucky-thistle');
        opening.onerror = () => resolve([]);
        opening.onsuccess = () => {
          const all = opening.result.transaction('lines').objectStore('lines').getAll();
          all.onsuccess = () => {
            opening.result.close();
            resolve((all.result as { content: string }[]).map(({ content }) => content));
          };
        };
      }),
  );

describe('accident stories in a real browser', () => {
  it(`leave every text that was on the stage in the mark, a try or the journal (${STORIES} seeded stories)`, async () => {
    const lost: string[] = [];
    for (let story = 1; story <= STORIES; story++) {
      const next = random(20_261_126 + story);
      const told: string[] = [];
      const { slug } = (
        await send<{ slug: string }>(`${app.url}/api/brands/${brand}/marks`, 'POST', {
          name: `Story ${story}`,
          role: 'primary',
          recipe: nameRecipe('start'),
        })
      ).value;
      const address = `${app.url}/api/brands/${brand}/marks/${slug}`;
      const room = `/brands/${brand}/marks/${slug}`;
      const tabs: Visitor[] = [];
      const onScreen = new Set<string>();
      const arrive = async () => {
        const tab = await Visitor.arrive(chromium.browser, app.url);
        await tab.go(room);
        await tab.stage();
        tabs.push(tab);
      };
      const choose = async (label: string) =>
        Promise.all(
          tabs.map((tab) =>
            tab.page.evaluate(
              (wanted) => [...document.querySelectorAll('button')].find((button) => button.textContent?.trim() === wanted)?.click(),
              label,
            ),
          ),
        );
      await arrive();
      let offline = false;
      for (let act = 0; act < 8; act++) {
        const tab = tabs[Math.floor(next() * tabs.length)];
        const what = next();
        if (tab && what < 0.5) {
          const text = `s${story}a${act}`;
          // As a hand would: into the letters' own field.
          await tab.page.bringToFront();
          const shown = await tab.page.evaluate(() => document.querySelector('textarea') !== null);
          if (!shown)
            await tab.page.evaluate(() => document.querySelector<HTMLElement>('section[aria-label="Recipe"] button.title')?.click());
          const field = await tab.page.waitForSelector('textarea', { visible: true });
          await field?.click({ count: 3 });
          await field?.type(text);
          await tab.page.evaluate(() => document.querySelector('textarea')?.blur());
          onScreen.add(text);
          told.push(`tab ${tabs.indexOf(tab)} types ${text}`);
        } else if (what < 0.6 && tabs.length < 2 && !offline) {
          await arrive();
          told.push('second tab');
        } else if (what < 0.7) {
          offline = !offline;
          for (const each of tabs) await each.page.setOfflineMode(offline);
          told.push(offline ? 'offline' : 'online');
        } else if (what < 0.8 && tab && tabs.length > 1) {
          tabs.splice(tabs.indexOf(tab), 1);
          await tab.page.close();
          told.push('a tab is closed');
        } else if (what < 0.9) {
          const base = (await read<{ revision: number }>(address)).revision;
          const elsewhere = `s${story}e${act}`;
          const saved = await send(`${address}/revisions`, 'POST', {
            base,
            gestures: [{ id: crypto.randomUUID(), kind: 'edit', gesture: 'Else', recipe: nameRecipe(elsewhere) }],
          });
          if (saved.status === 201) onScreen.add(elsewhere);
          told.push('somebody else saves');
        } else {
          await choose(next() < 0.5 ? 'Go on with mine' : 'Go on with the newer one');
          told.push('a choice');
        }
      }
      // All tabs die; tomorrow somebody opens the mark again, and chooses where there is a choice.
      for (const tab of tabs.splice(0)) await tab.page.close();
      await arrive();
      const [last] = tabs;
      if (!last) throw new Error('nobody arrived');
      await last.page.waitForNetworkIdle({ idleTime: 400, concurrency: 1 });
      await choose('Go on with the newer one');
      await last.page.waitForNetworkIdle({ idleTime: 400, concurrency: 1 });
      const { past, future, current } = await read<{ past: readonly Kept[]; future: readonly Kept[]; current: Kept }>(
        `${address}/revisions`,
      );
      const tries = await read<readonly Kept[]>(`${address}/tries`);
      const everything = [...textsOf([...past, ...future, current, ...tries]), ...(await journaled(last.page))].join('\n');
      for (const text of onScreen)
        if (!new RegExp(`${text}\\b`).test(everything)) lost.push(`story ${story}: ${text} (${told.join(', ')})`);
      await last.page.close();
    }
    expect(lost).toEqual([]);
  }, 3_600_000);
});
