import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startChromium } from '../../scripts/setup/chromium.mjs';
import { read, send, nameRecipe, palette } from '../support/api';
import { Visitor } from '../support/browser';
import { casesOf, DEEP } from '../support/deep';
import { random } from '../support/random';
import { startTestApp } from '../support/test-app';

/** All of it in the deep run; a seeded handful each time. */
const STORIES = casesOf({ inFull: 200, sample: 2 });
const FIRST = Number(process.env['STORY'] ?? 1);

let app: Awaited<ReturnType<typeof startTestApp>>;
let running: { stop(): Promise<unknown>; kill(): Promise<unknown> };
let chromium: Awaited<ReturnType<typeof startChromium>>;
let brand: string;
beforeAll(async () => {
  running = app = await startTestApp({ demo: false });
  chromium = await startChromium();
  brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Accidents', palette })).value.slug;
});
afterAll(async () => {
  await chromium.close();
  await running.stop();
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

/** Lets answers to saves be lost on their way while `window.answersLost`: the server has them, the page never hears. */
const canLoseAnswers = (page: Page) =>
  page.evaluateOnNewDocument(() => {
    const asked = window.fetch.bind(window);
    window.fetch = async (...request) => {
      const answer = await asked(...request);
      if ('answersLost' in window && request[1]?.method === 'POST') throw new TypeError('the answer was lost');
      return answer;
    };
  });

/** One story: a mark, the tabs that show it, what was told, and every text that stood on a stage. */
class Story {
  readonly told: string[] = [];
  readonly onScreen = new Set<string>();
  tabs: Visitor[] = [];
  private offline = false;
  private full = false;

  private constructor(
    readonly number: number,
    readonly address: string,
    private readonly room: string,
    readonly next: () => number,
  ) {}

  static async begin(number: number): Promise<Story> {
    const made = await send<{ slug: string }>(`${app.url}/api/brands/${brand}/marks`, 'POST', {
      name: `Story ${number}`,
      role: 'primary',
      recipe: nameRecipe('start'),
    });
    const { slug } = made.value;
    return new Story(number, `${app.url}/api/brands/${brand}/marks/${slug}`, `/brands/${brand}/marks/${slug}`, random(20_261_126 + number));
  }

  async arrive(): Promise<void> {
    const tab = await Visitor.arrive(chromium.browser, app.url);
    await canLoseAnswers(tab.page);
    await tab.go(this.room);
    await tab.stage();
    this.tabs.push(tab);
  }

  choose = async (label: string) =>
    Promise.all(
      this.tabs.map((tab) =>
        tab.page.evaluate(
          (wanted) => [...document.querySelectorAll('button')].find((button) => button.textContent?.trim() === wanted)?.click(),
          label,
        ),
      ),
    );

  /** As a hand would: into the letters' own field. */
  private async type(tab: Visitor, text: string): Promise<void> {
    await tab.page.bringToFront();
    const shown = await tab.page.evaluate(() => document.querySelector('textarea') !== null);
    if (!shown) await tab.page.evaluate(() => document.querySelector<HTMLElement>('section[aria-label="Recipe"] button.title')?.click());
    const field = await tab.page.waitForSelector('textarea', { visible: true });
    await field?.click({ count: 3 });
    await field?.type(text);
    // What it then says was on the screen: a layout that moved under the click leaves the caret before what was there.
    const said = (await field?.evaluate((element) => (element as HTMLTextAreaElement).value)) ?? '';
    // What was seen for a frame was on the screen; what a page loses before it could show it, nobody saw.
    await tab.page.keyboard.press('Tab');
    await tab.page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))));
    this.onScreen.add(said);
  }

  private async setOffline(offline: boolean): Promise<void> {
    this.offline = offline;
    for (const each of this.tabs) await each.page.setOfflineMode(offline);
  }

  /** Storage is full, or has room again. */
  private async setFull(full: boolean): Promise<void> {
    this.full = full;
    const [tab] = this.tabs;
    const session = await tab?.page.createCDPSession();
    await session?.send('Storage.overrideQuotaForOrigin', { origin: app.url, ...(full ? { quotaSize: 1 } : {}) });
    await session?.detach();
  }

  /** A page that alone holds its work says so: nobody closes it unwarned. What such a page shows may go with it. */
  private async mayClose(tab: Visitor): Promise<boolean> {
    const warned = await tab.page.evaluate(
      () => document.body.innerText.includes('leave this tab open') || document.body.innerText.includes('Leave this tab open'),
    );
    return !warned;
  }

  async act(step: number): Promise<void> {
    const tab = this.tabs[Math.floor(this.next() * this.tabs.length)];
    const what = this.next();
    const tell = (said: string) => void this.told.push(said);
    if (tab && what < 0.46) {
      const text = `s${this.number}a${step}`;
      tell(`tab ${this.tabs.indexOf(tab)} types ${text}`);
      await this.type(tab, text);
    } else if (what < 0.54 && this.tabs.length < 2 && !this.offline) {
      tell('second tab');
      await this.arrive();
    } else if (what < 0.62) {
      tell(this.offline ? 'online' : 'offline');
      await this.setOffline(!this.offline);
    } else if (what < 0.68 && tab && this.tabs.length > 1 && (await this.mayClose(tab))) {
      tell('a tab is closed');
      this.tabs.splice(this.tabs.indexOf(tab), 1);
      await tab.page.close();
    } else if (what < 0.74) {
      tell('answers are lost from here on, or no longer');
      for (const { page } of this.tabs)
        await page.evaluate(() => {
          if ('answersLost' in window) delete window.answersLost;
          else Object.assign(window, { answersLost: true });
        });
    } else if (what < 0.79) {
      tell(this.full ? 'storage has room' : 'storage is full');
      await this.setFull(!this.full);
    } else if (what < 0.83) {
      tell('the server is killed and comes back');
      await running.kill();
      running = await app.revived();
    } else if (what < 0.86 && !this.full) {
      tell('the browser is killed');
      const again = await chromium.kill();
      chromium = await again();
      this.tabs = [];
      this.offline = false;
      await this.arrive();
    } else if (what < 0.93) {
      const base = (await read<{ revision: number }>(this.address)).revision;
      const elsewhere = `s${this.number}e${step}`;
      const saved = await send(`${this.address}/revisions`, 'POST', {
        base,
        gestures: [{ id: crypto.randomUUID(), kind: 'edit', gesture: 'Else', recipe: nameRecipe(elsewhere) }],
      });
      if (saved.status === 201) this.onScreen.add(elsewhere);
      tell('somebody else saves');
    } else {
      const label = this.next() < 0.5 ? 'Go on with mine' : 'Go on with the newer one';
      tell(`choice: ${label}`);
      await this.choose(label);
    }
  }

  /** All tabs die; tomorrow somebody opens the mark again, and chooses where there is a choice. */
  async tomorrow(): Promise<readonly string[]> {
    if (this.full) {
      await this.setFull(false);
      await this.setOffline(false);
      for (const { page } of this.tabs)
        await page.waitForFunction(() => {
          if ('answersLost' in window) delete window.answersLost;
          return !/leave this tab open/i.test(document.body.innerText);
        });
    }
    for (const tab of this.tabs.splice(0)) await tab.page.close();
    await this.arrive();
    const [last] = this.tabs;
    if (!last) throw new Error('nobody arrived');
    await last.page.waitForNetworkIdle({ idleTime: 400, concurrency: 1 });
    await this.choose('Go on with the newer one');
    await last.page.waitForNetworkIdle({ idleTime: 400, concurrency: 1 });
    // Work goes from the journal to the server, never back: read in this order, nothing can slip through between the two.
    const inJournal = await journaled(last.page);
    const { past, future, current } = await read<{ past: readonly Kept[]; future: readonly Kept[]; current: Kept }>(
      `${this.address}/revisions`,
    );
    const tries = await read<readonly Kept[]>(`${this.address}/tries`);
    const everything = [...textsOf([...past, ...future, current, ...tries]), ...inJournal].join('\n');
    await last.page.close();
    return [...this.onScreen].filter((text) => !new RegExp(`${text}\\b`).test(everything));
  }
}

describe('accident stories in a real browser', () => {
  it(`leave every text that was on the stage in the mark, a try or the journal (${STORIES} seeded stories)`, async () => {
    const lost: string[] = [];
    for (let number = FIRST; number < (DEEP ? 1 : FIRST) + STORIES; number++) {
      const story = await Story.begin(number);
      await story.arrive();
      try {
        for (let step = 0; step < 8; step++) await story.act(step);
        for (const text of await story.tomorrow()) lost.push(`story ${number}: ${text} (${story.told.join(', ')})`);
      } catch (error) {
        throw new Error(`story ${number} (${story.told.join(', ')}) broke; lost in those before it: ${lost.join('; ') || 'nothing'}`, {
          cause: error,
        });
      }
    }
    expect(lost).toEqual([]);
  }, 7_200_000);
});

describe('a page that looks on', () => {
  it('shows what is saved elsewhere, and says nothing is unsaved', async () => {
    const story = await Story.begin(0);
    await story.arrive();
    const [tab] = story.tabs;
    if (!tab) throw new Error('nobody arrived');
    const before = await tab.stage();
    const { revision: base } = await read<{ revision: number }>(story.address);
    const gestures = [{ id: crypto.randomUUID(), kind: 'edit', gesture: 'Else', recipe: nameRecipe('elsewhere') }];
    expect((await send(`${story.address}/revisions`, 'POST', { base, gestures })).status).toBe(201);
    const sent = performance.now();
    expect(await tab.stageAfter(before)).not.toBe(before);
    if (DEEP) console.info(`followed after ${(performance.now() - sent).toFixed(0)} ms`);
    await tab.saved();
    await tab.page.close();
  });
});
